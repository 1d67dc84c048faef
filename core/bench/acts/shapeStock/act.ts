import { boxOf, signedArea, type Ring } from '../../../geometry/index.ts';
import { shapeFault } from '../../../stock/index.ts';
import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { liftFrom } from '../laid.ts';
import { onRack, rackMove } from '../onRack.ts';

export interface ShapeStock {
  readonly stockId: string;
  /** As it stands, mm, x right and y down, its flow along y. */
  readonly outline: Ring;
  readonly flaws: readonly Ring[];
}

export interface StockShaped extends ShapeStock {
  readonly widthMm: number;
  readonly heightMm: number;
  /** What it holds from now on, and by how much that is more or less than was entered. */
  readonly areaMm2: number;
  readonly deltaMm2: number;
}

/** The true outline of a sheet or offcut and its flaws, as they were drawn or measured. Nothing lies on it then. */
export const shapeStock: Act<ShapeStock, StockShaped> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['areaMm2', 'outline', 'flaws', 'breaks', 'gone'] },
  decide: (state, ask) => {
    const found = onRack(state, ask.stockId);
    if ('refusal' in found) return found;
    const fault = shapeFault(ask.outline, ask.flaws);
    if (fault !== null) return refuse(`shape-${fault}`, { name: ask.stockId });
    const { minX, minY, maxX, maxY } = boxOf(ask.outline);
    const areaMm2 = Math.round(Math.abs(signedArea(ask.outline)));
    return {
      fact: { ...ask, widthMm: maxX - minX, heightMm: maxY - minY, areaMm2, deltaMm2: areaMm2 - found.item.areaMm2 },
    };
  },
  apply: (draft, { stockId, deltaMm2, ...shape }, when) => {
    liftFrom(draft, stockId);
    draft.patch('stock', stockId, { ...shape, breaks: null });
    if (deltaMm2 === 0) return;
    const { areaMm2: balanceMm2 } = shape;
    draft.put('moves', rackMove(when, { stockId, kind: 'received', deltaMm2, balanceMm2, note: 'true shape' }));
  },
  panelOf: () => null,
  told: ({ stockId }) => `true shape of ${stockId}`,
  effect: NO_WORDS,
  upcasts: {},
};
