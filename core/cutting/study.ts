import { areaOfRings, centroid, intersection, type Point } from '../geometry/index.ts';
import { TOLERANCE } from '../limits/index.ts';
import { nth } from '../units/index.ts';
import type { Cartoon, Continued } from '../cartoon/index.ts';
import { cutOutlines, type CutPiece, type LineAllowance } from '../sizing/index.ts';
import { cuttability, JUDGED_BY, type Cuttability, type CuttingLimits } from './findings.ts';

/** Cut outlines and what is hard about each, in the order of the pieces. */
export interface Study {
  readonly cuts: readonly CutPiece[];
  readonly cuttability: readonly Cuttability[];
}

/** Counts up when outlines or findings are worked out in another way. */
const STUDY_VERSION = 2;

/** What a study was made by; one that was made by anything else is made anew. */
export const studyRules = (limits: CuttingLimits): string =>
  [STUDY_VERSION, ...JUDGED_BY.map((name) => limits[name])].join(' ');

export function studyCartoon(cartoon: Cartoon, allowance: LineAllowance, limits: CuttingLimits): Study {
  const cuts = cutOutlines(cartoon, allowance);
  return { cuts, cuttability: cuts.map((cut) => cuttability(cut, limits)) };
}

/** What became of one piece between two versions of a drawing. */
export interface PieceChange {
  readonly number: number;
  /** Its number before; null for a new piece. */
  readonly was: number | null;
  /** The glass would be cut to another outline now. */
  readonly changed: boolean;
  /** The new outline reaches beyond the old one: glass cut to that is too small for it. */
  readonly grew: boolean;
}

export interface DrawingChanges {
  readonly pieces: readonly PieceChange[];
  /** Numbers of the old drawing that nothing continues. */
  readonly gone: readonly number[];
}

/**
 * What changed between an old drawing with its cut outlines and the one that follows it. The cut outline decides:
 * a wider came changes glass whose region stayed as it was.
 */
export function changesBetween(
  old: { readonly cartoon: Cartoon; readonly cuts: readonly CutPiece[] },
  next: { readonly cartoon: Cartoon; readonly continued: readonly Continued[]; readonly cuts: readonly CutPiece[] },
): DrawingChanges {
  const before = new Map(old.cuts.map((cut) => [cut.number, cut]));
  const pieces = next.cartoon.pieces.map((piece, i): PieceChange => {
    const { was, same } = nth(next.continued, i);
    const cut = nth(next.cuts, i);
    const old = was === null ? undefined : before.get(was);
    const changed = !old || !same || Math.abs(old.areaMm2 - cut.areaMm2) > TOLERANCE.sameCutMm * cut.perimeterMm;
    return { number: piece.number, was, changed, grew: changed && old !== undefined && reachesBeyond(cut, old) };
  });
  const kept = new Set(pieces.map((p) => p.was));
  return { pieces, gone: old.cartoon.pieces.map((p) => p.number).filter((n) => !kept.has(n)) };
}

/**
 * Whether an outline reaches beyond another one, laid over it as it stands or middle on middle, by more than a grinder's
 * mark all round.
 */
function reachesBeyond(now: CutPiece, old: CutPiece): boolean {
  const most = TOLERANCE.sameCutMm * now.perimeterMm;
  if (now.areaMm2 - old.areaMm2 > most) return true;
  if (now.rings.length === 0 || old.rings.length === 0) return false;
  const [[ax, ay], [bx, by]] = [centroid(now.rings), centroid(old.rings)];
  const moved = old.rings.map((ring) => ring.map(([x, y]): Point => [x + ax - bx, y + ay - by]));
  return [old.rings, moved].every((rings) => now.areaMm2 - areaOfRings(intersection(now.rings, rings)) > most);
}

/** A drawing that follows no other: every piece is new. */
export const allNew = (cartoon: Cartoon): DrawingChanges => ({
  pieces: cartoon.pieces.map((p) => ({ number: p.number, was: null, changed: true, grew: false })),
  gone: [],
});
