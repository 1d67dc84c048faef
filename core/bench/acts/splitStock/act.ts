import { boxOf, signedArea, type Ring } from '../../../geometry/index.ts';
import { partedBy } from '../../../layout/index.ts';
import { offcutLabel, shapeFault, shapeLeft, type StraightBreak } from '../../../stock/index.ts';
import { NO_WORDS, refuse, type Act } from '../../act.ts';
import type { StockRow } from '../../tables.ts';
import { liftFrom, UNSHAPED } from '../laid.ts';
import { onRack, rackMove } from '../onRack.ts';
import { isLabelTaken } from '../taking.ts';

export interface SplitStock {
  readonly stockId: string;
  /** From edge to edge, in the coordinates of the sheet. */
  readonly at: StraightBreak;
}

interface Part {
  readonly outline: Ring;
  readonly flaws: readonly Ring[];
  readonly widthMm: number;
  readonly heightMm: number;
  readonly areaMm2: number;
  readonly costCents: number;
}

export interface StockSplit {
  readonly stockId: string;
  readonly stays: Part;
  /** The smaller part, with a label of its own. */
  readonly off: Part & { readonly label: string };
}

/** A sheet or offcut is broken in two, of which no piece is cut: the larger part keeps the label, the other gets its own. */
export const splitStock: Act<SplitStock, StockSplit> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['areaMm2', 'outline', 'flaws', 'breaks', 'costCents', 'gone'] },
  decide: (state, { stockId, at }) => {
    const found = onRack(state, stockId);
    if ('refusal' in found) return found;
    const { item } = found;
    const { outline, isGuess } = shapeLeft(item);
    if (isGuess) return refuse('split-shape-unknown', { name: item.id });
    const parts = partedBy(outline, at);
    if (parts === null) return refuse('split-beside', { name: item.id });
    const mm2 = parts.map((ring) => Math.abs(signedArea(ring)));
    const share = (mm2[1] ?? 0) / ((mm2[0] ?? 0) + (mm2[1] ?? 0));
    const off = partOf(item, parts[1], share);
    if (off.areaMm2 < 1) return refuse('split-beside', { name: item.id });
    const stays = partOf(item, parts[0], 1 - share);
    const rest = { areaMm2: item.areaMm2 - off.areaMm2, costCents: item.costCents - off.costCents };
    const label = offcutLabel(item.id, (name) => isLabelTaken(state, name));
    return { fact: { stockId: item.id, stays: { ...stays, ...rest }, off: { ...off, label } } };
  },
  apply: (draft, { stockId, stays, off: { label, ...off } }, now) => {
    const item = draft.get('stock', stockId);
    if (!item) return;
    liftFrom(draft, stockId);
    draft.patch('stock', stockId, { ...stays, breaks: null });
    const { glassId, rootId, keptFor, place } = item;
    const own = { id: label, rootId, keptFor, parentId: stockId, gone: null };
    draft.put('stock', { ...UNSHAPED, ...own, glassId, kind: 'offcut', place, ...off });
    const enter = (id: string, deltaMm2: number, balanceMm2: number, note: string) =>
      draft.put('moves', rackMove(now, { stockId: id, kind: 'offcut', deltaMm2, balanceMm2, note }));
    enter(stockId, -off.areaMm2, stays.areaMm2, label);
    enter(label, off.areaMm2, off.areaMm2, `from ${stockId}`);
  },
  panelOf: () => null,
  told: ({ stockId, off }) => `${stockId} broken in two, the smaller part is ${off.label}`,
  effect: NO_WORDS,
  upcasts: {},
};

function partOf(item: StockRow, outline: Ring, share: number): Part {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  return {
    outline,
    flaws: item.flaws.filter((flaw) => shapeFault(outline, [flaw]) === null),
    widthMm: maxX - minX,
    heightMm: maxY - minY,
    areaMm2: Math.round(item.areaMm2 * share),
    costCents: Math.round(item.costCents * share),
  };
}
