import type { StockItem, StockMove } from './types.ts';

/**
 * What must hold of the ledger: every balance follows from the one before it, none is negative, the last one
 * is what the item says it has, and what went to offcuts came out of sheets to the square millimetre.
 * @param moves oldest first
 * @returns sentences naming what does not hold; empty when all is well
 */
export function checkLedger(stock: Iterable<StockItem>, moves: Iterable<StockMove>): string[] {
  const wrong: string[] = [];
  const balance = new Map<string, number>();
  for (const move of moves) {
    const now = (balance.get(move.stockId) ?? 0) + move.deltaMm2;
    if (!Number.isInteger(move.deltaMm2)) wrong.push(`entry ${move.id} is no whole number of mm²`);
    if (now !== move.balanceMm2)
      wrong.push(`entry ${move.id}: ${move.stockId} should stand at ${now} mm², it says ${move.balanceMm2}`);
    if (now < 0) wrong.push(`entry ${move.id}: ${move.stockId} is below nothing`);
    balance.set(move.stockId, now);
  }
  const seen = new Set<string>();
  for (const item of stock) {
    seen.add(item.id);
    const entered = balance.get(item.id) ?? 0;
    if (entered !== item.areaMm2) wrong.push(`${item.id} holds ${item.areaMm2} mm², its entries add up to ${entered}`);
    if (item.gone !== null && item.areaMm2 !== 0)
      wrong.push(`${item.id} is ${item.gone} but still holds ${item.areaMm2} mm²`);
  }
  for (const [id, left] of balance)
    if (!seen.has(id) && left !== 0) wrong.push(`${id} is not on the rack, yet ${left} mm² are entered for it`);
  return wrong;
}

/** Sums of a ledger by kind: received = in pieces + waste + still on the rack. */
export function ledgerTotals(moves: Iterable<StockMove>): Record<StockMove['kind'], number> {
  const totals: Record<StockMove['kind'], number> = { received: 0, pieces: 0, offcut: 0, waste: 0, 'put back': 0 };
  for (const move of moves) totals[move.kind] += move.deltaMm2;
  return totals;
}
