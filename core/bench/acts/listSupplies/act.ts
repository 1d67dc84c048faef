import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { awayOf } from '../../tables.ts';
import { costOf, tidyAmount, type ListedSupply } from '../../../stock/index.ts';
import { count } from '../../../units/index.ts';

export interface ListSupplies {
  /** One that is known keeps its id, its book, and what is there where the list does not say. */
  readonly items: readonly (ListedSupply & { readonly id: string; readonly moveId: string })[];
}

export interface SuppliesListed {
  readonly items: readonly (ListSupplies['items'][number] & {
    readonly delta: number;
    readonly balance: number;
    readonly cents: number;
  })[];
}

/** A list of supplies with their prices, taken in as a whole or not at all. */
export const listSupplies: Act<ListSupplies, SuppliesListed> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { supplies: ['kind', 'amount', 'away'] },
  decide: (state, { items }) => {
    for (const { id, kind, moveId } of items) {
      const old = state.get('supplies', id);
      if (old && old.kind !== kind) return refuse('supply-kind', { name: old.name });
      if (state.get('supplyMoves', moveId)) return refuse('entry-taken');
    }
    const fact = items.map((item) => {
      const there = state.get('supplies', item.id)?.amount ?? 0;
      const delta = item.amount === null ? 0 : tidyAmount(item.amount - there);
      return { ...item, delta, balance: tidyAmount(there + delta), cents: costOf(item, Math.abs(delta)) };
    });
    return { fact: { items: fact } };
  },
  apply: (draft, { items }, { at, personId }) => {
    for (const { moveId, delta, balance, cents, amount: _, ...supply } of items) {
      const old = draft.get('supplies', supply.id);
      const learnt = old?.learnt ?? {};
      draft.put('supplies', { ...supply, amount: balance, learnt, ...awayOf(old) });
      if (delta !== 0)
        draft.put('supplyMoves', {
          id: moveId,
          supplyId: supply.id,
          kind: 'counted',
          delta,
          balance,
          cents,
          panelId: null,
          at,
          personId,
        });
    }
  },
  panelOf: () => null,
  told: ({ items }) => `${count(items.length, 'supply', 'supplies')} taken in from a list`,
  effect: NO_WORDS,
  upcasts: {},
};
