import { signedArea } from '../geometry/index.ts';
import { barePart, partsOf } from './bed.ts';
import { areaOf, leastWidth } from './convex.ts';
import { firstPlace, goesIn } from './goesIn.ts';
import { Layouter } from './layout.ts';
import { mayHold, type Part } from './part.ts';
import { outlineWhereItLies } from '../stock/index.ts';
import { movedMakeup, shapeOfPiece, type Shape } from './shape.ts';
import type { Layout, LayoutJob, LayoutPiece, LayoutSheet } from './types.ts';

/** By what one piece is laid on one sheet. */
export type OneLaidBy = Pick<LayoutJob, 'marginMm' | 'edgeMm' | 'keepMm'>;

/** Steps after which one piece on one sheet lies as well as it will. */
const STEPS = 24;
/** A hull may be this much wider than a room at most, mm: rounding. */
const HAIR_MM = 1e-6;

/**
 * Which sheets and offcuts take a piece, as its flow runs: the smallest that do first, offcuts before whole sheets.
 * A part that is too small, too narrow or too short for it is passed over without a try.
 */
export function takersOfPiece(piece: LayoutPiece, sheets: readonly LayoutSheet[], by: OneLaidBy): LayoutSheet[] {
  const shape = shapeOfPiece(piece, 0, false);
  const takes = sheets.filter((sheet, i) =>
    partsOf(barePart(sheet, i, by.edgeMm, by.marginMm)).some((part) => isTaken(shape, part)),
  );
  const mm2 = new Map(takes.map((sheet) => [sheet, Math.abs(signedArea(sheet.outline))]));
  const of = (sheet: LayoutSheet) => mm2.get(sheet) ?? 0;
  return takes.sort((a, b) => Number(b.offcut) - Number(a.offcut) || of(a) - of(b) || a.id.localeCompare(b.id));
}

function isTaken(shape: Shape, part: Part): boolean {
  const { room } = part;
  if (room.length === 0 || !mayHold(areaOf(room), shape.hullMm2, HAIR_MM)) return false;
  if (leastWidth(room) < shape.leastMm - HAIR_MM || diameterOf(room) < diameterOf(shape.hull) - HAIR_MM) return false;
  return goesIn(shape, part, HAIR_MM);
}

/** The longest way across a polygon, mm. */
function diameterOf(poly: readonly number[]): number {
  let most = 0;
  for (let i = 0; i < poly.length; i += 2) {
    for (let j = i + 2; j < poly.length; j += 2) {
      most = Math.max(most, Math.hypot((poly[i] ?? 0) - (poly[j] ?? 0), (poly[i + 1] ?? 0) - (poly[j + 1] ?? 0)));
    }
  }
  return most;
}

/** One piece laid on one sheet so that the largest rest goes back, with its breaks; null where it does not go in. */
export function layOn(piece: LayoutPiece, sheet: LayoutSheet, by: OneLaidBy): Layout | null {
  const search = new Layouter({ ...by, pieces: [piece], sheets: [sheet] }, { seed: 1, prefersUse: true });
  search.run(STEPS);
  const best = search.best();
  return best.placements.length === 1 ? best : whereItJustGoes(piece, sheet, by);
}

/** A piece on a sheet that it fills so nearly that nothing is broken off but the waste round it. */
function whereItJustGoes(piece: LayoutPiece, sheet: LayoutSheet, by: OneLaidBy): Layout | null {
  const [part, ...others] = partsOf(barePart(sheet, 0, by.edgeMm, by.marginMm));
  const shape = shapeOfPiece(piece, 0, false);
  const laid = part === undefined || others.length > 0 ? null : firstPlace(shape, part, HAIR_MM);
  if (laid === null) return null;
  const makeup = movedMakeup(shape.makeup, laid.turn, laid.dx, laid.dy);
  if (makeup.kind !== 'piece') return null;
  const rotationDeg = ((((makeup.turn * 180) / Math.PI) % 360) + 360) % 360;
  const where = { turnedOver: piece.turnOver, rotationDeg, x: makeup.dx, y: makeup.dy };
  const outline = outlineWhereItLies(piece.outline, where);
  const glassConsumedMm2 = Math.abs(signedArea(sheet.outline));
  return {
    placements: [{ pieceId: piece.id, sheetId: sheet.id, rotationDeg, turnedOver: piece.turnOver, outline }],
    unplaced: [],
    breaks: [],
    offcuts: [],
    use: Math.abs(signedArea(outline)) / glassConsumedMm2,
    glassConsumedMm2,
  };
}
