import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { rackMove } from '../onRack.ts';
import { UNSHAPED } from '../laid.ts';
import { isLabelTaken } from '../taking.ts';

export interface ReceiveStock {
  readonly label: string;
  readonly glassId: string;
  readonly kind: 'sheet' | 'offcut';
  readonly widthMm: number;
  readonly heightMm: number;
  readonly place: string;
  readonly costCents: number;
}

export interface StockReceived extends ReceiveStock {
  readonly areaMm2: number;
}

const withArea = (ask: ReceiveStock): StockReceived => ({ ...ask, areaMm2: Math.round(ask.widthMm * ask.heightMm) });

/** A sheet arrives, or an offcut that was never entered is put on the rack. */
export const receiveStock: Act<ReceiveStock, StockReceived> = {
  version: 2,
  formerly: [],
  undoIn: 'rack',
  reads: {},
  decide: (state, ask) => {
    const glass = state.get('glasses', ask.glassId);
    if (!glass) return refuse('unknown-glass');
    if (glass.away === 'deleted') return refuse('deleted', { name: glass.code });
    if (isLabelTaken(state, ask.label)) return refuse('label-taken', { name: ask.label });
    return { fact: withArea(ask) };
  },
  apply: (draft, { label, ...item }, when) => {
    draft.put('stock', { id: label, ...item, ...UNSHAPED, rootId: label, parentId: null, keptFor: null, gone: null });
    draft.put(
      'moves',
      rackMove(when, {
        stockId: label,
        kind: 'received',
        deltaMm2: item.areaMm2,
        balanceMm2: item.areaMm2,
        note: item.place,
      }),
    );
  },
  panelOf: () => null,
  told: ({ kind, label }) => `${kind} ${label} put on the rack`,
  effect: NO_WORDS,
  upcasts: { 1: withArea },
};
