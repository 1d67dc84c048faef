import { refuse, NO_WORDS, type Act } from '../../act.ts';
import { liftFrom } from '../laid.ts';
import { onRack, rackMove } from '../onRack.ts';

export const COUNTED_BY = ['counted', 'weighed'] as const;
export type CountedBy = (typeof COUNTED_BY)[number];

export interface CountStock {
  readonly by: CountedBy;
  /** Where it was counted, in words. */
  readonly place: string;
  /** What was found of each, mm²; null where it is not there. */
  readonly found: readonly { readonly stockId: string; readonly areaMm2: number | null }[];
}

export interface StockCounted extends Pick<CountStock, 'by' | 'place'> {
  /** What the ledger said, and what is there. */
  readonly found: readonly {
    readonly stockId: string;
    readonly beforeMm2: number;
    readonly areaMm2: number;
    readonly costCents: number;
  }[];
  readonly missing: readonly { readonly stockId: string; readonly beforeMm2: number }[];
}

/** What is really there: differences to the ledger are booked, what is gone is written off. */
export const countStock: Act<CountStock, StockCounted> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['areaMm2', 'outline', 'gone'] },
  decide: (state, { by, place, found }) => {
    const counted: StockCounted['found'][number][] = [];
    const missing: StockCounted['missing'][number][] = [];
    const said = new Set<string>();
    for (const { stockId, areaMm2 } of found) {
      const known = onRack(state, stockId);
      if ('refusal' in known) return known;
      const { item } = known;
      if (said.has(item.id)) return refuse('counted-twice', { name: item.id });
      said.add(item.id);
      const beforeMm2 = item.areaMm2;
      if (areaMm2 === null) missing.push({ stockId: item.id, beforeMm2 });
      else if (areaMm2 > Math.ceil(item.widthMm * item.heightMm))
        return refuse('count-over', {
          name: item.id,
          haveMm2: Math.round(item.widthMm * item.heightMm),
          wantMm2: areaMm2,
        });
      else if (areaMm2 !== beforeMm2) {
        const share = beforeMm2 > 0 ? areaMm2 / beforeMm2 : 1;
        counted.push({ stockId: item.id, beforeMm2, areaMm2, costCents: Math.round(item.costCents * share) });
      }
    }
    if (counted.length + missing.length === 0) return refuse('nothing-changes');
    return { fact: { by, place, found: counted, missing } };
  },
  apply: (draft, { by, found, missing }, when) => {
    for (const { stockId, beforeMm2, areaMm2, costCents } of found) {
      liftFrom(draft, stockId);
      draft.patch('stock', stockId, { areaMm2, costCents });
      const deltaMm2 = areaMm2 - beforeMm2;
      draft.put('moves', rackMove(when, { stockId, kind: 'received', deltaMm2, balanceMm2: areaMm2, note: by }));
    }
    for (const { stockId, beforeMm2 } of missing) {
      liftFrom(draft, stockId);
      draft.patch('stock', stockId, { areaMm2: 0, costCents: 0, gone: 'written off' });
      if (beforeMm2 === 0) continue;
      const note = 'not there at the count';
      draft.put('moves', rackMove(when, { stockId, kind: 'waste', deltaMm2: -beforeMm2, balanceMm2: 0, note }));
    }
  },
  panelOf: () => null,
  told: ({ by, place, found, missing }) =>
    [
      ...(found.length > 0 ? [`${found.map((one) => one.stockId).join(', ')} ${by}`] : []),
      ...(missing.length > 0 ? [`${missing.map((one) => one.stockId).join(', ')} not there`] : []),
    ].join(', ') + (place === '' ? '' : ` (${place})`),
  effect: NO_WORDS,
  upcasts: {},
};
