import { boxOf, signedArea, type Ring } from '../../geometry/index.ts';
import { cutOut, type PartKept } from '../../layout/index.ts';
import { divide, offcutLabel, shapeFault, shapeLeft, type Left, type StraightBreak } from '../../stock/index.ts';
import { knownIn, nth } from '../../units/index.ts';
import { refuse, type Circumstance } from '../act.ts';
import type { Refusal } from '../refusals.ts';
import type { Draft } from '../studio.ts';
import { limitsOf, type PieceRow, type PieceRowId, type Reader, type StockRow } from '../tables.ts';
import { laidOn, liftFrom, moveSpots, NO_SHAPE, type OneGlass } from './laid.ts';
import { keptForOthers } from './onRack.ts';

/** From which sheet or offcut some of the pieces are cut, and what is left of it then. */
export interface Source {
  readonly stockId: string;
  readonly numbers: readonly number[];
  readonly left: Left;
}

/** One sheet's part of a cut, with every mm² and cent of it spoken for. */
export interface Taking {
  readonly stockId: string;
  readonly glassId: string;
  readonly pieces: readonly PieceRowId[];
  readonly numbers: readonly number[];
  readonly beforeMm2: number;
  readonly piecesMm2: number;
  readonly wasteMm2: number;
  /** What the sheet holds from now on, and what that is worth. */
  readonly staysMm2: number;
  readonly costCents: number;
  /** New measures of what stays on the sheet, where they were told or follow from the layout. */
  readonly stays: ({ readonly widthMm: number; readonly heightMm: number } & PartLeft) | null;
  readonly offcuts: readonly OffcutLeft[];
  readonly place: string;
  /** It was broken as laid out: what is laid out on its parts stays so. */
  readonly asLaid: boolean;
}

/** The true shape of a part as a layout leaves it, and what is still to be cut from it. */
export interface PartLeft {
  readonly outline: Ring | null;
  readonly flaws: readonly Ring[];
  readonly breaks: readonly StraightBreak[] | null;
  /** Ids of the glass that lies on it and is not cut yet. */
  readonly pieces: readonly string[];
}

export interface OffcutLeft extends PartLeft {
  readonly label: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly areaMm2: number;
  readonly costCents: number;
}

/**
 * Divides one source among its pieces, or says why that cannot be. The cost of a sheet goes with its area.
 * @param glasses in the order of the source's numbers
 * @param labels gathers the new offcuts' names, in lower case: one command may leave several
 * @param lost what broke while it was cut from it: that glass leaves it too, as waste
 */
export function takeFrom(
  state: Reader,
  glasses: readonly OneGlass[],
  source: Pick<Source, 'stockId' | 'left'>,
  labels: Set<string>,
  lost: readonly OneGlass[] = [],
): Taking | { refusal: Refusal } {
  const item = state.get('stock', source.stockId);
  if (!item) return refuse('unknown-stock', { name: source.stockId });
  if (item.gone !== null) return refuse('stock-gone', { name: item.id });
  const all = [...glasses, ...lost];
  const kept = keptForOthers(state, item, all[0]?.piece.panelId ?? null);
  if (kept) return kept;
  const bare = all.filter((one) => one.glassId === null);
  if (bare.length > 0) return refuse('no-glass', { numbers: numbersOf(bare) });
  const other = all.filter((one) => one.glassId !== item.glassId);
  if (other.length > 0) return refuse('wrong-glass', { numbers: numbersOf(other), name: item.id });
  const lostMm2 = areaOf(lost);
  const { left } = source;
  const isTaken = (label: string) => labels.has(label.toLowerCase()) || isLabelTaken(state, label);
  if (left.kind === 'laid')
    return takeAsLaid(state, item, glasses, lost, (parent) => nextLabel(parent, isTaken, labels));
  const division = divide(item, areaOf(glasses) + lostMm2, left);
  if ('code' in division)
    return refuse(division.code, { name: item.id, haveMm2: division.haveMm2, wantMm2: division.wantMm2 });
  const share = worthOf(item);
  const offcuts: OffcutLeft[] = [];
  for (const [i, { widthMm, heightMm, label: wish }] of (left.kind === 'offcuts' ? left.offcuts : []).entries()) {
    if (wish !== undefined && isTaken(wish)) return refuse('label-taken', { name: wish });
    const label = wish ?? offcutLabel(item.id, isTaken);
    labels.add(label.toLowerCase());
    const areaMm2 = division.offcutsMm2[i] ?? 0;
    offcuts.push({ label, widthMm, heightMm, areaMm2, costCents: Math.round(share * areaMm2), ...NO_SHAPE });
  }
  return {
    ...takenFrom(item, glasses),
    piecesMm2: division.piecesMm2 - lostMm2,
    wasteMm2: division.wasteMm2 + lostMm2,
    staysMm2: division.staysMm2,
    costCents: Math.round(share * division.staysMm2),
    stays:
      left.kind === 'stays' && left.widthMm !== undefined && left.heightMm !== undefined
        ? { widthMm: left.widthMm, heightMm: left.heightMm, ...NO_SHAPE }
        : null,
    offcuts,
    asLaid: false,
  };
}

/**
 * Divides every source among its pieces, or says why one of them cannot be. A sheet is named once.
 * @param glasses all that the sources name
 */
export function takeFromAll(
  state: Reader,
  glasses: readonly OneGlass[],
  sources: readonly Source[],
): readonly Taking[] | { refusal: Refusal } {
  const byNumber = new Map(glasses.map((one) => [one.piece.number, one]));
  const takings: Taking[] = [];
  const labels = new Set<string>();
  for (const source of sources) {
    if (takings.some(({ stockId }) => stockId === source.stockId))
      return refuse('named-twice', { numbers: [...source.numbers] });
    const own = source.numbers.map((number) => knownIn(byNumber, number));
    const taking = takeFrom(state, own, source, labels);
    if ('refusal' in taking) return taking;
    takings.push(taking);
  }
  return takings;
}

/** What the ledger says of glass that was taken for it. */
export const SECOND = 'second glass';

/** Of which sheet, as it stood, and which pieces. */
const takenFrom = (item: StockRow, glasses: readonly OneGlass[]) => ({
  stockId: item.id,
  glassId: item.glassId,
  pieces: glasses.map(({ piece }) => piece.id),
  numbers: numbersOf(glasses),
  beforeMm2: item.areaMm2,
  place: item.place,
});

const numbersOf = (glasses: readonly OneGlass[]): number[] => glasses.map(({ piece }) => piece.number);
const areaOf = (glasses: readonly OneGlass[]): number => glasses.reduce((sum, { piece }) => sum + piece.areaMm2, 0);
/** Cents a mm². */
const worthOf = (item: StockRow): number => (item.areaMm2 > 0 ? item.costCents / item.areaMm2 : 0);

function nextLabel(parent: string, isTaken: (label: string) => boolean, labels: Set<string>): string {
  const label = offcutLabel(parent, isTaken);
  labels.add(label.toLowerCase());
  return label;
}

/**
 * Breaks a sheet as it was laid out, as far as its pieces ask for. The largest part from which pieces are still to be cut
 * stays under the sheet's own label; all other parts that are worth keeping become offcuts with labels of their own.
 */
function takeAsLaid(
  state: Reader,
  item: StockRow,
  glasses: readonly OneGlass[],
  lost: readonly OneGlass[],
  labelFor: (parent: string) => string,
): Taking | { refusal: Refusal } {
  const all = [...glasses, ...lost];
  const strange = all.filter(({ spot }) => spot?.stockId !== item.id);
  if (strange.length > 0 || item.breaks === null)
    return refuse('not-laid', { numbers: numbersOf(strange.length > 0 ? strange : all), name: item.id });
  const laid = laidOn(state, item.id).map(({ id, spot }) => ({ id, at: spot.at }));
  const wanted = new Set<string>(all.map(({ id }) => id));
  const out = cutOut(shapeLeft(item).outline, item.breaks, laid, wanted, limitsOf(state).keepMm);
  if (typeof out === 'string') return refuse('not-laid', { numbers: numbersOf(all), name: item.id });
  const share = worthOf(item);
  const [first] = out.kept;
  const staysOn = first !== undefined && first.pieceIds.length > 0 ? first : null;
  const rounded = roundedTaking(item.areaMm2, all, out.kept);
  if (rounded === null)
    return refuse('not-enough', { name: item.id, haveMm2: item.areaMm2, wantMm2: areaOf(all) + sumOf(out.kept) });
  const { piecesMm2, parts } = rounded;
  const left = out.kept.map((part, i) => ({ ...shapedPart(part, item), areaMm2: nth(parts, i) }));
  const staysMm2 = staysOn ? nth(parts, 0) : 0;
  const restMm2 = parts.reduce((sum, mm2) => sum + mm2, 0);
  const lostMm2 = areaOf(lost);
  return {
    ...takenFrom(item, glasses),
    piecesMm2: piecesMm2 - lostMm2,
    wasteMm2: item.areaMm2 - piecesMm2 - restMm2 + lostMm2,
    staysMm2,
    costCents: Math.round(share * staysMm2),
    stays: staysOn ? shapedPart(staysOn, item) : null,
    offcuts: (staysOn ? left.slice(1) : left).map((part) => ({
      ...part,
      label: labelFor(item.id),
      costCents: Math.round(share * part.areaMm2),
    })),
    asLaid: true,
  };
}

const sumOf = (parts: readonly PartKept[]): number => Math.round(parts.reduce((sum, part) => sum + mm2Of(part), 0));
const mm2Of = ({ outline }: Pick<PartKept, 'outline'>): number => Math.abs(signedArea(outline));

/**
 * What is taken and what is left, in whole mm². Pieces that touch fill a sheet to the last mm², so that what rounding made
 * too much is taken off the largest part, or off the pieces where no part is left.
 * @returns null where there is more of both than of the sheet, by more than rounding
 */
function roundedTaking(
  sheetMm2: number,
  glasses: readonly OneGlass[],
  kept: readonly PartKept[],
): { readonly piecesMm2: number; readonly parts: readonly number[] } | null {
  const piecesMm2 = areaOf(glasses);
  const parts = kept.map((part) => Math.round(mm2Of(part)));
  const over = piecesMm2 + parts.reduce((sum, mm2) => sum + mm2, 0) - sheetMm2;
  if (over <= 0) return { piecesMm2, parts };
  const most = Math.max(...parts, 0);
  // What is known of a sheet's area may be less than its outline has, by corners that are knocked off.
  if (most > over && over <= ROUNDING_SHARE * most)
    return { piecesMm2, parts: parts.map((mm2, i) => (i === parts.indexOf(most) ? mm2 - over : mm2)) };
  // Each number was rounded by half a mm² at the most.
  return over <= (glasses.length + parts.length + 1) / 2 ? { piecesMm2: piecesMm2 - over, parts } : null;
}
const ROUNDING_SHARE = 0.01;

function shapedPart({ outline, breaks, pieceIds }: PartKept, item: StockRow) {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  return {
    widthMm: maxX - minX,
    heightMm: maxY - minY,
    outline,
    flaws: item.flaws.filter((flaw) => shapeFault(outline, [flaw]) === null),
    breaks: pieceIds.length > 0 ? breaks : null,
    pieces: pieceIds,
  };
}

/** What new glass, cut to the present outline, does away with. */
export const NEW_GLASS = { recheck: false, tooSmall: false, glassMm2: null } as const;

/** Pieces whose glass was cut to another outline than the drawing has now. */
export const cutToOtherOutline = (pieces: readonly PieceRow[]): PieceRowId[] =>
  pieces.filter((p) => p.recheck || p.tooSmall || p.glassMm2 !== null).map((p) => p.id);

/** A label is taken whatever case it is written in: b7 and B7 are one to whoever reads them. */
export const isLabelTaken = (state: Reader, label: string): boolean =>
  [...state.ask('stockWithLabel', label.toLowerCase())].length > 0;

/**
 * Enters one taking into the ledger: pieces, offcuts and waste leave the sheet, offcuts come onto the rack.
 * @param notes what went to waste, where it is more than what is left over; which glass of its pieces was taken
 */
export function applyTaking(
  draft: Draft,
  panelId: string,
  taking: Taking,
  now: Circumstance,
  notes: { readonly waste?: string; readonly pieces?: string } = {},
): void {
  const { stockId, glassId, place } = taking;
  let balanceMm2 = taking.beforeMm2;
  const enter = (on: string, kind: 'pieces' | 'offcut' | 'waste', deltaMm2: number, after: number, note: string) => {
    if (deltaMm2 === 0) return;
    const id = `${now.seq}.${stockId}.${kind}.${on}`;
    const numbers = kind === 'pieces' ? taking.numbers : [];
    draft.put('moves', {
      id,
      seq: now.seq,
      at: now.at,
      stockId: on,
      kind,
      deltaMm2,
      balanceMm2: after,
      panelId,
      numbers,
      note,
    });
  };
  balanceMm2 -= taking.piecesMm2;
  enter(stockId, 'pieces', -taking.piecesMm2, balanceMm2, notes.pieces ?? '');
  // Where two offcuts leave one sheet, its own entry is one sum: entries of a sheet are told apart by kind.
  const off = taking.offcuts.reduce((sum, o) => sum + o.areaMm2, 0);
  balanceMm2 -= off;
  enter(stockId, 'offcut', -off, balanceMm2, taking.offcuts.map((o) => o.label).join(', '));
  balanceMm2 -= taking.wasteMm2;
  enter(stockId, 'waste', -taking.wasteMm2, balanceMm2, notes.waste ?? '');
  const { rootId = stockId, keptFor = null } = draft.get('stock', stockId) ?? {};
  for (const { label, areaMm2, pieces, ...rest } of taking.offcuts) {
    const own = { id: label, rootId: rest.outline === null ? label : rootId, parentId: stockId, keptFor, gone: null };
    draft.put('stock', { ...own, glassId, kind: 'offcut', areaMm2, place, ...rest });
    enter(label, 'offcut', areaMm2, areaMm2, `from ${stockId}`);
    moveSpots(draft, pieces, label);
  }
  if (!taking.asLaid) liftFrom(draft, stockId);
  const { pieces: _, ...stays } = taking.stays ?? {
    ...(taking.asLaid || taking.staysMm2 === 0 ? NO_SHAPE : {}),
    pieces: [],
  };
  draft.patch('stock', stockId, {
    areaMm2: taking.staysMm2,
    costCents: taking.costCents,
    gone: taking.staysMm2 === 0 ? 'used up' : null,
    ...stays,
    ...(taking.asLaid ? {} : { breaks: null }),
  });
}
