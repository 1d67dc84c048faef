import type { StockMove } from '../../stock/index.ts';
import { count } from '../../units/index.ts';
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

/** Several of them, each once, or why not. */
export function allOnRack(
  state: Reader,
  stockIds: readonly string[],
): { readonly items: readonly StockRow[] } | { readonly refusal: Refusal } {
  const items = new Map<string, StockRow>();
  for (const id of stockIds) {
    const found = onRack(state, id);
    if ('refusal' in found) return found;
    items.set(found.item.id, found.item);
  }
  return { items: [...items.values()] };
}

/** `B7, B8 and B9`, or how many beside the first. */
export const namedShort = (labels: readonly string[]): string =>
  labels.length <= 3 ? labels.join(', ') : `${labels[0]} and ${count(labels.length - 1, 'other')}`;

/** A sheet that is kept for a job serves no panel of another. */
export function keptForOthers(
  state: Reader,
  item: StockRow,
  panelId: string | null,
): { readonly refusal: Refusal } | null {
  if (item.keptFor === null) return null;
  const job = panelId === null ? null : (state.get('panels', panelId)?.commissionId ?? null);
  if (job === item.keptFor) return null;
  return refuse('kept-for-other', { name: item.id, more: item.keptFor });
}

/** An entry of the ledger for something that happens at the rack, to no panel. */
export const rackMove = (
  { seq, at }: Pick<Circumstance, 'seq' | 'at'>,
  move: Pick<StockMove, 'stockId' | 'kind' | 'deltaMm2' | 'balanceMm2' | 'note'>,
): StockMove => ({ id: `${seq}.${move.stockId}`, seq, at, panelId: null, numbers: [], ...move });
