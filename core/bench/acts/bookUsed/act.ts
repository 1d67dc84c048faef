import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { costOf, tidyAmount } from '../../../stock/index.ts';
import { count, nth } from '../../../units/index.ts';

export interface BookUsed {
  /** What went into the work on panels, as reckoned: an entry each, in the supply's measure. */
  readonly items: readonly {
    readonly id: string;
    readonly supplyId: string;
    readonly panelId: string;
    readonly amount: number;
  }[];
}

export interface UsedBooked {
  readonly items: readonly (BookUsed['items'][number] & { readonly balance: number; readonly cents: number })[];
  /** The names of the panels and the supplies, for telling it. */
  readonly panels: readonly string[];
  readonly supplies: readonly string[];
}

/**
 * What work is reckoned to have taken off the shelf goes into its book. Of what is not there any more only the rest goes:
 * the reckoning is no reason to hold up a delivery.
 */
export const bookUsed: Act<BookUsed, UsedBooked> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { supplies: ['amount'] },
  decide: (state, { items }) => {
    const known = items.filter(({ supplyId }) => {
      const supply = state.get('supplies', supplyId);
      return supply !== undefined && supply.away !== 'deleted';
    });
    if (known.some(({ id }) => state.get('supplyMoves', id) !== undefined)) return refuse('entry-taken');
    if (known.some(({ panelId }) => state.get('panels', panelId) === undefined)) return refuse('unknown-panel');
    const there = new Map(known.map(({ supplyId }) => [supplyId, state.get('supplies', supplyId)?.amount ?? 0]));
    const booked = known.flatMap((item) => {
      const supply = state.get('supplies', item.supplyId);
      const left = there.get(item.supplyId) ?? 0;
      const amount = tidyAmount(Math.min(item.amount, left));
      const balance = tidyAmount(left - amount);
      there.set(item.supplyId, balance);
      return supply && amount > 0 ? [{ ...item, amount, balance, cents: costOf(supply, amount) }] : [];
    });
    if (booked.length === 0) return refuse('nothing-changes');
    const names = (table: 'panels' | 'supplies', ids: readonly string[]) =>
      [...new Set(ids)].map((id) => state.get(table, id)?.name ?? '');
    return {
      fact: {
        items: booked,
        panels: names(
          'panels',
          booked.map((one) => one.panelId),
        ),
        supplies: names(
          'supplies',
          booked.map((one) => one.supplyId),
        ),
      },
    };
  },
  apply: (draft, { items }, { at, personId }) => {
    for (const { id, supplyId, panelId, amount, balance, cents } of items) {
      draft.patch('supplies', supplyId, { amount: balance });
      draft.put('supplyMoves', { id, supplyId, kind: 'used', delta: -amount, balance, cents, panelId, at, personId });
    }
  },
  panelOf: () => null,
  told: ({ panels, supplies }) => {
    const what = supplies.length === 1 ? nth(supplies, 0) : count(supplies.length, 'supply', 'supplies');
    return `What ${panels.length === 1 ? nth(panels, 0) : count(panels.length, 'panel')} took of ${what} booked`;
  },
  effect: NO_WORDS,
  upcasts: {},
};
