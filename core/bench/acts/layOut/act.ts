import { planFault } from '../../../layout/index.ts';
import { shapeLeft, type Spot, type StraightBreak } from '../../../stock/index.ts';
import { count, knownIn } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import type { Refusal } from '../../refusals.ts';
import { numberedKey, type PieceRow, type PieceRowId, type Reader, type StockRow } from '../../tables.ts';
import { laidOn, lift } from '../laid.ts';
import { keptForOthers, onRack } from '../onRack.ts';
import { called, inHand, pickPieces } from '../picked.ts';

/** A piece where it is to lie; see {@link Spot}. */
export interface LaidByNumber extends Omit<Spot, 'stockId' | 'rootId'> {
  readonly number: number;
  /** Of another panel than the one that lays out. */
  readonly panelId?: string | undefined;
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
  /** The panel's own; those of other panels are counted. */
  readonly numbers: readonly number[];
  readonly others: number;
  /** Pieces that lay elsewhere, or on these sheets and do not any more. */
  readonly lifted: readonly PieceRowId[];
}

/**
 * Keeps a layout: pieces that are still to be cut lie on sheets and offcuts of their glass, with the breaks that take them
 * out. Several panels, of one job or of several, may lie on the same sheets: whoever lays out names them all, so that nothing
 * of a panel that was not looked at is lifted. What is laid by hand stays where it is in the next search.
 */
export const layOut: Act<LayOut, LaidOut> = {
  version: 2,
  formerly: [],
  undoIn: 'panel',
  reads: {
    pieces: ['number', 'drawn', 'stage', 'glassId', 'areaMm2'],
    stock: ['glassId', 'gone', 'areaMm2', 'outline', 'flaws', 'breaks', 'keptFor'],
  },
  decide: (state, { panelId, sheets }) => {
    const byPanel = new Map<string, number[]>();
    for (const { number, panelId: of = panelId } of sheets.flatMap((sheet) => sheet.pieces))
      byPanel.set(of, [...(byPanel.get(of) ?? []), number]);
    const picked = pickOfPanels(state, byPanel, panelId);
    if ('refusal' in picked) return picked;
    const { byKey } = picked;
    const rowOf = (p: LaidByNumber) => knownIn(byKey, numberedKey(p.panelId ?? panelId, p.number));
    const lifted = new Set<PieceRowId>([...byKey.values()].filter((p) => p.spot !== null).map((p) => p.id));
    const said = new Set<string>();
    const laid: LaidOut['sheets'][number][] = [];
    for (const sheet of sheets) {
      const found = onRack(state, sheet.stockId);
      if ('refusal' in found) return found;
      const { item } = found;
      if (said.has(item.id)) return refuse('named-twice', { numbers: sheet.pieces.map((p) => p.number) });
      said.add(item.id);
      const pieces = sheet.pieces.map(rowOf);
      const other = pieces.filter((p) => p.glassId !== item.glassId);
      if (other.length > 0) return refuse('wrong-glass', { numbers: other.map((p) => p.number), name: item.id });
      const refusal = unsound(state, item, sheet, byPanel.keys());
      if (refusal) return refusal;
      for (const p of laidOn(state, item.id)) if (sheet.breaks !== null) lifted.add(p.id);
      const spots = sheet.pieces.map((piece) => {
        const { turnedOver, rotationDeg, x, y, at, byHand } = piece;
        const spot = { turnedOver, rotationDeg, x, y, at, byHand, stockId: item.id, rootId: item.rootId };
        return { id: rowOf(piece).id, spot };
      });
      laid.push({ stockId: item.id, breaks: sheet.breaks, spots });
    }
    const numbers = byPanel.get(panelId) ?? [];
    return { fact: { panelId, sheets: laid, numbers, others: byKey.size - numbers.length, lifted: [...lifted] } };
  },
  apply: (draft, { sheets, lifted }) => {
    lift(draft, lifted);
    for (const { stockId, breaks, spots } of sheets) {
      for (const { id, spot } of spots) draft.patch('pieces', id, { spot });
      draft.patch('stock', stockId, { breaks });
    }
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, others, sheets }) => {
    const own = numbers.length > 0 ? [called(numbers)] : [];
    const beside = others > 0 ? [`${count(others, 'piece')} of other panels`] : [];
    return `${[...own, ...beside].join(' and ')} laid out on ${sheets.map((s) => s.stockId).join(', ')}`;
  },
  effect: ({ sheets }) =>
    `${count(
      sheets.reduce((sum, s) => sum + s.pieces.length, 0),
      'piece',
    )} laid out on ${count(sheets.length, 'sheet')}`,
  upcasts: {
    // A layout was of one panel alone.
    1: (old: Omit<LaidOut, 'others'>): LaidOut => ({ ...old, others: 0 }),
  },
};

/** The pieces of several panels by panel and number, all still to be cut, or why not. */
function pickOfPanels(
  state: Reader,
  byPanel: ReadonlyMap<string, readonly number[]>,
  own: string,
): { readonly byKey: ReadonlyMap<string, PieceRow> } | { readonly refusal: Refusal } {
  const byKey = new Map<string, PieceRow>();
  for (const [panelId, numbers] of byPanel.size > 0 ? byPanel : [[own, []] as const]) {
    const picked = pickPieces(state, { panelId, numbers });
    if ('refusal' in picked) return picked;
    const begun = inHand(picked.pieces);
    if (begun.length > 0) return refuse('already-in-hand', { numbers: begun });
    for (const piece of picked.pieces) byKey.set(numberedKey(panelId, piece.number), piece);
  }
  return { byKey };
}

/** What cannot be cut as it is laid, and what somebody else has laid out already. */
function unsound(
  state: Reader,
  item: StockRow,
  { breaks, pieces }: SheetLaidOut,
  panelIds: Iterable<string>,
): { refusal: Refusal } | null {
  const asked = new Set(panelIds);
  const others = laidOn(state, item.id).filter((p) => !asked.has(p.panelId));
  for (const panelId of asked) {
    const kept = keptForOthers(state, item, panelId);
    if (kept) return kept;
  }
  if (others.length > 0) return refuse('laid-already', { name: item.id, more: others[0]?.panelId ?? '' });
  const { outline } = shapeLeft(item);
  const laid = pieces.map(({ at }, i) => ({ id: String(i), at }));
  const fault = planFault(outline, breaks ?? [], breaks === null ? [] : laid);
  const off = breaks === null && pieces.some(({ at }) => planFault(outline, [], [{ id: '', at }]) !== null);
  return fault !== null || off ? refuse('layout-unsound', { name: item.id }) : null;
}
