import { NO_WORDS, type Act } from '../../act.ts';
import { onRack } from '../onRack.ts';

export interface MoveStock {
  readonly stockId: string;
  readonly place: string;
}

/** A sheet or offcut goes to another place on the rack. */
export const moveStock: Act<MoveStock> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['place', 'gone'] },
  decide: (state, ask) => {
    const found = onRack(state, ask.stockId);
    return 'refusal' in found ? found : { fact: ask };
  },
  apply: (draft, { stockId, place }) => draft.patch('stock', stockId, { place }),
  panelOf: () => null,
  told: ({ stockId, place }) => `${stockId} moved to ${place}`,
  effect: NO_WORDS,
  upcasts: {},
};
