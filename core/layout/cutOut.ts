import { contains, signedArea, type Point, type Ring } from '../geometry/index.ts';
import type { StraightBreak } from '../stock/index.ts';
import { crossesPart, splitRing } from './breaking.ts';
import { areaOf, holdsSquare, hullOf } from './convex.ts';

/** A piece that lies on a sheet: a point well inside it tells in which part it is. */
export interface LaidPiece {
  readonly id: string;
  readonly at: Point;
}

/** A part that goes back onto the rack: with pieces still to cut out of it, and the breaks that will do so, or without. */
export interface PartKept {
  readonly outline: Ring;
  readonly pieceIds: readonly string[];
  readonly breaks: readonly StraightBreak[];
}

export interface CutOut {
  /** Those with pieces first, then the largest first. */
  readonly kept: readonly PartKept[];
  /** How many breaks are made for it. */
  readonly made: number;
}

export type CutOutFault = 'break-off-part' | 'not-apart';

interface OpenPart {
  readonly ring: Ring;
  readonly laid: readonly LaidPiece[];
  readonly breaks: StraightBreak[];
}

const middleOf = ({ from, to }: StraightBreak): Point => [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];

/** Angles at which a square is looked for in what is left. */
const SQUARE_TURNS = 90;

/**
 * A sheet broken so far that some of what is laid out on it is out: only the breaks that lead to those pieces are made.
 * @param wanted ids of the pieces that are cut
 * @param keepMm a part without a piece goes back where it holds a square of this side
 */
export function cutOut(
  outline: Ring,
  breaks: readonly StraightBreak[],
  laid: readonly LaidPiece[],
  wanted: ReadonlySet<string>,
  keepMm: number,
): CutOut | CutOutFault {
  let parts: OpenPart[] = [{ ring: outline, laid, breaks: [] }];
  let made = 0;
  for (const one of breaks) {
    const middle = middleOf(one);
    const part = parts.find(({ ring }) => contains(ring, middle));
    if (part === undefined) return 'break-off-part';
    if (!part.laid.some(({ id }) => wanted.has(id))) {
      part.breaks.push(one);
      continue;
    }
    if (!crossesPart(part.ring, one)) return 'break-off-part';
    made++;
    const sides = splitRing(part.ring, one).map((ring): OpenPart => ({
      ring,
      laid: part.laid.filter(({ at }) => contains(ring, at)),
      breaks: [],
    }));
    parts = [...parts.filter((other) => other !== part), ...sides];
  }
  const kept: PartKept[] = [];
  for (const { ring, laid: inIt, breaks: left } of parts) {
    const cut = inIt.filter(({ id }) => wanted.has(id));
    if (cut.length > 0) {
      if (inIt.length > 1) return 'not-apart';
    } else if (inIt.length > 0) kept.push({ outline: ring, pieceIds: inIt.map(({ id }) => id), breaks: left });
    else if (isKept(ring, keepMm)) kept.push({ outline: ring, pieceIds: [], breaks: [] });
  }
  const mm2 = (part: PartKept) => Math.abs(signedArea(part.outline));
  kept.sort((a, b) => Math.sign(b.pieceIds.length) - Math.sign(a.pieceIds.length) || mm2(b) - mm2(a));
  return { kept, made };
}

/** Whether a part without a piece is worth keeping. The test for a square is one for convex parts. */
export function isKept(ring: Ring, keepMm: number): boolean {
  const hull = hullOf(ring);
  return areaOf(hull) - Math.abs(signedArea(ring)) < 1 && holdsSquare(hull, keepMm, SQUARE_TURNS);
}

/** Whether the breaks of a sheet can be made one after the other and leave at most one piece in each part. */
export function planFault(
  outline: Ring,
  breaks: readonly StraightBreak[],
  laid: readonly LaidPiece[],
): CutOutFault | 'off-sheet' | null {
  if (laid.some(({ at }) => !contains(outline, at))) return 'off-sheet';
  const done = cutOut(outline, breaks, laid, new Set(laid.map(({ id }) => id)), 1);
  return typeof done === 'string' ? done : null;
}
