import { NO_WORDS, type Act } from '../../act.ts';
import { liftFrom } from '../laid.ts';
import { onRack, rackMove } from '../onRack.ts';

export interface WriteOffStock {
  readonly stockId: string;
  readonly reason: string;
}

export interface StockWrittenOff extends WriteOffStock {
  /** What it still held. */
  readonly areaMm2: number;
}

/** A sheet or offcut is broken, lost or given away: what it held is waste. */
export const writeOffStock: Act<WriteOffStock, StockWrittenOff> = {
  version: 2,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['gone'] },
  decide: (state, ask) => {
    const found = onRack(state, ask.stockId);
    return 'refusal' in found ? found : { fact: { ...ask, areaMm2: found.item.areaMm2 } };
  },
  apply: (draft, { stockId, reason, areaMm2 }, when) => {
    draft.put(
      'moves',
      rackMove(when, {
        stockId,
        kind: 'waste',
        deltaMm2: -areaMm2,
        balanceMm2: 0,
        note: reason,
      }),
    );
    liftFrom(draft, stockId);
    draft.patch('stock', stockId, { areaMm2: 0, costCents: 0, gone: 'written off' });
  },
  panelOf: () => null,
  told: ({ stockId, reason }) => `${stockId} written off: ${reason}`,
  effect: NO_WORDS,
  upcasts: {
    1: (old: WriteOffStock, { state }): StockWrittenOff => ({
      ...old,
      areaMm2: state.get('stock', old.stockId)?.areaMm2 ?? 0,
    }),
  },
};
