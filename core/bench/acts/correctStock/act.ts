import { NO_WORDS, refuse, type Act } from '../../act.ts';
import type { StockRow } from '../../tables.ts';
import { onRack, rackMove } from '../onRack.ts';

export interface CorrectStock {
  readonly stockId: string;
  readonly glassId: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly place: string;
  /** What the glass that is left of it cost. */
  readonly costCents: number;
}

export interface StockCorrected extends CorrectStock {
  /** What it holds from now on, and by how much that is more or less than was entered. */
  readonly areaMm2: number;
  readonly deltaMm2: number;
}

const wholeOf = ({ widthMm, heightMm }: Pick<StockRow, 'widthMm' | 'heightMm'>): number =>
  Math.round(widthMm * heightMm);

/** Whether nothing has been cut from a sheet or offcut yet. */
export const isWhole = (item: StockRow): boolean => item.areaMm2 === wholeOf(item);

/**
 * A sheet or offcut was entered wrongly: its measures, glass, place and cost are said anew. What was cut from it stays cut:
 * it holds as much more or less as its measures grow or shrink.
 */
export const correctStock: Act<CorrectStock, StockCorrected> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['glassId', 'widthMm', 'heightMm', 'areaMm2', 'place', 'costCents', 'gone'] },
  decide: (state, ask) => {
    const found = onRack(state, ask.stockId);
    if ('refusal' in found) return found;
    const { item } = found;
    if (!state.get('glasses', ask.glassId)) return refuse('unknown-glass');
    if (ask.glassId !== item.glassId && !isWhole(item)) return refuse('stock-begun', { name: item.id });
    const deltaMm2 = wholeOf(ask) - wholeOf(item);
    const areaMm2 = item.areaMm2 + deltaMm2;
    if (areaMm2 < 0)
      return refuse('cut-more', { name: item.id, haveMm2: wholeOf(ask), wantMm2: wholeOf(item) - item.areaMm2 });
    return { fact: { ...ask, areaMm2, deltaMm2 } };
  },
  apply: (draft, { stockId, deltaMm2, ...now }, when) => {
    draft.patch('stock', stockId, now);
    if (deltaMm2 === 0) return;
    draft.put(
      'moves',
      rackMove(when, {
        stockId,
        kind: 'received',
        deltaMm2,
        balanceMm2: now.areaMm2,
        note: 'corrected',
      }),
    );
  },
  panelOf: () => null,
  told: ({ stockId }) => `${stockId} corrected`,
  effect: NO_WORDS,
  upcasts: {},
};
