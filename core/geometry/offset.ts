import { UNITS_PER_MM } from './arrangement.ts';
import { pointAt } from '../units/index.ts';
import { Clipper, EndType, FillRule, JoinType, type Paths64 } from 'clipper2-ts';
import { signedArea, type Point, type Ring } from './ring.ts';

/** Mitres longer than this many offsets are bevelled; glass points sharper than 29° do not need more. */
const MITRE_LIMIT = 4;

const toPaths = (rings: readonly Ring[]): Paths64 =>
  rings.map((ring) => ring.map(([x, y]) => ({ x: Math.round(x * UNITS_PER_MM), y: Math.round(y * UNITS_PER_MM) })));

const fromPaths = (paths: Paths64): Ring[] =>
  paths.map((path) => path.map(({ x, y }): Point => [Number(x) / UNITS_PER_MM, Number(y) / UNITS_PER_MM]));

/** Outer rings positive, holes negative: what Clipper expects, and what we promise back. */
function orient(rings: readonly Ring[]): Ring[] {
  return rings.map((ring, i) => (signedArea(ring) > 0 === (i === 0) ? ring : [...ring].reverse()));
}

/**
 * Moves every edge of one region (outer ring first, then holes) inwards by `byMm`, corners mitred.
 * @returns the rings that are left: none when the region vanishes, several outer ones when it splits.
 */
export function insetRegion(rings: readonly Ring[], byMm: number): Ring[] {
  if (byMm === 0) return orient(rings);
  const oriented = orient(rings).filter((ring) => ring.length >= 3);
  try {
    return fromPaths(
      Clipper.inflatePaths(toPaths(oriented), -byMm * UNITS_PER_MM, JoinType.Miter, EndType.Polygon, MITRE_LIMIT),
    );
  } catch {
    // The library throws where an offset edge collapses onto one grid point: a strip along the border does the same.
    return cutAway(
      oriented,
      oriented.map((ring) => ({ points: [...ring, pointAt(ring, 0)], halfMm: byMm })),
    );
  }
}

export interface Strip {
  readonly points: Ring;
  /** Half the strip's width in mm. */
  readonly halfMm: number;
}

/**
 * The region less a strip along each given open line: what is left lies at least `halfMm` from every line.
 * Where edges of one piece move in by different amounts this is the mitred inset.
 */
export function cutAway(rings: readonly Ring[], strips: readonly Strip[]): Ring[] {
  const widths = new Map<number, Ring[]>();
  for (const { points, halfMm } of strips) {
    if (halfMm > 0) widths.set(halfMm, [...(widths.get(halfMm) ?? []), points]);
  }
  const clip: Paths64 = [];
  for (const [half, lines] of widths) {
    const grown = Clipper.inflatePaths(toPaths(lines), half * UNITS_PER_MM, JoinType.Round, EndType.Round);
    for (const path of grown) clip.push(path);
  }
  if (clip.length === 0) return orient(rings);
  return fromPaths(Clipper.difference(toPaths(orient(rings)), clip, FillRule.NonZero));
}

/**
 * The outer contours of regions that lie next to each other with gaps: grown by `byMm` until they run together,
 * then drawn in again by `backMm`.
 * @param rings outer rings and holes, each wound as its region says (holes the other way round)
 */
export function closeGaps(rings: readonly Ring[], byMm: number, backMm: number): Ring[] {
  const grown = Clipper.inflatePaths(
    Clipper.union(toPaths(rings), FillRule.NonZero),
    byMm * UNITS_PER_MM,
    JoinType.Miter,
    EndType.Polygon,
    MITRE_LIMIT,
  );
  return fromPaths(Clipper.inflatePaths(grown, -backMm * UNITS_PER_MM, JoinType.Miter, EndType.Polygon, MITRE_LIMIT));
}

/** What two regions have in common; each is rings as this file returns them. */
export function intersection(a: readonly Ring[], b: readonly Ring[]): Ring[] {
  return fromPaths(Clipper.intersect(toPaths(a), toPaths(b), FillRule.NonZero));
}

/** Total area in mm² of rings as this file returns them (holes count negative). */
export function areaOfRings(rings: readonly Ring[]): number {
  return Math.abs(rings.reduce((sum, ring) => sum + signedArea(ring), 0));
}
