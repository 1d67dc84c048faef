import { randomUUID } from 'node:crypto';
import type { Accepted, CartoonRequest, EditRequest } from '#contract';
import {
  BEGINS,
  jointsBetween,
  limitsOf,
  piecesGone,
  type AcceptDrawing,
  type DrawingOrigin,
  type PanelRow,
  type PieceRow,
  type Reader,
  type Refusal,
  type SavePanel,
} from '#core/bench';
import { begun, sketchOf, type DrawingRefusal, type EditRefusal } from '#core/cartoon';
import { allNew, studyRules, type DrawingResult, type Study } from '#core/cutting';
import type { MaterialsWish, WantedSupply } from '#core/materials';
import type { LineAllowance } from '#core/sizing';
import type { Desk, Sender } from './desk.ts';
import { DrawingJobs } from './jobs/drawingJobs.ts';
import type { NewDrawing, StoredReading } from './store/drawingStore.ts';

type Outcome =
  | Accepted
  | { readonly refusal: Refusal }
  | { readonly drawing: DrawingRefusal['refusal'] }
  | { readonly edit: EditRefusal };

type Facts = Sender & { readonly basis: number };
/** What the panel is, or is to be with the drawing. */
type Drawn = Pick<PanelRow, 'id' | 'allowance' | 'freeId' | 'cartoonId'>;

/** Brings drawings in and changes them: the heavy part in a worker, then one command to the desk. */
export class Drawings {
  readonly #desk: Desk;
  readonly #jobs: DrawingJobs;
  readonly #clock: () => number;

  constructor(desk: Desk, worker: URL | null, clock: () => number) {
    this.#desk = desk;
    this.#jobs = new DrawingJobs(worker);
    this.#clock = clock;
  }

  async takeIn(panel: PanelRow, request: CartoonRequest, signal?: AbortSignal): Promise<Outcome> {
    const { source, sourceName, outline, letGo = [], commandId, personId, bench, basis, ...options } = request;
    const allowance = outline ? { ...panel.allowance, outline } : panel.allowance;
    const old = await this.#reading(panel.cartoonId);
    const { freeId } = panel;
    const limits = limitsOf(this.#desk.state);
    const previous = old ? { previous: old } : {};
    const job = { kind: 'read' as const, source, options, allowance, freeId, limits, ...previous };
    const result = await this.#jobs.read(job, signal);
    if ('refusal' in result) return { drawing: result.refusal };
    const facts = { commandId, personId, bench, basis };
    return this.#accept(panel, result, { origin: 'import', allowance, sourceName, source, letGo }, facts);
  }

  /** @param old the panel as it is; undefined where the change makes it, as another light of a set */
  async change(
    panelId: string,
    old: PanelRow | undefined,
    request: EditRequest,
    signal?: AbortSignal,
  ): Promise<Outcome> {
    const { edit, panel: wish, ...facts } = request;
    const drawn = this.#drawnPanel(panelId, old, wish);
    if (!drawn) return { refusal: { code: 'unknown-panel' } };
    const from = edit.kind === 'fit' && edit.from !== undefined ? this.#desk.state.get('panels', edit.from) : old;
    const previous = from && (await this.#reading(from.cartoonId));
    if (!from || !previous || from.cartoonId === null) return { edit: 'no-such-piece' };
    const isOwn = from.id === panelId;
    const allowance = edit.kind === 'allowance' ? edit.allowance : drawn.allowance;
    const rows = old ? [...this.#desk.state.ask('piecesOfPanel', old.id)] : [];
    const result = await this.#jobs.edit(
      {
        kind: 'edit',
        edit: edit.kind === 'allowance' ? null : edit,
        freeId: drawn.freeId,
        limits: limitsOf(this.#desk.state),
        kept: rows.filter(isNumberKept).map((p) => p.number),
        sections: rows.flatMap((p) => (p.section ? [[p.number, p.section] as const] : [])),
        allowance,
        previous,
        reading: previous,
      },
      signal,
    );
    if ('refusal' in result) return { edit: result.refusal };
    const kept = this.#desk.store.drawings.facts(from.cartoonId);
    const more = {
      origin: edit.kind,
      allowance,
      sourceName: kept?.sourceName ?? 'drawing.svg',
      source: { hash: kept?.sourceHash ?? '' },
      letGo: [],
      ...(wish ? { panel: { ...wish, id: panelId } as SavePanel } : {}),
      ...(isOwn ? {} : { like: glassOf(this.#desk.state, from.id) }),
    };
    return this.#accept(drawn, isOwn ? result : asNew(result, drawn.freeId), more, facts);
  }

  /** What follows from a drawing, packed as it is sent; worked out anew where it is not at hand. */
  async study(id: string, part: 'packed' | 'sketch'): Promise<Buffer | null> {
    const { drawings } = this.#desk.store;
    const limits = limitsOf(this.#desk.state);
    const rules = studyRules(limits);
    const kept = drawings.packedStudy(id, part, rules);
    if (kept) return kept;
    const reading = drawings.reading(id);
    const facts = drawings.facts(id);
    if (!reading || !facts) return null;
    const { cartoon } = reading;
    const study = await this.#jobs.study({ cartoon, allowance: facts.allowance, limits });
    drawings.keepStudy(id, study, rules, sketchOf(cartoon));
    return drawings.packedStudy(id, part, rules);
  }

  /** What a version takes beside glass by the usual figures; null where it is not here. */
  async wanted(id: string, wish: MaterialsWish): Promise<readonly WantedSupply[] | null> {
    const { drawings } = this.#desk.store;
    const key = JSON.stringify(wish);
    const kept = drawings.reckoning(id, key);
    if (kept) return kept;
    const reading = drawings.packed(id);
    if (!reading) return null;
    const wanted = await this.#jobs.reckon({ reading, wish });
    // A drawing may have gone while it was reckoned.
    if (drawings.packed(id)) drawings.keepReckoning(id, key, wanted);
    return wanted;
  }

  #drawnPanel(panelId: string, old: PanelRow | undefined, wish: EditRequest['panel']): Drawn | null {
    const allowance = wish?.allowance ?? old?.allowance;
    return allowance ? { id: panelId, allowance, freeId: old?.freeId ?? 1, cartoonId: old?.cartoonId ?? null } : null;
  }

  async #reading(id: string | null): Promise<(StoredReading & Study) | null> {
    const reading = id === null ? null : this.#desk.store.drawings.reading(id);
    if (id === null || !reading) return null;
    await this.study(id, 'packed');
    const study = this.#desk.store.drawings.study(id, studyRules(limitsOf(this.#desk.state)));
    return study && { ...reading, ...study };
  }

  #accept(
    panel: Drawn,
    result: DrawingResult,
    more: {
      origin: DrawingOrigin;
      allowance: LineAllowance;
      sourceName: string;
      source: NewDrawing['source'];
      letGo: readonly number[];
      panel?: SavePanel;
      like?: GlassByNumber;
    },
    facts: Facts,
  ): Outcome {
    const at = this.#clock();
    const { ask, drawing } = drawnIn(this.#desk.state, panel, result, { ...more, at });
    return this.#desk.acceptDrawing(ask, drawing, facts, at);
  }
}

/** A drawing that was read or changed as the act that accepts it, and as it is kept. */
export function drawnIn(
  state: Reader,
  panel: Pick<PanelRow, 'id' | 'cartoonId'>,
  result: DrawingResult,
  more: Pick<NewDrawing, 'at' | 'source' | 'sourceName' | 'allowance'> &
    Pick<AcceptDrawing, 'origin' | 'letGo' | 'panel'> & { readonly like?: GlassByNumber },
): { readonly ask: AcceptDrawing; readonly drawing: NewDrawing } {
  const { at, source, sourceName, allowance, origin, letGo, panel: wish, like } = more;
  const drawing = newDrawing(panel.id, result, {
    at,
    source,
    sourceName,
    allowance,
    rules: studyRules(limitsOf(state)),
  });
  const facts = drawnFacts(result);
  const ask: AcceptDrawing = {
    ...facts,
    ...(like ? { pieces: facts.pieces.map((piece) => ({ ...piece, ...like.get(piece.number) })) } : {}),
    ...jointsBetween(state, panel.id, result.cartoon.joints, new Set(result.carry.movedJoints)),
    gone: piecesGone(state, panel.id, result.cartoon.pieces),
    panelId: panel.id,
    cartoonId: drawing.id,
    follows: panel.cartoonId,
    sourceName,
    origin,
    allowance,
    letGo,
    ...(wish ? { panel: wish } : {}),
  };
  return { ask, drawing };
}

type GlassByNumber = ReadonlyMap<
  number,
  { readonly glassId?: string; readonly backGlassId?: string; readonly flowDeg?: number }
>;

/** The glass of a panel's pieces, for one that is drawn after it; a glass that was deleted is not chosen anew. */
function glassOf(state: Reader, panelId: string): GlassByNumber {
  const pieces = [...state.ask('piecesOfPanel', panelId)];
  const isThere = (id: string | null): id is string => id !== null && state.get('glasses', id)?.away !== 'deleted';
  return new Map(
    pieces.map(({ number, glassId, backGlassId, flowDeg }) => [
      number,
      {
        ...(isThere(glassId) ? { glassId } : {}),
        ...(isThere(backGlassId) ? { backGlassId } : {}),
        ...(flowDeg === null ? {} : { flowDeg }),
      },
    ]),
  );
}

/** Its number stands on glass, or was locked. */
const isNumberKept = (p: PieceRow): boolean => p.stage !== BEGINS || p.recuts > 0 || p.locked;

/** A drawing fitted from another panel is new to this one: its parts get names of their own. */
function asNew(result: DrawingResult, freeId: number): DrawingResult {
  const first = begun(result.cartoon, freeId);
  return { ...result, ...first, changes: allNew(first.cartoon) };
}

/** A version of a drawing, as it is kept. */
function newDrawing(
  panelId: string,
  result: DrawingResult,
  more: Pick<NewDrawing, 'at' | 'source' | 'sourceName' | 'allowance' | 'rules'>,
): NewDrawing {
  const { cartoon, findings, repairs, toleranceMm, cuts, cuttability } = result;
  return {
    ...more,
    id: randomUUID(),
    panelId,
    reading: { cartoon, findings, repairs, toleranceMm },
    study: { cuts, cuttability },
    sketch: sketchOf(cartoon),
  };
}

/** What the log keeps of a drawing: the pieces that are new or not what they were, in whole mm². */
function drawnFacts(
  result: DrawingResult,
): Pick<AcceptDrawing, 'freeId' | 'jointCount' | 'widthMm' | 'heightMm' | 'pieceCount' | 'pieces'> {
  const { cartoon, cuts, cuttability, changes, carry } = result;
  const { minX, minY, maxX, maxY } = cartoon.box;
  return {
    freeId: cartoon.freeId,
    jointCount: cartoon.joints.length,
    widthMm: maxX - minX,
    heightMm: maxY - minY,
    pieceCount: cartoon.pieces.length,
    pieces: cartoon.pieces.flatMap(({ id, number, label }, i) => {
      const change = changes.pieces[i];
      const cut = cuts[i];
      if (!change || !cut || (change.was === number && !change.changed)) return [];
      return [
        {
          id,
          number,
          label,
          areaMm2: Math.max(1, Math.round(cut.areaMm2)),
          perimeterMm: tenth(cut.perimeterMm),
          widthMm: tenth(cut.widthMm),
          heightMm: tenth(cut.heightMm),
          difficulty: cuttability[i]?.difficulty ?? 1,
          isNew: carry.pieces[i]?.from === null,
          changed: change.changed,
          grew: change.grew,
        },
      ];
    }),
  };
}

const tenth = (mm: number): number => Math.round(mm * 10) / 10;
