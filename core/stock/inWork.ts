import { fitFor, supplyNeeds, tidyAmount, type Supply, type SupplyKind, type SupplyWork } from './supply.ts';

/** What went into the work on a panel and is not booked yet, by what it was taken from. */
export interface InWork {
  readonly supplyId: string;
  readonly panelId: string;
  /** In the measure of the supply. */
  readonly amount: number;
}

type Known = Supply & { readonly id: string };

/**
 * What went off the shelf with the work done so far, less what was booked for it. A roll that does not reach is followed
 * by the next of its sort; nothing goes that is not there.
 * @param wanted by the whole work, by the usual figures
 * @param shareOf how much of the work is done that uses a kind, from 0 to 1
 * @param booked by supply, for this work
 */
export function notBooked(
  wanted: readonly { readonly kind: SupplyKind; readonly sort: string; readonly amount: number }[],
  supplies: readonly Known[],
  work: SupplyWork,
  shareOf: (kind: SupplyKind) => number,
  booked: ReadonlyMap<string, number>,
): Omit<InWork, 'panelId'>[] {
  const left = new Map(booked);
  const taken = new Map<string, number>();
  for (const { kind, sort, needed } of supplyNeeds(wanted, supplies, work)) {
    let open = needed * shareOf(kind);
    const fit = fitFor(supplies, kind, sort);
    // What was booked of any roll of the sort counts before more is taken of one.
    for (const { id } of fit) {
      const known = Math.min(open, left.get(id) ?? 0);
      left.set(id, (left.get(id) ?? 0) - known);
      open -= known;
    }
    for (const { id, amount } of fit) {
      const some = Math.min(open, Math.max(0, amount - (taken.get(id) ?? 0)));
      taken.set(id, (taken.get(id) ?? 0) + some);
      open -= some;
    }
  }
  return [...taken].flatMap(([supplyId, some]) => {
    const amount = tidyAmount(some);
    return amount > 0 ? [{ supplyId, amount }] : [];
  });
}

/** Amounts by supply, added up. */
export function bySupply(
  entries: Iterable<{ readonly supplyId: string; readonly amount: number }>,
): Map<string, number> {
  const sums = new Map<string, number>();
  for (const { supplyId, amount } of entries) sums.set(supplyId, tidyAmount((sums.get(supplyId) ?? 0) + amount));
  return sums;
}

/** Supplies as they stand on the shelf: what the book says, less what went into work since. */
export function lessInWork<S extends Known>(supplies: readonly S[], inWork: readonly InWork[]): S[] {
  const gone = bySupply(inWork);
  return supplies.map((one) => ({ ...one, amount: tidyAmount(Math.max(0, one.amount - (gone.get(one.id) ?? 0))) }));
}
