import type { StockItem } from './types.ts';

/** What the bench says is left of a sheet after pieces were cut from it. */
export type Left =
  /** The rest stays on the sheet, all of it or as a piece of the given measures; what is missing is waste. */
  | { readonly kind: 'stays'; readonly widthMm?: number; readonly heightMm?: number }
  /** The sheet is used up; these offcuts go to the rack, the rest is waste. */
  | {
      readonly kind: 'offcuts';
      readonly offcuts: readonly { readonly widthMm: number; readonly heightMm: number; readonly label?: string }[];
    }
  | { readonly kind: 'waste' }
  /** It is broken as laid out: parts with pieces still to cut, and offcuts, go back with their true outline. */
  | { readonly kind: 'laid' };

/** What somebody measured, in contrast to what follows from a layout. */
export type LeftAsMeasured = Exclude<Left, { readonly kind: 'laid' }>;

export type TakeRefusal =
  | { readonly code: 'not-enough'; readonly stockId: string; readonly haveMm2: number; readonly wantMm2: number }
  | { readonly code: 'left-too-large'; readonly stockId: string; readonly haveMm2: number; readonly wantMm2: number };

/** How a sheet's area divides. Whole mm²; `beforeMm2 = piecesMm2 + Σ offcuts + wasteMm2 + staysMm2` always. */
export interface Division {
  readonly beforeMm2: number;
  readonly piecesMm2: number;
  readonly offcutsMm2: readonly number[];
  readonly wasteMm2: number;
  readonly staysMm2: number;
}

/** Divides an item among pieces and what is left, to the square millimetre, or says why it does not go. */
export function divide(
  item: Pick<StockItem, 'id' | 'areaMm2'>,
  piecesMm2: number,
  left: LeftAsMeasured,
): Division | TakeRefusal {
  const beforeMm2 = item.areaMm2;
  const rest = beforeMm2 - piecesMm2;
  if (rest < 0) return { code: 'not-enough', stockId: item.id, haveMm2: beforeMm2, wantMm2: piecesMm2 };
  if (left.kind === 'waste') return { beforeMm2, piecesMm2, offcutsMm2: [], wasteMm2: rest, staysMm2: 0 };
  if (left.kind === 'stays') {
    const staysMm2 =
      left.widthMm !== undefined && left.heightMm !== undefined ? Math.round(left.widthMm * left.heightMm) : rest;
    if (staysMm2 > rest) return { code: 'left-too-large', stockId: item.id, haveMm2: rest, wantMm2: staysMm2 };
    return { beforeMm2, piecesMm2, offcutsMm2: [], wasteMm2: rest - staysMm2, staysMm2 };
  }
  const offcutsMm2 = left.offcuts.map((o) => Math.round(o.widthMm * o.heightMm));
  const sum = offcutsMm2.reduce((a, b) => a + b, 0);
  if (sum > rest) return { code: 'left-too-large', stockId: item.id, haveMm2: rest, wantMm2: sum };
  return { beforeMm2, piecesMm2, offcutsMm2, wasteMm2: rest - sum, staysMm2: 0 };
}

/** The next free label for an offcut of `parent`: B7 → B7-1, B7-2 …; an offcut of an offcut counts on with its sheet. */
export function offcutLabel(parent: string, taken: (label: string) => boolean): string {
  const root = /^(.*)-\d+$/.exec(parent)?.[1] ?? parent;
  let n = 1;
  while (taken(`${root}-${n}`)) n++;
  return `${root}-${n}`;
}
