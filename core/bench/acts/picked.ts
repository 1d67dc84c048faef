import { count, showNumbers } from '../../units/index.ts';
import { refuse } from '../act.ts';
import type { Refusal } from '../refusals.ts';
import { BEGINS, hasBack, isBuiltIn, lastStageOf, routeOf, wantsBack, type Route } from '../routes/route.ts';
import { numberedKey, type PanelRow, type PieceRow, type PieceRowId, type Reader } from '../tables.ts';

/** Pieces as a fact names them: by their lasting ids, and by the numbers they were called. */
export interface NamedPieces {
  readonly panelId: string;
  readonly pieces: readonly PieceRowId[];
  readonly numbers: readonly number[];
}

/** Pieces as a command names them. */
export interface AskedPieces {
  readonly panelId: string;
  readonly numbers: readonly number[];
}

export const named = (panelId: string, rows: readonly PieceRow[]): NamedPieces => ({
  panelId,
  pieces: rows.map((p) => p.id),
  numbers: rows.map((p) => p.number),
});

/** The piece that bears a number on the drawing in force. */
export const pieceNumbered = (state: Reader, panelId: string, number: number): PieceRow | undefined =>
  [...state.ask('pieceNumbered', numberedKey(panelId, number))][0];

/** The named pieces of a panel, or the refusal that names what is not there. A number said twice is a slip. */
export function pickPieces(
  state: Reader,
  { panelId, numbers }: AskedPieces,
): { panel: PanelRow; route: Route; pieces: PieceRow[] } | { refusal: Refusal } {
  const panel = state.get('panels', panelId);
  if (!panel) return refuse('unknown-panel');
  if (numbers.length === 0) return refuse('no-pieces');
  const twice = numbers.filter((n, i) => numbers.indexOf(n) !== i);
  if (twice.length > 0) return refuse('named-twice', { numbers: [...new Set(twice)] });
  const pieces: PieceRow[] = [];
  const missing: number[] = [];
  for (const n of numbers) {
    const piece = pieceNumbered(state, panelId, n);
    if (piece) pieces.push(piece);
    else missing.push(n);
  }
  if (missing.length > 0) return refuse('unknown-pieces', { numbers: missing });
  return { panel, route: routeOf(state, panel), pieces };
}

/** Pieces whose second glass is still to be cut, or the refusal that names those that have none, or have it in hand. */
export function pickBacks(state: Reader, ask: AskedPieces): ReturnType<typeof pickPieces> {
  const picked = pickPieces(state, ask);
  if ('refusal' in picked) return picked;
  const { route, pieces } = picked;
  const single = pieces.filter((p) => !hasBack(route, p)).map((p) => p.number);
  if (single.length > 0) return refuse('one-glass', { numbers: single });
  const begun = pieces.filter((p) => !wantsBack(route, p)).map((p) => p.number);
  return begun.length > 0 ? refuse('already-in-hand', { numbers: begun }) : picked;
}

/** Numbers of the pieces whose glass is in hand. */
export const inHand = (pieces: Iterable<PieceRow>): number[] =>
  [...pieces].filter((p) => p.stage !== BEGINS).map((p) => p.number);

/** Refuses what needs every piece in its place, and names those that are not. */
export function refuseUnbuilt(state: Reader, panel: PanelRow, route: Route): { refusal: Refusal } | null {
  const last = lastStageOf(route, { asks: [] });
  // The counts tell it without a look at the pieces, as they nearly always do.
  if (panel.pieceCount > 0 && panel.counts.stages[last] === panel.pieceCount) return null;
  const waiting = [...state.ask('piecesOfPanel', panel.id)].filter((p) => !isBuiltIn(route, p)).map((p) => p.number);
  if (waiting.length === 0) return null;
  waiting.sort((a, b) => a - b);
  return refuse('not-in-place', { numbers: waiting, name: count(waiting.length, 'piece') });
}

/** `12–18, 31`. */
export const called = (numbers: readonly number[]): string => showNumbers(numbers, 10);
export const piecesCalled = (numbers: readonly number[]): string =>
  `${numbers.length === 1 ? 'piece' : 'pieces'} ${called(numbers)}`;

/** The second glass of a piece, and of several: `12b`, `12b–18b, 31b`. */
export const backsCalled = (numbers: readonly number[]): string => called(numbers).replace(/\d+/g, '$&b');

export const frontsCalled = (numbers: readonly number[]): string => called(numbers).replace(/\d+/g, '$&a');

/** The ids of pieces that an old event names by their numbers at the time. */
export function idsThen(state: Reader, panelId: string, numbers: readonly number[]): PieceRowId[] {
  return numbers.flatMap((n) => pieceNumbered(state, panelId, n)?.id ?? []);
}
