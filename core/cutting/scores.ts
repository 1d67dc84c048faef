import { TOLERANCE, type Limits } from '../limits/index.ts';
import { lastOf, pointAt, numberAt } from '../units/index.ts';
import { perimeter, signedArea, type Point, type Ring } from '../geometry/index.ts';
import { turnAt } from './ringShape.ts';

/** A border turns by more than this at the end of a score, radians (30°). */
const CORNER_RAD = 0.52;
const CORNER_OVER_MM = 1.5;
/** A wide curve takes deeper slices rather than more than this. */
const MOST_RUNS = 6;
/** 4π·area/perimeter² of a circle is 1. */
const ROUND = 0.93;

export type ScoreKind = 'inside' | 'straight' | 'outside' | 'round';

/** One score of the cutter, in the order to take it. */
export interface Score {
  readonly kind: ScoreKind;
  /** Along the cut outline. */
  readonly points: readonly Point[];
  /** How many scores are run out one after the other until the border is reached. */
  readonly passes: number;
  /** Scores into the waste first: the slices of an inside curve, the spokes round a circle. */
  readonly reliefs: readonly (readonly Point[])[];
}

/**
 * The order in which a piece is scored: inside curves first and the deepest of them before all, while there is
 * still glass round them to hold; then straight sides, longest first; outside curves last (common practice).
 * @param ring outer ring of the cut outline, clockwise as seen
 */
export function scoreOrder(ring: Ring, { sliceMm }: Pick<Limits, 'sliceMm'>): Score[] {
  const corners = ring.map((_, i) => i).filter((i) => isCorner(ring, i));
  const area = Math.abs(signedArea(ring));
  const round = (4 * Math.PI * area) / perimeter(ring) ** 2;
  if (corners.length === 0 && round > ROUND)
    return [{ kind: 'round', points: [...ring, pointAt(ring, 0)], passes: 1, reliefs: spokes(ring, area) }];
  const starts = corners.length > 0 ? corners : [0];
  const sides = starts.flatMap((from, k) => {
    const to = numberAt(starts, (k + 1) % starts.length);
    return byBend(walk(ring, from, to === from ? from + ring.length : to));
  });
  const rank: Readonly<Record<ScoreKind, number>> = { inside: 0, straight: 1, outside: 2, round: 3 };
  return sides
    .map((points) => ({ score: toScore(points, sliceMm), depth: Math.abs(bend(points)), mm: length(points) }))
    .sort(
      (a, b) =>
        rank[a.score.kind] - rank[b.score.kind] || (a.score.kind === 'inside' ? b.depth - a.depth : b.mm - a.mm),
    )
    .map(({ score }) => score);
}

/** A corner is the vertex that turns most within a few of its neighbours. */
function isCorner(ring: Ring, i: number): boolean {
  const here = Math.abs(turnAt(ring, i, CORNER_OVER_MM));
  if (here < CORNER_RAD) return false;
  const n = ring.length;
  for (let step = 1; step < n; step++) {
    const before = (i - step + n) % n;
    const after = (i + step) % n;
    const near = [before, after].filter((k) => distance(pointAt(ring, k), pointAt(ring, i)) < CORNER_OVER_MM);
    if (near.length === 0) return true;
    for (const k of near) {
      const there = Math.abs(turnAt(ring, k, CORNER_OVER_MM));
      if (there > here || (there === here && k < i)) return false;
    }
  }
  return true;
}

const distance = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(bx - ax, by - ay);

function walk(ring: Ring, from: number, to: number): Point[] {
  const points: Point[] = [];
  const end = to > from ? to : to + ring.length;
  for (let k = from; k <= end; k++) points.push(pointAt(ring, k % ring.length));
  return points;
}

/** An S-curve is two scores in the mind: it is cut where its bend changes. */
function byBend(points: readonly Point[]): Point[][] {
  if (Math.abs(bend(points)) > TOLERANCE.straightScoreMm * 4 || points.length < 6) return [[...points]];
  const [first, last] = [pointAt(points, 0), lastOf(points)];
  const sides = points.map((p) => offset(p, first, last));
  const most = Math.max(...sides);
  const least = Math.min(...sides);
  if (most < TOLERANCE.straightScoreMm * 2 || least > -TOLERANCE.straightScoreMm * 2) return [[...points]];
  const from = Math.min(sides.indexOf(most), sides.indexOf(least));
  const to = Math.max(sides.indexOf(most), sides.indexOf(least));
  let cut = from;
  for (let k = from; k <= to; k++) if (Math.abs(numberAt(sides, k)) < Math.abs(numberAt(sides, cut))) cut = k;
  return [points.slice(0, cut + 1), points.slice(cut)].filter((part) => part.length >= 2);
}

/** Signed distance from the chord: positive where the border bulges out, y down and clockwise as seen. */
function offset([px, py]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const mm = Math.hypot(bx - ax, by - ay) || 1;
  return -((bx - ax) * (py - ay) - (by - ay) * (px - ax)) / mm;
}

/** The deepest departure from the chord, positive outwards, mm. */
function bend(points: readonly Point[]): number {
  const [first, last] = [pointAt(points, 0), lastOf(points)];
  return points.reduce((best, p) => {
    const d = offset(p, first, last);
    return Math.abs(d) > Math.abs(best) ? d : best;
  }, 0);
}

function length(points: readonly Point[]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) sum += distance(pointAt(points, i - 1), pointAt(points, i));
  return sum;
}

function toScore(points: readonly Point[], sliceMm: number): Score {
  const depth = bend(points);
  if (Math.abs(depth) <= TOLERANCE.straightScoreMm) return { kind: 'straight', points, passes: 1, reliefs: [] };
  if (depth > 0) return { kind: 'outside', points, passes: 1, reliefs: [] };
  const passes = Math.min(MOST_RUNS, Math.max(1, Math.ceil(-depth / sliceMm)));
  return { kind: 'inside', points, passes, reliefs: slices(points, passes) };
}

/** The shallower curves before the last one: between the chord over the mouth and the border. */
function slices(points: readonly Point[], passes: number): Point[][] {
  const [first, last] = [pointAt(points, 0), lastOf(points)];
  const mm = distance(first, last) || 1;
  const along = ([x, y]: Point) => ((x - first[0]) * (last[0] - first[0]) + (y - first[1]) * (last[1] - first[1])) / mm;
  return Array.from({ length: passes - 1 }, (_, k) => {
    const share = (k + 1) / passes;
    return points.map(([x, y]): Point => {
      const t = along([x, y]) / mm;
      const [cx, cy] = [first[0] + (last[0] - first[0]) * t, first[1] + (last[1] - first[1]) * t];
      return [cx + (x - cx) * share, cy + (y - cy) * share];
    });
  });
}

/** Six scores from the circle out to the edge of its blank, each leaving the circle at a slant so as not to run in. */
function spokes(ring: Ring, area: number): Point[][] {
  const radius = Math.sqrt(area / Math.PI);
  const [mx, my] = [ring.reduce((s, p) => s + p[0], 0) / ring.length, ring.reduce((s, p) => s + p[1], 0) / ring.length];
  return Array.from({ length: 6 }, (_, k) => {
    const a = (k * Math.PI) / 3;
    const b = a + 0.5;
    return [
      [mx + (radius + 0.5) * Math.cos(a), my + (radius + 0.5) * Math.sin(a)],
      [mx + radius * 1.45 * Math.cos(b), my + radius * 1.45 * Math.sin(b)],
    ];
  });
}
