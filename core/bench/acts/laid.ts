import type { Spot } from '../../stock/index.ts';
import type { Branded } from '../../units/index.ts';
import { BEGINS, hasBack, wantsBack, type Route } from '../routes/route.ts';
import type { Draft } from '../studio.ts';
import { backGlassOf, type PieceRow, type PieceRowId, type Reader } from '../tables.ts';

/** Of a sheet of which nothing but its measures is known. */
export const UNSHAPED = { outline: null, flaws: [], breaks: null } as const;
/** Of a part that was measured, not laid out. */
export const NO_SHAPE = { ...UNSHAPED, pieces: [] } as const;

/** What the glass behind a piece is called by, after the id of the piece. */
const BEHIND = ' b';

/** The id of the glass that lies behind a piece, `p/12 b`; its own glass goes by the id of the piece. */
export type BackId = Branded<string, 'back-of-piece'>;
export type LaidId = PieceRowId | BackId;
export const backId = (id: PieceRowId): BackId => `${id}${BEHIND}` as BackId;

/** Which of two glasses, where it is not a piece's own: it lies behind. */
export type Behind = 'back';

/** One glass of a piece: its own, or the one behind it. */
export interface OneGlass {
  readonly id: LaidId;
  readonly piece: PieceRow;
  readonly of?: Behind;
  readonly glassId: string | null;
  /** Where it waits to be cut; null where it lies nowhere, and where it is cut already. */
  readonly spot: Spot | null;
}

export const ownGlass = (piece: PieceRow): OneGlass => ({
  id: piece.id,
  piece,
  glassId: piece.glassId,
  spot: piece.stage === BEGINS ? piece.spot : null,
});

export const glassBehind = (piece: PieceRow): OneGlass => ({
  id: backId(piece.id),
  piece,
  of: 'back',
  glassId: backGlassOf(piece),
  spot: piece.backFrom === null ? piece.backSpot : null,
});

/** What of a piece is still to be cut. */
export const stillToCut = (route: Route, piece: PieceRow): OneGlass[] => [
  ...(piece.stage === BEGINS ? [ownGlass(piece)] : []),
  ...(wantsBack(route, piece) ? [glassBehind(piece)] : []),
];

/** As it is labelled: `12`, or of two `12a` in front and `12b` behind it. */
export const glassLabel = (
  route: Route,
  { piece, of }: { readonly piece: Pick<PieceRow, 'number' | 'asks'>; readonly of?: Behind },
): string => `${piece.number}${of === 'back' ? 'b' : hasBack(route, piece) ? 'a' : ''}`;

/** What of a piece is laid out and waits to be cut. */
export const lyingOf = (piece: PieceRow): LaidId[] =>
  [ownGlass(piece), glassBehind(piece)].flatMap(({ id, spot }) => (spot === null ? [] : [id]));

/** Where the spot of what is called so is kept. */
const placeOf = (id: string) =>
  id.endsWith(BEHIND)
    ? ({ pieceId: id.slice(0, -BEHIND.length), field: 'backSpot' } as const)
    : ({ pieceId: id, field: 'spot' } as const);

const spotOf = (draft: Draft, id: string): Spot | null => {
  const { pieceId, field } = placeOf(id);
  return draft.get('pieces', pieceId)?.[field] ?? null;
};

/** Glass lies there, or nowhere any more. */
export function layAt(draft: Draft, id: string, spot: Spot | null): void {
  const { pieceId, field } = placeOf(id);
  draft.patch('pieces', pieceId, { [field]: spot });
}

/**
 * Takes glass off the sheets it is laid out on; a sheet on which nothing is left has no layout any more. Pieces that
 * are cut keep the place that they were cut from.
 */
export function lift(draft: Draft, ids: Iterable<string>): void {
  const sheets = new Set<string>();
  for (const id of ids) {
    const spot = spotOf(draft, id);
    if (!spot) continue;
    sheets.add(spot.stockId);
    layAt(draft, id, null);
  }
  for (const stockId of sheets) {
    const item = draft.get('stock', stockId);
    if (item && item.breaks !== null && laidOn(draft, stockId).length === 0)
      draft.patch('stock', stockId, { breaks: null });
  }
}

/** Pieces are of another glass now: what of them was still to be cut lies nowhere, and what is like it behind them. */
export function liftOther(draft: Draft, ids: Iterable<PieceRowId>): void {
  for (const id of ids) {
    const piece = draft.get('pieces', id);
    if (piece) lift(draft, piece.backGlassId === null ? lyingOf(piece) : [id]);
  }
}

/** Pieces go another way: where no second glass waits to be cut for them any more, it lies nowhere. */
export function liftUnasked(draft: Draft, pieces: Iterable<PieceRow>, route: Route): void {
  for (const piece of pieces)
    if (glassBehind(piece).spot !== null && !wantsBack(route, piece)) lift(draft, [backId(piece.id)]);
}

/** Glass that is laid out on a sheet and not cut yet. */
export const laidOn = (state: Pick<Draft, 'ask'>, stockId: string): (OneGlass & { readonly spot: Spot })[] =>
  [
    ...[...state.ask('laidOn', stockId)].map(ownGlass),
    ...[...state.ask('backsLaidOn', stockId)].map(glassBehind),
  ].flatMap(({ spot, ...one }) => (spot === null ? [] : [{ ...one, spot }]));

/** Takes off a sheet all that is laid out on it. */
export function liftFrom(draft: Draft, stockId: string): void {
  lift(
    draft,
    laidOn(draft, stockId).map(({ id }) => id),
  );
}

/** Glass lies on a part that has a label of its own now. */
export function moveSpots(draft: Draft, ids: readonly string[], stockId: string): void {
  for (const id of ids) {
    const spot = spotOf(draft, id);
    if (spot) layAt(draft, id, { ...spot, stockId });
  }
}

/** Whether glass lies on a sheet of which it is known how it comes apart. */
export const isLaidToCut = (state: Pick<Reader, 'get'>, { spot }: OneGlass): boolean =>
  spot !== null && (state.get('stock', spot.stockId)?.breaks ?? null) !== null;

/** From what all of it is cut as it is laid out; null where some of it is not, or nothing is asked for. */
export const sourcesIfLaid = (state: Pick<Reader, 'get'>, glasses: readonly OneGlass[]) =>
  glasses.length > 0 && glasses.every((one) => isLaidToCut(state, one)) ? sourcesAsLaid(glasses) : null;

/** The sheets that glass is laid out on, each broken as it is laid out. */
export function sourcesAsLaid(glasses: readonly OneGlass[]) {
  const numbers = new Map<string, number[]>();
  for (const { piece, spot } of glasses)
    if (spot) numbers.set(spot.stockId, [...(numbers.get(spot.stockId) ?? []), piece.number]);
  return [...numbers].map(([stockId, list]) => ({ stockId, numbers: list, left: { kind: 'laid' as const } }));
}
