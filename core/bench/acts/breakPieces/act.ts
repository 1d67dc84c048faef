import type { Left } from '../../../stock/index.ts';
import { nth, priceOfArea, showMinutes, showNumbers } from '../../../units/index.ts';
import { refuse, type Act, type Circumstance } from '../../act.ts';
import type { Refusal } from '../../refusals.ts';
import { reasonWords, type BreakReason } from '../../reasons.ts';
import {
  backStep,
  BEGINS,
  hasBack,
  onceFrontIsCut,
  stageIndex,
  TAKES_GLASS,
  wayOf,
  type Route,
} from '../../routes/route.ts';
import type { StepCode } from '../../routes/definition.ts';
import { backGlassOf, glassAreaOf, type PieceRow, type PieceRowId, type Reader } from '../../tables.ts';
import { backId, glassBehind, ownGlass, lift } from '../laid.ts';
import {
  backsCalled,
  called,
  frontsCalled,
  pickPieces,
  pieceNumbered,
  piecesCalled,
  type AskedPieces,
} from '../picked.ts';
import { applyTaking, SECOND, cutToOtherOutline, NEW_GLASS, takeFrom, type Taking } from '../taking.ts';
import { takingFromV1, takingFromV3, type TakingV1, type TakingV3 } from '../takingUpcast.ts';

export interface BreakPieces extends AskedPieces {
  readonly reason: BreakReason;
  /** Minutes the break cost: for one already cut again, the time of the new cut. Shared evenly. */
  readonly minutes: number;
  /** When the pieces were cut again at once: from what. */
  readonly recut: { readonly stockId: string; readonly left: Left } | null;
  /** From what they broke while they were being cut, when they are still to be cut. */
  readonly lostFrom?: { readonly stockId: string; readonly left: Left } | undefined;
  /** Of pieces of two glasses, which broke; both where it is left out. */
  readonly only?: GlassOfTwo | undefined;
}

/** Of two glasses that lie on each other: 12a and 12b. */
export const GLASSES_OF_TWO = ['front', 'back'] as const;
export type GlassOfTwo = (typeof GLASSES_OF_TWO)[number];

/** What one piece's break cost, as it was worked out when it happened. */
export interface PieceBroke {
  readonly id: PieceRowId;
  readonly number: number;
  readonly stage: StepCode;
  readonly recuts: number;
  readonly glassId: string | null;
  readonly glassMm2: number;
  readonly glassCents: number;
  readonly minutes: number;
  readonly labourCents: number;
  /** The glass behind it is gone too, or alone. */
  readonly backLost?: true;
  /** Where one of its two glasses is whole: the step that it goes back to. */
  readonly to?: StepCode;
}

export interface PiecesBroke {
  readonly panelId: string;
  readonly reason: BreakReason;
  readonly minutes: number;
  readonly broke: readonly PieceBroke[];
  readonly recut: Taking | null;
  /** What left the rack for nothing, where it was not cut again from the same sheet at once. */
  readonly lost: Taking | null;
  /** Those that broke while they were being cut: they were not in hand. */
  readonly uncut: readonly number[];
  /** Those whose glass was cut to another outline: it is gone now. */
  readonly anew: readonly PieceRowId[];
  /** Of pieces of two glasses, which broke, where it was one. */
  readonly only?: GlassOfTwo;
}

/**
 * A piece breaks, or has to be made anew, at any stage and as often as it happens. It goes back to "to cut"
 * with its number, or to "cut" when it was cut again at once; the glass lost and the time are charged. What breaks leaves
 * the rack once, and what is cut again once more: glass in hand has left it before, else it has to be said from where.
 */
export const breakPieces: Act<BreakPieces, PiecesBroke> = {
  version: 4,
  formerly: [],
  undoIn: 'panel',
  reads: {
    pieces: ['number', 'drawn', 'stage', 'broken', 'glassId', 'backGlassId', 'backFrom', 'areaMm2'],
    stock: ['glassId', 'gone', 'breaks'],
  },
  decide: (state, ask, now) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const { pieces, route } = picked;
    const { only } = ask;
    if (only === 'back') return backsBroke(state, ask, pieces, route, now);
    const single = only ? pieces.filter((p) => !hasBack(route, p)).map((p) => p.number) : [];
    if (single.length > 0) return refuse('one-glass', { numbers: single });
    // A piece that was never scored cannot break; one that breaks while it is cut takes its glass with it.
    const uncut = pieces.filter((p) => p.stage === BEGINS);
    const numbers = uncut.map((p) => p.number);
    const bare = uncut.filter((p) => p.glassId === null);
    if (bare.length > 0) return refuse('no-glass', { numbers: bare.map((p) => p.number) });
    if (uncut.length > 0 && !ask.recut && !ask.lostFrom) {
      const waiting = uncut.filter((p) => p.broken !== null);
      return waiting.length === uncut.length
        ? refuse('nothing-to-do', { numbers, name: 'broken' })
        : refuse('from-what', { numbers });
    }
    const { panelId, reason, minutes } = ask;
    const broke = costsOf(state, pieces, minutes, now, (p) => (isBackLost(p, only) ? 'both' : 'front'));
    const labels = new Set<string>();
    const isSame = ask.lostFrom === undefined || ask.lostFrom.stockId === ask.recut?.stockId;
    const lost =
      uncut.length > 0 && ask.lostFrom && !isSame
        ? takeFrom(state, [], ask.lostFrom, labels, uncut.map(ownGlass))
        : null;
    if (lost && 'refusal' in lost) return lost;
    const recut =
      ask.recut && takeFrom(state, pieces.map(ownGlass), ask.recut, labels, lost ? [] : uncut.map(ownGlass));
    if (recut && 'refusal' in recut) return recut;
    const anew = cutToOtherOutline(pieces);
    const again = broke.map((one, i): PieceBroke => {
      const to = recut && !one.backLost ? onceFrontIsCut(route, nth(pieces, i)) : null;
      return to === null ? one : { ...one, to };
    });
    return {
      fact: { panelId, reason, minutes, broke: again, recut, lost, uncut: numbers, anew, ...(only ? { only } : {}) },
    };
  },
  apply: (draft, { panelId, reason, broke, recut, lost, uncut, anew, only }, now) => {
    for (const id of anew) draft.patch('pieces', id, NEW_GLASS);
    const note = uncut.length > 0 ? `broke: ${showNumbers(uncut)}` : '';
    for (const { id, recuts, backLost, to, ...facts } of broke) {
      draft.put('mishaps', {
        ...facts,
        id: `${now.seq}.${id}`,
        panelId,
        pieceId: id,
        at: now.at,
        reason,
        recutFrom: recut?.stockId ?? null,
      });
      if (only === 'back') {
        draft.patch('pieces', id, { stage: to ?? facts.stage, recuts, backFrom: recut?.stockId ?? null });
        continue;
      }
      draft.patch('pieces', id, {
        stage: recut ? (to ?? TAKES_GLASS) : BEGINS,
        broken: recut ? null : reason,
        recuts,
        from: recut?.stockId ?? null,
        ...(backLost ? { backFrom: null } : {}),
      });
    }
    if (lost) applyTaking(draft, panelId, lost, now, { waste: note });
    if (recut)
      applyTaking(draft, panelId, recut, now, {
        waste: lost ? '' : note,
        ...(only === 'back' ? { pieces: SECOND } : {}),
      });
    // What broke lies nowhere any more, but where it was cut again as laid out.
    if (recut?.asLaid === true) return;
    lift(
      draft,
      broke.flatMap(({ id, backLost }) => [...(only === 'back' ? [] : [id]), ...(backLost ? [backId(id)] : [])]),
    );
  },
  panelOf: (fact) => fact.panelId,
  told: ({ broke, reason, recut, lost, minutes, only }) =>
    `${glassesCalled(
      broke.map((b) => b.number),
      only,
    )} broke: ${reasonWords(reason)}${lost ? ` out of ${lost.stockId}` : ''}${recut ? `; cut again from ${recut.stockId}` : ''}${minutes ? `, ${showMinutes(minutes)}` : ''}`,
  effect: ({ numbers, reason, recut, only }) =>
    `${only ? glassesCalled(numbers, only) : piecesCalled(numbers)} broke: ${reasonWords(reason)} · ${recut ? `cut again from ${recut.stockId}` : 'to be cut again'}`,
  upcasts: {
    1: (old: PiecesBrokeV1, context): PiecesBrokeV2 => {
      const { panelId, numbers, reason, minutes } = old;
      const pieces = numbers.flatMap((n) => pieceNumbered(context.state, panelId, n) ?? []);
      const recut = old.recut && takingFromV1(old.recut, panelId, context);
      const broke = costsOf(context.state, pieces, minutes, context.now, () => 'front');
      return { panelId, reason, minutes, broke, recut };
    },
    2: (old: PiecesBrokeV2): PiecesBrokeV3 => ({ ...old, lost: null, uncut: [], anew: [] }),
    3: (old: PiecesBrokeV3): PiecesBroke => ({
      ...old,
      recut: old.recut && takingFromV3(old.recut),
      lost: old.lost && takingFromV3(old.lost),
    }),
  },
};

interface PiecesBrokeV3 extends Omit<PiecesBroke, 'recut' | 'lost'> {
  readonly recut: TakingV3 | null;
  readonly lost: TakingV3 | null;
}

type PiecesBrokeV2 = Omit<PiecesBrokeV3, 'lost' | 'uncut' | 'anew'>;

interface PiecesBrokeV1 extends AskedPieces {
  readonly reason: BreakReason;
  readonly minutes: number;
  readonly recut: TakingV1 | null;
}

/** Glass that is in hand beside the front breaks with it, but where the front was still to be cut. */
const isBackLost = ({ backFrom, stage }: PieceRow, only: GlassOfTwo | undefined): boolean =>
  only === undefined && backFrom !== null && stage !== BEGINS;

const glassesCalled = (numbers: readonly number[], only: GlassOfTwo | undefined): string =>
  only === 'back' ? backsCalled(numbers) : only === 'front' ? frontsCalled(numbers) : called(numbers);

/** The glass behind breaks, the front is whole: the piece goes back to where its second glass is cut, or was cut just now. */
function backsBroke(
  state: Reader,
  { panelId, reason, minutes, recut: from, lostFrom }: BreakPieces,
  pieces: readonly PieceRow[],
  route: Route,
  now: Circumstance,
): { fact: PiecesBroke } | { refusal: Refusal } {
  const step = backStep(route);
  const single = pieces.filter((p) => p.backFrom === null || !hasBack(route, p)).map((p) => p.number);
  if (!step || lostFrom || single.length > 0) return refuse('one-glass', { numbers: single });
  const recut = from && takeFrom(state, pieces.map(glassBehind), from, new Set());
  if (recut && 'refusal' in recut) return recut;
  const broke = costsOf(state, pieces, minutes, now, () => 'back').map((one, i): PieceBroke => {
    const piece = nth(pieces, i);
    const way = wayOf(route, piece);
    const at = recut ? step.code : nth(way, way.indexOf(step) - 1).code;
    return stageIndex(route, piece.stage) <= stageIndex(route, at) ? one : { ...one, to: at };
  });
  return { fact: { panelId, reason, minutes, broke, recut, lost: null, uncut: [], anew: [], only: 'back' } };
}

/** The glass of each piece at its price by area, and an even share of the minutes at the rate of whoever enters it. */
function costsOf(
  state: Reader,
  pieces: readonly PieceRow[],
  minutes: number,
  now: Circumstance,
  lost: (piece: PieceRow) => GlassOfTwo | 'both',
): PieceBroke[] {
  const rate = now.personId === null ? 0 : (state.get('people', now.personId)?.rateCentsPerHour ?? 0);
  const each = minutes / pieces.length;
  return pieces.map((piece) => {
    const which = lost(piece);
    const glassIds = [...(which === 'back' ? [] : [piece.glassId]), ...(which === 'front' ? [] : [backGlassOf(piece)])];
    const centsOf = (glassId: string | null): number => {
      const glass = glassId === null ? undefined : state.get('glasses', glassId);
      return glass ? priceOfArea(glassAreaOf(piece), glass.priceCentsPerM2) : 0;
    };
    return {
      id: piece.id,
      number: piece.number,
      stage: piece.stage,
      recuts: piece.recuts + 1,
      glassId: glassIds[0] ?? null,
      glassMm2: glassIds.length * glassAreaOf(piece),
      glassCents: glassIds.reduce((sum, id) => sum + centsOf(id), 0),
      minutes: each,
      labourCents: Math.round((each * rate) / 60),
      ...(which === 'front' ? {} : { backLost: true as const }),
    };
  });
}
