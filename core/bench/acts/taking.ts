import { divide, offcutLabel, type Left } from '../../stock/index.ts';
import { refuse, type Circumstance } from '../act.ts';
import type { Refusal } from '../refusals.ts';
import type { Draft } from '../studio.ts';
import type { PieceRow, PieceRowId, Reader } from '../tables.ts';

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
  /** New measures of what stays on the sheet, where they were told. */
  readonly stays: { readonly widthMm: number; readonly heightMm: number } | null;
  readonly offcuts: readonly OffcutLeft[];
  readonly place: string;
}

export interface OffcutLeft {
  readonly label: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly areaMm2: number;
  readonly costCents: number;
}

/**
 * Divides one source among its pieces, or says why that cannot be. The cost of a sheet goes with its area.
 * @param pieces in the order of the source's numbers
 * @param labels gathers the new offcuts' names, in lower case: one command may leave several
 * @param lost pieces that broke while they were cut from it: their glass leaves it too, as waste
 */
export function takeFrom(
  state: Reader,
  pieces: readonly PieceRow[],
  source: Pick<Source, 'stockId' | 'left'>,
  labels: Set<string>,
  lost: readonly PieceRow[] = [],
): Taking | { refusal: Refusal } {
  const item = state.get('stock', source.stockId);
  if (!item) return refuse('unknown-stock', { name: source.stockId });
  if (item.gone !== null) return refuse('stock-gone', { name: item.id });
  const all = [...pieces, ...lost];
  const bare = all.filter((p) => p.glassId === null);
  if (bare.length > 0) return refuse('no-glass', { numbers: bare.map((p) => p.number) });
  const other = all.filter((p) => p.glassId !== item.glassId);
  if (other.length > 0) return refuse('wrong-glass', { numbers: other.map((p) => p.number), name: item.id });
  const area = (rows: readonly PieceRow[]) => rows.reduce((sum, p) => sum + p.areaMm2, 0);
  const lostMm2 = area(lost);
  const division = divide(item, area(pieces) + lostMm2, source.left);
  if ('code' in division)
    return refuse(division.code, { name: item.id, haveMm2: division.haveMm2, wantMm2: division.wantMm2 });
  const { left } = source;
  const share = item.areaMm2 > 0 ? item.costCents / item.areaMm2 : 0;
  const offcuts: OffcutLeft[] = [];
  for (const [i, { widthMm, heightMm, label: wish }] of (left.kind === 'offcuts' ? left.offcuts : []).entries()) {
    const isTaken = (label: string) => labels.has(label.toLowerCase()) || isLabelTaken(state, label);
    if (wish !== undefined && isTaken(wish)) return refuse('label-taken', { name: wish });
    const label = wish ?? offcutLabel(item.id, isTaken);
    labels.add(label.toLowerCase());
    const areaMm2 = division.offcutsMm2[i] ?? 0;
    offcuts.push({ label, widthMm, heightMm, areaMm2, costCents: Math.round(share * areaMm2) });
  }
  return {
    stockId: item.id,
    glassId: item.glassId,
    pieces: pieces.map((p) => p.id),
    numbers: pieces.map((p) => p.number),
    beforeMm2: item.areaMm2,
    piecesMm2: division.piecesMm2 - lostMm2,
    wasteMm2: division.wasteMm2 + lostMm2,
    staysMm2: division.staysMm2,
    costCents: Math.round(share * division.staysMm2),
    stays:
      left.kind === 'stays' && left.widthMm !== undefined && left.heightMm !== undefined
        ? { widthMm: left.widthMm, heightMm: left.heightMm }
        : null,
    offcuts,
    place: item.place,
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
 * @param wasteNote what went to waste, where it is more than what is left over
 */
export function applyTaking(draft: Draft, panelId: string, taking: Taking, now: Circumstance, wasteNote = ''): void {
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
  enter(stockId, 'pieces', -taking.piecesMm2, balanceMm2, '');
  // Where two offcuts leave one sheet, its own entry is one sum: entries of a sheet are told apart by kind.
  const off = taking.offcuts.reduce((sum, o) => sum + o.areaMm2, 0);
  balanceMm2 -= off;
  enter(stockId, 'offcut', -off, balanceMm2, taking.offcuts.map((o) => o.label).join(', '));
  balanceMm2 -= taking.wasteMm2;
  enter(stockId, 'waste', -taking.wasteMm2, balanceMm2, wasteNote);
  for (const { label, areaMm2, ...rest } of taking.offcuts) {
    draft.put('stock', { id: label, glassId, kind: 'offcut', areaMm2, place, parentId: stockId, gone: null, ...rest });
    enter(label, 'offcut', areaMm2, areaMm2, `from ${stockId}`);
  }
  draft.patch('stock', stockId, {
    areaMm2: taking.staysMm2,
    costCents: taking.costCents,
    gone: taking.staysMm2 === 0 ? 'used up' : null,
    ...(taking.stays ?? {}),
  });
}
