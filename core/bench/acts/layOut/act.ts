import { planFault } from '../../../layout/index.ts';
import { shapeLeft, type Spot, type StraightBreak } from '../../../stock/index.ts';
import { count, knownIn } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import type { Refusal } from '../../refusals.ts';
import { numberedKey, type Reader, type StockRow } from '../../tables.ts';
import { glassBehind, ownGlass, laidOn, layAt, lift, type Behind, type LaidId, type OneGlass } from '../laid.ts';
import { keptForOthers, onRack } from '../onRack.ts';
import { backsCalled, called, inHand, pickBacks, pickPieces } from '../picked.ts';

/** A piece where it is to lie; see {@link Spot}. */
export interface LaidByNumber extends Omit<Spot, 'stockId' | 'rootId'> {
  readonly number: number;
  /** The glass that lies behind it; its own where left out. */
  readonly of?: Behind | undefined;
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
    readonly spots: readonly { readonly id: LaidId; readonly spot: Spot }[];
  }[];
  /** The panel's own; those of other panels are counted. */
  readonly numbers: readonly number[];
  /** Those whose second glass is laid out. */
  readonly backs: readonly number[];
  readonly others: number;
  /** What lay elsewhere, or on these sheets and does not any more. */
  readonly lifted: readonly LaidId[];
}

/**
 * Keeps a layout: pieces that are still to be cut lie on sheets and offcuts of their glass, with the breaks that take them
 * out. Several panels, of one job or of several, may lie on the same sheets: whoever lays out names them all, so that nothing
 * of a panel that was not looked at is lifted. What is laid by hand stays where it is in the next search.
 */
export const layOut: Act<LayOut, LaidOut> = {
  version: 3,
  formerly: [],
  undoIn: 'panel',
  reads: {
    pieces: ['number', 'drawn', 'stage', 'asks', 'glassId', 'backGlassId', 'backFrom', 'areaMm2'],
    stock: ['glassId', 'gone', 'areaMm2', 'outline', 'flaws', 'breaks', 'keptFor'],
  },
  decide: (state, { panelId, sheets }) => {
    const byPanel = new Map<string, LaidByNumber[]>([[panelId, []]]);
    for (const one of sheets.flatMap((sheet) => sheet.pieces)) {
      const of = one.panelId ?? panelId;
      byPanel.set(of, [...(byPanel.get(of) ?? []), one]);
    }
    const picked = pickOfPanels(state, byPanel);
    if ('refusal' in picked) return picked;
    const { byKey } = picked;
    const glassOf = (one: LaidByNumber) => knownIn(byKey, keyOf(one.panelId ?? panelId, one));
    const lifted = new Set<LaidId>([...byKey.values()].filter((one) => one.spot !== null).map((one) => one.id));
    const said = new Set<string>();
    const laid: LaidOut['sheets'][number][] = [];
    for (const sheet of sheets) {
      const found = onRack(state, sheet.stockId);
      if ('refusal' in found) return found;
      const { item } = found;
      const numbers = sheet.pieces.map(({ number }) => number);
      if (said.has(item.id)) return refuse('named-twice', { numbers });
      said.add(item.id);
      const other = sheet.pieces.filter((one) => glassOf(one).glassId !== item.glassId);
      if (other.length > 0) return refuse('wrong-glass', { numbers: other.map((p) => p.number), name: item.id });
      const refusal = unsound(state, item, sheet, byPanel.keys());
      if (refusal) return refusal;
      for (const { id } of laidOn(state, item.id)) if (sheet.breaks !== null) lifted.add(id);
      const spots = sheet.pieces.map((one) => {
        const { turnedOver, rotationDeg, x, y, at, byHand } = one;
        const spot = { turnedOver, rotationDeg, x, y, at, byHand, stockId: item.id, rootId: item.rootId };
        return { id: glassOf(one).id, spot };
      });
      laid.push({ stockId: item.id, breaks: sheet.breaks, spots });
    }
    const own = sidesOf(knownIn(byPanel, panelId));
    const others = byKey.size - own.numbers.length - own.backs.length;
    return { fact: { panelId, sheets: laid, ...own, others, lifted: [...lifted] } };
  },
  apply: (draft, { sheets, lifted }) => {
    lift(draft, lifted);
    for (const { stockId, breaks, spots } of sheets) {
      for (const { id, spot } of spots) layAt(draft, id, spot);
      draft.patch('stock', stockId, { breaks });
    }
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, backs, others, sheets }) => {
    const fronts = numbers.length > 0 ? [called(numbers)] : [];
    const behind = backs.length > 0 ? [backsCalled(backs)] : [];
    const beside = others > 0 ? [`${count(others, 'piece')} of other panels`] : [];
    return `${[...fronts, ...behind, ...beside].join(' and ')} laid out on ${sheets.map((s) => s.stockId).join(', ')}`;
  },
  effect: ({ sheets }) =>
    `${count(
      sheets.reduce((sum, s) => sum + s.pieces.length, 0),
      'piece',
    )} laid out on ${count(sheets.length, 'sheet')}`,
  upcasts: {
    // A layout was of one panel alone.
    1: (old: Omit<LaidOut, 'others' | 'backs'>): Omit<LaidOut, 'backs'> => ({ ...old, others: 0 }),
    // Second glasses were cut by their area.
    2: (old: Omit<LaidOut, 'backs'>): LaidOut => ({ ...old, backs: [] }),
  },
};

const keyOf = (panelId: string, { number, of }: Pick<LaidByNumber, 'number' | 'of'>): string =>
  `${numberedKey(panelId, number)}${of === undefined ? '' : `|${of}`}`;

const sidesOf = (pieces: readonly LaidByNumber[]) => ({
  numbers: pieces.filter(({ of }) => of === undefined).map(({ number }) => number),
  backs: pieces.filter(({ of }) => of === 'back').map(({ number }) => number),
});

/** The glass that is laid out, by panel, number and which of two it is; all still to be cut, or why not. */
function pickOfPanels(
  state: Reader,
  byPanel: ReadonlyMap<string, readonly LaidByNumber[]>,
): { readonly byKey: ReadonlyMap<string, OneGlass> } | { readonly refusal: Refusal } {
  const byKey = new Map<string, OneGlass>();
  const isEmpty = [...byPanel.values()].every((pieces) => pieces.length === 0);
  for (const [panelId, pieces] of byPanel) {
    const { numbers, backs } = sidesOf(pieces);
    if (numbers.length > 0 || isEmpty) {
      const picked = pickPieces(state, { panelId, numbers });
      if ('refusal' in picked) return picked;
      const begun = inHand(picked.pieces);
      if (begun.length > 0) return refuse('already-in-hand', { numbers: begun });
      for (const piece of picked.pieces) byKey.set(keyOf(panelId, piece), ownGlass(piece));
    }
    if (backs.length === 0) continue;
    const picked = pickBacks(state, { panelId, numbers: backs });
    if ('refusal' in picked) return picked;
    for (const piece of picked.pieces)
      byKey.set(keyOf(panelId, { number: piece.number, of: 'back' }), glassBehind(piece));
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
  const others = laidOn(state, item.id).filter(({ piece }) => !asked.has(piece.panelId));
  for (const panelId of asked) {
    const kept = keptForOthers(state, item, panelId);
    if (kept) return kept;
  }
  if (others.length > 0) return refuse('laid-already', { name: item.id, more: others[0]?.piece.panelId ?? '' });
  const { outline } = shapeLeft(item);
  const laid = pieces.map(({ at }, i) => ({ id: String(i), at }));
  const fault = planFault(outline, breaks ?? [], breaks === null ? [] : laid);
  const off = breaks === null && pieces.some(({ at }) => planFault(outline, [], [{ id: '', at }]) !== null);
  return fault !== null || off ? refuse('layout-unsound', { name: item.id }) : null;
}
