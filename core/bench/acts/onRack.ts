import type { StockMove } from '../../stock/index.ts';
import { refuse, type Circumstance } from '../act.ts';
import type { Refusal } from '../refusals.ts';
import type { Reader, StockRow } from '../tables.ts';

/** Only what still stands on the rack is moved or written off. */
export function onRack(state: Reader, stockId: string): { readonly item: StockRow } | { readonly refusal: Refusal } {
  const item = state.get('stock', stockId);
  if (!item) return refuse('unknown-stock', { name: stockId });
  if (item.gone !== null) return refuse('stock-gone', { name: item.id });
  return { item };
}

/** An entry of the ledger for something that happens at the rack, to no panel. */
export const rackMove = (
  { seq, at }: Pick<Circumstance, 'seq' | 'at'>,
  move: Pick<StockMove, 'stockId' | 'kind' | 'deltaMm2' | 'balanceMm2' | 'note'>,
): StockMove => ({ id: `${seq}.${move.stockId}`, seq, at, panelId: null, numbers: [], ...move });
