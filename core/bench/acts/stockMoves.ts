import type { StockItem } from '../../stock/index.ts';
import { refuse, type Act, type Refusal } from '../act.ts';
import type { Reader } from '../tables.ts';

export interface ReceiveStock {
  readonly label: string;
  readonly glassId: string;
  readonly kind: 'sheet' | 'offcut';
  readonly widthMm: number;
  readonly heightMm: number;
  readonly place: string;
  readonly costCents: number;
}

/** A sheet arrives, or an offcut that was never entered is put on the rack. */
export const receiveStock: Act<ReceiveStock> = {
  undoable: true,
  decide: (state, command) => {
    if (!state.get('glasses', command.glassId)) return refuse('unknown-glass');
    if (state.get('stock', command.label)) return refuse('label-taken', { name: command.label });
    return { payload: command };
  },
  apply: (draft, { label, ...rest }, now) => {
    const areaMm2 = Math.round(rest.widthMm * rest.heightMm);
    draft.put('stock', { id: label, ...rest, areaMm2, parentId: null, gone: null });
    draft.put('moves', {
      id: `${now.seq}.${label}`,
      at: now.at,
      stockId: label,
      kind: 'received',
      deltaMm2: areaMm2,
      balanceMm2: areaMm2,
      panelId: null,
      numbers: [],
      note: rest.place,
    });
  },
};

/** Only what still stands on the rack is moved or written off. */
function decideOnRack<C extends { readonly stockId: string }>(
  state: Reader,
  command: C,
): { readonly payload: C } | { readonly refusal: Refusal } {
  const item = state.get('stock', command.stockId);
  if (!item) return refuse('unknown-stock', { name: command.stockId });
  if (item.gone !== null) return refuse('stock-gone', { name: item.id });
  return { payload: command };
}

export interface MoveStock {
  readonly stockId: string;
  readonly place: string;
}

export const moveStock: Act<MoveStock> = {
  undoable: true,
  decide: decideOnRack,
  apply: (draft, { stockId, place }) => draft.patch('stock', stockId, { place }),
};

export interface WriteOffStock {
  readonly stockId: string;
  readonly reason: string;
}

export const writeOffStock: Act<WriteOffStock> = {
  undoable: true,
  decide: decideOnRack,
  apply: (draft, { stockId, reason }, now) => {
    const { areaMm2 } = draft.get('stock', stockId) as StockItem;
    draft.put('moves', {
      id: `${now.seq}.${stockId}`,
      at: now.at,
      stockId,
      kind: 'waste',
      deltaMm2: -areaMm2,
      balanceMm2: 0,
      panelId: null,
      numbers: [],
      note: reason,
    });
    draft.patch('stock', stockId, { areaMm2: 0, costCents: 0, gone: 'written off' });
  },
};
