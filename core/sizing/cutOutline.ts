import { nth, numberAt, pointAt } from '../units/index.ts';
import { pieceRings, type Cartoon, type CartoonPiece } from '../cartoon/index.ts';
import {
  areaOfRings,
  boxOf,
  cutAway,
  insetRegion,
  mitredInset,
  perimeter,
  signedArea,
  thinLine,
  thinRing,
  type MapLine,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import type { LineAllowance } from './allowance.ts';
import { innerKeeps, rimKeeps, type Keeps } from './profiles.ts';

/** How far a piece's edge lies from an inner line's middle. */
export const innerOffset = (a: LineAllowance): number => innerKeeps(a).cutMm;

/** How far it lies from the outline; see {@link rimKeeps}. */
export const outlineOffset = (a: LineAllowance): number => rimKeeps(a).cutMm;

export interface CutPiece {
  readonly number: number;
  /** Outer ring first; more than one outer ring when the offset splits the piece. Empty when it eats it. */
  readonly rings: readonly Ring[];
  readonly areaMm2: number;
  readonly perimeterMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** What the lines leave clear to look through, mm². */
  readonly daylightMm2: number;
}

/** Lines that have a piece on one side only. */
export function outerLines(cartoon: Pick<Cartoon, 'pieces' | 'map'>): ReadonlySet<number> {
  const uses = new Map<number, number>();
  for (const piece of cartoon.pieces)
    for (const ref of piece.rings.flat()) uses.set(ref < 0 ? ~ref : ref, (uses.get(ref < 0 ? ~ref : ref) ?? 0) + 1);
  return new Set([...uses].filter(([, n]) => n === 1).map(([line]) => line));
}

/** The region of one piece moved in at every line by what that line takes up. */
export function cutOutline(
  cartoon: Cartoon,
  piece: CartoonPiece,
  allowance: LineAllowance,
  outer: ReadonlySet<number> = outerLines(cartoon),
): CutPiece {
  const region = pieceRings(cartoon, piece);
  const keeps = piece.rings.flat().map((ref) => {
    const line = ref < 0 ? ~ref : ref;
    const code = cartoon.profiles?.[line] ?? null;
    return outer.has(line) ? rimKeeps(allowance, code) : innerKeeps(allowance, code);
  });
  const rings = movedIn(
    cartoon,
    piece,
    region,
    keeps.map((k) => k.cutMm),
  );
  const light = keeps.map((k) => Math.max(k.cutMm, k.daylightMm));
  const daylightMm2 = quickInsetArea(region, light) ?? areaOfRings(movedIn(cartoon, piece, region, light));
  return measured(piece.number, rings, daylightMm2);
}

/** The cut outline of a region without holes that no drawing has yet. @param keeps of each of its edges */
export function cutOfRing(number: number, ring: Ring, keeps: readonly Keeps[]): CutPiece {
  const moved = (byMm: readonly number[]): Ring[] => {
    const quick = mitredInset(ring, byMm);
    if (quick) return [quick];
    const first = byMm[0] ?? 0;
    if (byMm.every((mm) => mm === first)) return insetRegion([ring], first);
    const strips: { points: Point[]; halfMm: number }[] = [];
    ring.forEach((p, i) => {
      const halfMm = numberAt(byMm, i);
      const to = pointAt(ring, (i + 1) % ring.length);
      const open = strips.at(-1);
      if (open?.halfMm === halfMm) open.points.push(to);
      else strips.push({ points: [p, to], halfMm });
    });
    return cutAway([ring], strips);
  };
  const rings = moved(keeps.map((k) => k.cutMm));
  return measured(number, rings, areaOfRings(moved(keeps.map((k) => Math.max(k.cutMm, k.daylightMm)))));
}

function measured(number: number, rings: readonly Ring[], daylightMm2: number): CutPiece {
  const { minX, minY, maxX, maxY } = rings.length > 0 ? boxOf(rings.flat()) : { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  return {
    number,
    rings,
    areaMm2: areaOfRings(rings),
    perimeterMm: rings.reduce((sum, ring) => sum + perimeter(ring), 0),
    widthMm: maxX - minX,
    heightMm: maxY - minY,
    daylightMm2,
  };
}

/** What each edge of a piece's rings keeps off its line: of every chord of a line as much as of its line. */
export function edgeKeeps(cartoon: Cartoon, piece: CartoonPiece, allowance: LineAllowance): Keeps[][] {
  const outer = outerLines(cartoon);
  return piece.rings.map((refs) =>
    refs.flatMap((ref) => {
      const line = ref < 0 ? ~ref : ref;
      const code = cartoon.profiles?.[line] ?? null;
      const keeps = outer.has(line) ? rimKeeps(allowance, code) : innerKeeps(allowance, code);
      return Array.from({ length: lineOf(cartoon, ref).points.length - 1 }, () => keeps);
    }),
  );
}

/** A traced outline of more points is thinned before it is moved in, by far less than a grinder's mark. */
const TRACED_POINTS = 300;
const THINNED_FROM_MM = 0.005;
const THINNED_TO_MM = 0.02;
/** An outline of so many points is traced noise, not a line that somebody cuts along: there a grinder's mark will do. */
const NOISE_POINTS = 10_000;
const NOISE_TO_MM = 0.16;

/** @param byMm how far each line of the piece moves in, in the order of its rings */
function movedIn(cartoon: Cartoon, piece: CartoonPiece, drawn: readonly Ring[], byMm: readonly number[]): Ring[] {
  const first = byMm[0] ?? 0;
  const isEven = byMm.every((mm) => mm === first);
  // Where nothing moves there is nothing to be thinned for either.
  if (isEven && first === 0) return insetRegion(drawn, 0);
  const region = drawn.map((ring) =>
    thinRing(ring, TRACED_POINTS, THINNED_FROM_MM, ring.length > NOISE_POINTS ? NOISE_TO_MM : THINNED_TO_MM),
  );
  const isThinned = region.some((ring, i) => ring !== drawn[i]);
  const quick = !isThinned && region.length === 1 && mitredInset(nth(region, 0), edgeMeasures(cartoon, piece, byMm));
  if (quick) return [signedArea(quick) > 0 ? quick : [...quick].reverse()];
  if (isEven) return insetRegion(region, first);
  const strips = piece.rings.flat().map((ref, i) => ({
    points: isThinned ? thinLine(lineOf(cartoon, ref).points, THINNED_TO_MM) : lineOf(cartoon, ref).points,
    halfMm: numberAt(byMm, i),
  }));
  return cutAway(region, strips);
}

const lineOf = (cartoon: Cartoon, ref: number): MapLine => nth(cartoon.map.lines, ref < 0 ? ~ref : ref);

/** How far each edge of the outer ring moves: every chord of a line as far as its line. */
function edgeMeasures(cartoon: Cartoon, piece: CartoonPiece, byMm: readonly number[]): number[] {
  return nth(piece.rings, 0).flatMap((ref, i) => {
    const { points } = lineOf(cartoon, ref);
    return Array.from({ length: points.length - 1 }, () => numberAt(byMm, i));
  });
}

/** Below this nothing is taken for granted: an edge may vanish on the way in. */
const QUICK_LEAST_MM2 = 400;

/**
 * The area of a region drawn in evenly by d with mitred corners, as long as no edge vanishes on the way:
 * A − P·d + d²·Σ tan(turn/2), turns positive at points and negative at inside corners.
 * @returns null where the edges do not move alike, or where the region is too small or too narrow to be sure
 */
function quickInsetArea(region: readonly Ring[], byMm: readonly number[]): number | null {
  const d = byMm[0] ?? 0;
  const [ring, ...holes] = region;
  if (!ring || holes.length > 0 || byMm.some((mm) => mm !== d)) return null;
  let corners = 0;
  for (let i = 0; i < ring.length; i++) {
    const [ax, ay] = pointAt(ring, (i + ring.length - 1) % ring.length);
    const [bx, by] = pointAt(ring, i);
    const [cx, cy] = pointAt(ring, (i + 1) % ring.length);
    const turn = Math.atan2(
      (bx - ax) * (cy - by) - (by - ay) * (cx - bx),
      (bx - ax) * (cx - bx) + (by - ay) * (cy - by),
    );
    // A sharp point is bevelled or runs far in: only the offset itself tells.
    if (Math.abs(turn) > 2.6) return null;
    corners += Math.tan(turn / 2);
  }
  const area = Math.abs(signedArea(ring));
  const around = perimeter(ring);
  const inset = area - around * d + d * d * corners * Math.sign(signedArea(ring));
  return inset > QUICK_LEAST_MM2 && (2 * area) / around > 4 * d ? inset : null;
}

export function cutOutlines(cartoon: Cartoon, allowance: LineAllowance): CutPiece[] {
  const outer = outerLines(cartoon);
  return cartoon.pieces.map((piece) => cutOutline(cartoon, piece, allowance, outer));
}
