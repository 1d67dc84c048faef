import { planFault } from '../../../layout/index.ts';
import { shapeLeft, type Spot, type StraightBreak } from '../../../stock/index.ts';
import { count, knownIn } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import type { Refusal } from '../../refusals.ts';
import type { PieceRowId, Reader, StockRow } from '../../tables.ts';
import { laidOn, lift } from '../laid.ts';
import { keptForOthers, onRack } from '../onRack.ts';
import { called, inHand, pickPieces } from '../picked.ts';

/** A piece where it is to lie; see {@link Spot}. */
export interface LaidByNumber extends Omit<Spot, 'stockId' | 'rootId'> {
  readonly number: number;
}

export interface SheetLaidOut {
  readonly stockId: string;
  /** Null lays the pieces beside what is there already: what leads to them is still to be found. */
  readonly breaks: readonly StraightBreak[] | null;
  readonly pieces: readonly LaidByNumber[];
}

export interface LayOut {
  readonly panelId: string;
  readonly sheets: readonly SheetLaidOut[];
}

export interface LaidOut {
  readonly panelId: string;
  readonly sheets: readonly {
    readonly stockId: string;
    readonly breaks: readonly StraightBreak[] | null;
    readonly spots: readonly { readonly id: PieceRowId; readonly spot: Spot }[];
  }[];
  readonly numbers: readonly number[];
  /** Pieces that lay elsewhere, or on these sheets and do not any more. */
  readonly lifted: readonly PieceRowId[];
}

/**
 * Keeps a layout: pieces that are still to be cut lie on sheets and offcuts of their glass, with the breaks that take them
 * out. A sheet is laid out for one panel at a time. What is laid by hand stays where it is in the next search.
 */
export const layOut: Act<LayOut, LaidOut> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: {
    pieces: ['number', 'drawn', 'stage', 'glassId', 'areaMm2'],
    stock: ['glassId', 'gone', 'areaMm2', 'outline', 'flaws', 'breaks', 'keptFor'],
  },
  decide: (state, { panelId, sheets }) => {
    const numbers = sheets.flatMap((sheet) => sheet.pieces.map((p) => p.number));
    const picked = pickPieces(state, { panelId, numbers });
    if ('refusal' in picked) return picked;
    const begun = inHand(picked.pieces);
    if (begun.length > 0) return refuse('already-in-hand', { numbers: begun });
    const byNumber = new Map(picked.pieces.map((p) => [p.number, p]));
    const lifted = new Set<PieceRowId>(picked.pieces.filter((p) => p.spot !== null).map((p) => p.id));
    const said = new Set<string>();
    const laid: LaidOut['sheets'][number][] = [];
    for (const sheet of sheets) {
      const found = onRack(state, sheet.stockId);
      if ('refusal' in found) return found;
      const { item } = found;
      if (said.has(item.id)) return refuse('named-twice', { numbers: sheet.pieces.map((p) => p.number) });
      said.add(item.id);
      const pieces = sheet.pieces.map((p) => knownIn(byNumber, p.number));
      const other = pieces.filter((p) => p.glassId !== item.glassId);
      if (other.length > 0) return refuse('wrong-glass', { numbers: other.map((p) => p.number), name: item.id });
      const refusal = unsound(state, item, sheet, panelId);
      if (refusal) return refusal;
      for (const p of laidOn(state, item.id)) if (sheet.breaks !== null) lifted.add(p.id);
      const spots = sheet.pieces.map(({ number, ...spot }) => ({
        id: knownIn(byNumber, number).id,
        spot: { ...spot, stockId: item.id, rootId: item.rootId },
      }));
      laid.push({ stockId: item.id, breaks: sheet.breaks, spots });
    }
    return { fact: { panelId, sheets: laid, numbers, lifted: [...lifted] } };
  },
  apply: (draft, { sheets, lifted }) => {
    lift(draft, lifted);
    for (const { stockId, breaks, spots } of sheets) {
      for (const { id, spot } of spots) draft.patch('pieces', id, { spot });
      draft.patch('stock', stockId, { breaks });
    }
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, sheets }) => `${called(numbers)} laid out on ${sheets.map((s) => s.stockId).join(', ')}`,
  effect: ({ sheets }) =>
    `${count(
      sheets.reduce((sum, s) => sum + s.pieces.length, 0),
      'piece',
    )} laid out on ${count(sheets.length, 'sheet')}`,
  upcasts: {},
};

/** What cannot be cut as it is laid, and what somebody else has laid out already. */
function unsound(
  state: Reader,
  item: StockRow,
  { breaks, pieces }: SheetLaidOut,
  panelId: string,
): { refusal: Refusal } | null {
  const others = laidOn(state, item.id).filter((p) => p.panelId !== panelId);
  const kept = keptForOthers(state, item, panelId);
  if (kept) return kept;
  if (others.length > 0) return refuse('laid-already', { name: item.id, more: others[0]?.panelId ?? '' });
  const { outline } = shapeLeft(item);
  const laid = pieces.map(({ number, at }) => ({ id: String(number), at }));
  const fault = planFault(outline, breaks ?? [], breaks === null ? [] : laid);
  const off = breaks === null && pieces.some(({ at }) => planFault(outline, [], [{ id: '', at }]) !== null);
  return fault !== null || off ? refuse('layout-unsound', { name: item.id }) : null;
}
