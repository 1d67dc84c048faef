import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { namedShort } from '../onRack.ts';
import { receiveStock, type ReceiveStock, type StockReceived } from '../receiveStock/act.ts';

export interface ReceiveMany {
  readonly items: readonly ReceiveStock[];
}
export interface ManyReceived {
  readonly items: readonly StockReceived[];
}

/** A delivery, or a list that was read in: all of it comes onto the rack, or none. */
export const receiveMany: Act<ReceiveMany, ManyReceived> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  isLarge: ({ items }) => items.length > 10,
  reads: {},
  decide: (state, { items }, now) => {
    const received: StockReceived[] = [];
    const said = new Set<string>();
    for (const item of items) {
      const key = item.label.toLowerCase();
      if (said.has(key)) return refuse('label-taken', { name: item.label });
      said.add(key);
      const one = receiveStock.decide(state, item, now);
      if ('refusal' in one) return one;
      received.push(one.fact);
    }
    return { fact: { items: received } };
  },
  apply: (draft, { items }, now) => {
    for (const item of items) receiveStock.apply(draft, item, now);
  },
  panelOf: () => null,
  told: ({ items }) => `${namedShort(items.map((item) => item.label))} put on the rack`,
  effect: NO_WORDS,
  upcasts: {},
};
