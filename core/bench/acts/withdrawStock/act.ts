import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { isWhole } from '../correctStock/act.ts';
import { liftFrom } from '../laid.ts';
import { onRack, rackMove } from '../onRack.ts';

export interface WithdrawStock {
  readonly stockId: string;
}

export interface StockWithdrawn extends WithdrawStock {
  /** What was entered for it. */
  readonly areaMm2: number;
}

/** A sheet was entered that never came: it is taken out, and its label is free again. Nothing may have been cut from it. */
export const withdrawStock: Act<WithdrawStock, StockWithdrawn> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['areaMm2', 'gone'] },
  decide: (state, { stockId }) => {
    const found = onRack(state, stockId);
    if ('refusal' in found) return found;
    const { item } = found;
    // What was cut off another sheet did come: it can be written off.
    if (item.parentId !== null || !isWhole(item)) return refuse('stock-begun', { name: item.id });
    return { fact: { stockId, areaMm2: item.areaMm2 } };
  },
  apply: (draft, { stockId, areaMm2 }, when) => {
    draft.put(
      'moves',
      rackMove(when, {
        stockId,
        kind: 'received',
        deltaMm2: -areaMm2,
        balanceMm2: 0,
        note: 'entered by mistake',
      }),
    );
    liftFrom(draft, stockId);
    draft.remove('stock', stockId);
  },
  panelOf: () => null,
  told: ({ stockId }) => `${stockId} taken out: entered by mistake`,
  effect: NO_WORDS,
  upcasts: {},
};
