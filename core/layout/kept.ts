import { contains, signedArea } from '../geometry/index.ts';
import type { StraightBreak } from '../stock/index.ts';
import { hullOf } from './convex.ts';
import { cutOut, type LaidPiece } from './cutOut.ts';
import { largestRectangle } from './rectangle.ts';
import type { Layout, LayoutSheet, Placement } from './types.ts';

/** What lies on one sheet by a layout that was kept. */
export interface KeptSheet {
  readonly sheet: LayoutSheet;
  readonly breaks: readonly StraightBreak[];
  readonly placements: readonly Placement[];
  /** Of each placement, a point well inside it. */
  readonly insides: readonly LaidPiece[];
}

/** A layout that was kept, told as one that was just found: what goes back and how much is used follow from its breaks. */
export function keptLayout(sheets: readonly KeptSheet[], keepMm: number): Layout {
  const offcuts: Layout['offcuts'][number][] = [];
  let consumedMm2 = 0;
  let placedMm2 = 0;
  for (const { sheet, breaks, placements, insides } of sheets) {
    const out = cutOut(sheet.outline, breaks, insides, new Set(insides.map(({ id }) => id)), keepMm);
    const left = typeof out === 'string' ? [] : out.kept;
    for (const { outline } of left) {
      offcuts.push({ sheetId: sheet.id, outline, largestRectangle: largestRectangle(hullOf(outline)) });
      consumedMm2 -= Math.abs(signedArea(outline));
    }
    consumedMm2 += Math.abs(signedArea(sheet.outline));
    placedMm2 += placements.reduce((sum, one) => sum + Math.abs(signedArea(one.outline)), 0);
  }
  return {
    placements: sheets.flatMap((one) => one.placements),
    unplaced: [],
    breaks: sheets.flatMap(({ sheet, breaks }) => breaks.map((one) => ({ ...one, sheetId: sheet.id }))),
    offcuts,
    use: consumedMm2 > 0 ? placedMm2 / consumedMm2 : 0,
    glassConsumedMm2: consumedMm2,
  };
}

/** Which pieces are out of a sheet, alone in their part, after its first breaks. */
export function outAfter(parts: readonly { readonly outline: LayoutSheet['outline'] }[], laid: readonly LaidPiece[]) {
  return parts.flatMap(({ outline }) => {
    const inIt = laid.filter(({ at }) => contains(outline, at));
    return inIt.length === 1 ? inIt.map(({ id }) => id) : [];
  });
}
