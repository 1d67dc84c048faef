import { randomUUID } from 'node:crypto';
import type { Accepted, CartoonAnswer, CartoonRequest, EditRequest } from '#contract';
import { begunPieces, type AcceptCartoon, type DrawingOrigin, type Refusal, type Tables } from '#core/bench';
import type { DrawingRefusal, EditRefusal, Joint } from '#core/cartoon';
import type { LineAllowance } from '#core/sizing';
import type { Desk } from './desk.ts';
import type { DrawingResult, Previous } from '#core/cutting';
import { runDrawing } from './jobs/runDrawing.ts';

type Panel = Tables['panels'];
type Outcome =
  | Accepted
  | { readonly refusal: Refusal }
  | { readonly drawing: DrawingRefusal['refusal'] }
  | { readonly edit: EditRefusal };

/** A joint of the new drawing this near to a soldered one is that joint, mm. */
const SAME_JOINT_MM = 1;

/** Brings drawings in and changes them: the heavy part in a worker, then one command to the desk. */
export class Drawings {
  readonly #desk: Desk;
  readonly #worker: URL | null;
  readonly #clock: () => number;

  constructor(desk: Desk, worker: URL | null, clock: () => number) {
    this.#desk = desk;
    this.#worker = worker;
    this.#clock = clock;
  }

  async takeIn(panel: Panel, request: CartoonRequest): Promise<Outcome> {
    const { source, sourceName, outline, letGo = [], commandId, personId, bench, basis, ...options } = request;
    const allowance = outline ? { ...panel.allowance, outline } : panel.allowance;
    const old = this.#reading(panel);
    const job = { kind: 'read' as const, source, options, allowance, ...(old ? { previous: old } : {}) };
    const result = await runDrawing(job, this.#worker);
    if ('refusal' in result) return { drawing: result.refusal };
    const facts = { commandId, personId, bench, basis };
    return this.#accept(panel, result, { origin: 'import', allowance, sourceName, source, letGo, old }, facts);
  }

  async change(panel: Panel, request: EditRequest): Promise<Outcome> {
    const { edit, ...facts } = request;
    const from = edit.kind === 'fit' && edit.from !== undefined ? this.#desk.studio.get('panels', edit.from) : panel;
    const previous = from && this.#reading(from);
    if (!from || !previous || from.cartoonId === null) return { edit: 'no-such-piece' };
    const allowance = edit.kind === 'allowance' ? edit.allowance : panel.allowance;
    const rows = [...this.#desk.studio.piecesOf(panel.id)];
    const locked = rows.filter((p) => p.locked === true).map((p) => p.number);
    const result = await runDrawing(
      {
        kind: 'edit',
        edit: edit.kind === 'allowance' ? null : edit,
        kept: [...begunPieces(this.#desk.studio, panel.id), ...locked],
        sections: rows.flatMap((p) => (p.section ? [[p.number, p.section] as const] : [])),
        allowance,
        previous,
        reading: previous,
      },
      this.#worker,
    );
    if ('refusal' in result) return { edit: result.refusal };
    const kept = this.#desk.store.cartoonSource(from.cartoonId);
    const isOwn = from.id === panel.id;
    // A drawing fitted from another panel is new to this one.
    const changes = isOwn
      ? result.changes
      : { pieces: result.changes.pieces.map((p) => ({ ...p, was: null, changed: true })), gone: [] };
    return this.#accept(
      panel,
      { ...result, changes },
      {
        origin: edit.kind,
        allowance,
        sourceName: kept?.sourceName ?? 'drawing.svg',
        source: kept?.source ?? '',
        letGo: [],
        old: isOwn ? previous : null,
      },
      facts,
    );
  }

  #reading(panel: Panel): (Previous & CartoonAnswer) | null {
    const text = panel.cartoonId === null ? null : this.#desk.store.cartoonReading(panel.cartoonId);
    return text === null ? null : (JSON.parse(text) as CartoonAnswer);
  }

  #accept(
    panel: Panel,
    result: DrawingResult,
    more: {
      origin: DrawingOrigin;
      allowance: LineAllowance;
      sourceName: string;
      source: string;
      letGo: readonly number[];
      old: CartoonAnswer | null;
    },
    facts: { commandId: string; personId: string | null; bench: string; basis: number },
  ): Outcome {
    const id = randomUUID();
    const { source, old, ...rest } = more;
    const reading = JSON.stringify(answerOf(id, result));
    const stored = { id, panelId: panel.id, at: this.#clock(), sourceName: more.sourceName, source, reading };
    const soldered = solderedAfter(panel, old?.cartoon.joints ?? [], result.cartoon.joints);
    const ask = { ...drawnFacts(result), ...rest, panelId: panel.id, cartoonId: id, soldered };
    return this.#desk.acceptCartoon(ask, stored, facts, this.#clock());
  }
}

/** A drawing as it is kept and sent. */
export function answerOf(id: string, result: DrawingResult): CartoonAnswer {
  const { cartoon, cuts, cuttability, findings, repairs, toleranceMm } = result;
  return { id, cartoon, cuts, cuttability, findings, repairs, toleranceMm };
}

/** What the log keeps of a drawing: the pieces that are new or not what they were, in whole mm². */
export function drawnFacts(
  result: DrawingResult,
): Pick<AcceptCartoon, 'joints' | 'widthMm' | 'heightMm' | 'pieceCount' | 'pieces' | 'gone'> {
  const { cartoon, cuts, cuttability, changes } = result;
  const { minX, minY, maxX, maxY } = cartoon.box;
  const tenth = (mm: number) => Math.round(mm * 10) / 10;
  return {
    joints: cartoon.joints.length,
    widthMm: maxX - minX,
    heightMm: maxY - minY,
    pieceCount: cartoon.pieces.length,
    gone: changes.gone,
    pieces: cartoon.pieces.flatMap((piece, i) => {
      const { was, changed } = changes.pieces[i] as (typeof changes.pieces)[number];
      if (was === piece.number && !changed) return [];
      const cut = cuts[i] as DrawingResult['cuts'][number];
      return [
        {
          number: piece.number,
          label: piece.label,
          areaMm2: Math.max(1, Math.round(cut.areaMm2)),
          perimeterMm: tenth(cut.perimeterMm),
          widthMm: tenth(cut.widthMm),
          heightMm: tenth(cut.heightMm),
          difficulty: cuttability[i]?.difficulty ?? 1,
          was,
          changed,
        },
      ];
    }),
  };
}

function solderedAfter(panel: Panel, old: readonly Joint[], next: readonly Joint[]): Panel['soldered'] {
  const moved = (ids: readonly number[]): number[] =>
    ids.flatMap((id) => {
      const at = old.find((j) => j.id === id)?.at;
      const now = at && next.find((j) => Math.hypot(j.at[0] - at[0], j.at[1] - at[1]) <= SAME_JOINT_MM);
      return now ? [now.id] : [];
    });
  return { front: moved(panel.soldered.front), back: moved(panel.soldered.back) };
}
