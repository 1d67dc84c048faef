import { signedArea } from '../../../geometry/index.ts';
import { NO_WORDS, refuse, type Act } from '../../act.ts';
import type { StockRow } from '../../tables.ts';
import { liftFrom, UNSHAPED } from '../laid.ts';
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
  /** It has another glass or other measures: what was laid out on it, and its outline, are no more. */
  readonly isReshaped: boolean;
}

const boxed = ({ widthMm, heightMm }: Pick<StockRow, 'widthMm' | 'heightMm'>): number => Math.round(widthMm * heightMm);
const wholeOf = (item: StockRow): number =>
  item.outline === null ? boxed(item) : Math.round(Math.abs(signedArea(item.outline)));

/** Whether nothing has been cut from a sheet or offcut yet. */
export const isWhole = (item: StockRow): boolean => item.areaMm2 === wholeOf(item);

/**
 * A sheet or offcut was entered wrongly: its measures, glass, place and cost are said anew. What was cut from it stays cut:
 * it holds as much more or less as its measures grow or shrink.
 */
export const correctStock: Act<CorrectStock, StockCorrected> = {
  version: 2,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['glassId', 'widthMm', 'heightMm', 'areaMm2', 'place', 'costCents', 'gone'] },
  decide: (state, ask) => {
    const found = onRack(state, ask.stockId);
    if ('refusal' in found) return found;
    const { item } = found;
    if (!state.get('glasses', ask.glassId)) return refuse('unknown-glass');
    if (ask.glassId !== item.glassId && !isWhole(item)) return refuse('stock-begun', { name: item.id });
    // Measures that stay as they are leave a true outline in force.
    const isSized = ask.widthMm !== item.widthMm || ask.heightMm !== item.heightMm;
    const deltaMm2 = isSized ? boxed(ask) - wholeOf(item) : 0;
    const areaMm2 = item.areaMm2 + deltaMm2;
    if (areaMm2 < 0)
      return refuse('cut-more', { name: item.id, haveMm2: boxed(ask), wantMm2: wholeOf(item) - item.areaMm2 });
    return { fact: { ...ask, areaMm2, deltaMm2, isReshaped: isSized || ask.glassId !== item.glassId } };
  },
  apply: (draft, { stockId, deltaMm2, isReshaped, ...now }, when) => {
    if (isReshaped) liftFrom(draft, stockId);
    draft.patch('stock', stockId, { ...now, ...(isReshaped ? UNSHAPED : {}) });
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
  upcasts: { 1: (old: Omit<StockCorrected, 'isReshaped'>): StockCorrected => ({ ...old, isReshaped: true }) },
};
