import { BEGINS } from '../routes/route.ts';
import type { Draft } from '../studio.ts';
import type { PieceRow } from '../tables.ts';

/** Of a sheet of which nothing but its measures is known. */
export const UNSHAPED = { outline: null, flaws: [], breaks: null } as const;
/** Of a part that was measured, not laid out. */
export const NO_SHAPE = { ...UNSHAPED, pieces: [] } as const;

/**
 * Takes pieces off the sheets they are laid out on; a sheet on which nothing is left has no layout any more. Pieces that
 * are cut keep the place that they were cut from.
 */
export function lift(draft: Draft, ids: Iterable<string>): void {
  const sheets = new Set<string>();
  for (const id of ids) {
    const { spot } = draft.get('pieces', id) ?? {};
    if (!spot) continue;
    sheets.add(spot.stockId);
    draft.patch('pieces', id, { spot: null });
  }
  for (const stockId of sheets) {
    const item = draft.get('stock', stockId);
    if (item && item.breaks !== null && laidOn(draft, stockId).length === 0)
      draft.patch('stock', stockId, { breaks: null });
  }
}

/** Pieces that are laid out on a sheet and not cut yet. */
export const laidOn = (state: Pick<Draft, 'ask'>, stockId: string): PieceRow[] => [...state.ask('laidOn', stockId)];

/** Takes off a sheet all that is laid out on it. */
export function liftFrom(draft: Draft, stockId: string): void {
  lift(
    draft,
    laidOn(draft, stockId).map((p) => p.id),
  );
}

/** Pieces lie on a part that has a label of its own now. */
export function moveSpots(draft: Draft, ids: readonly string[], stockId: string): void {
  for (const id of ids) {
    const { spot } = draft.get('pieces', id) ?? {};
    if (spot) draft.patch('pieces', id, { spot: { ...spot, stockId } });
  }
}

/** Whether a piece lies on a sheet of which it is known how it comes apart. */
export const isLaidToCut = (state: Pick<Draft, 'get'>, { spot, stage }: Pick<PieceRow, 'spot' | 'stage'>): boolean =>
  stage === BEGINS && spot !== null && (state.get('stock', spot.stockId)?.breaks ?? null) !== null;

/** The sheets that pieces are laid out on, each broken as it is laid out. */
export function sourcesAsLaid(pieces: readonly Pick<PieceRow, 'number' | 'spot'>[]) {
  const numbers = new Map<string, number[]>();
  for (const { number, spot } of pieces)
    if (spot) numbers.set(spot.stockId, [...(numbers.get(spot.stockId) ?? []), number]);
  return [...numbers].map(([stockId, list]) => ({ stockId, numbers: list, left: { kind: 'laid' as const } }));
}
