import { NO_WORDS, type Act } from '../../act.ts';
import { allOnRack, namedShort } from '../onRack.ts';

export interface MoveMany {
  readonly stockIds: readonly string[];
  readonly place: string;
}

/** Several sheets and offcuts go to another place at once. */
export const moveMany: Act<MoveMany> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['place', 'gone'] },
  decide: (state, { stockIds, place }) => {
    const found = allOnRack(state, stockIds);
    return 'refusal' in found ? found : { fact: { stockIds: found.items.map((item) => item.id), place } };
  },
  apply: (draft, { stockIds, place }) => {
    for (const id of stockIds) draft.patch('stock', id, { place });
  },
  panelOf: () => null,
  told: ({ stockIds, place }) => `${namedShort(stockIds)} moved to ${place}`,
  effect: NO_WORDS,
  upcasts: {},
};
