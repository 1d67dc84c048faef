import { TOLERANCE } from '../limits/index.ts';
import { floatAt, lastOf, nth, numberAt, pointAt } from '../units/index.ts';
import { centroid, depthsInHull, thinLine, type Point, type Ring } from '../geometry/index.ts';
import { turnAt } from './ringShape.ts';

/** A border turns by more than this at the end of a score, radians (30°). */
const CORNER_RAD = 0.52;
const CORNER_OVER_MM = 1.5;
/** A hand does not follow an outside curve further round than this in one score, radians. */
const MOST_ARC_RAD = 2;

export type SideKind = 'inside' | 'straight' | 'outside';

/** A stretch of a piece's border that is taken with one score. */
export interface Side {
  readonly kind: SideKind;
  readonly points: readonly Point[];
  /** How far it leaves the chord between its ends, mm. */
  readonly bendMm: number;
  /** How far it reaches in from what goes straight over all bays of the piece, mm. */
  readonly depthMm: number;
  readonly lengthMm: number;
}

/**
 * The border once round, parted where a score ends: at every corner that points outwards, and where a bend changes its
 * sense. What lies between two such places and bends inwards anywhere is an inside bend, also when it is two straight
 * lines that form a notch. An outside curve is parted so that none turns by much more than a right angle.
 * @param given outer ring of the cut outline, clockwise as seen
 */
export function sidesOf(given: Ring): Side[] {
  const ring = fromFurthest(given);
  const n = ring.length;
  const bends = bendsOf(ring);
  const cuts = new Set<number>(ring.map((_, i) => i).filter((i) => isCorner(ring, i)));
  bends.forEach((here, k) => {
    const next = nth(bends, (k + 1) % bends.length);
    if (here.inwards === next.inwards) return;
    const [outer, inner] = here.inwards ? [next.at, here.at] : [here.at, next.at];
    if (!cuts.has(outer)) cuts.add(between(ring, here.at, next.at) ?? outer);
    else if (cuts.has(inner)) cuts.delete(inner);
  });
  const ends = [...cuts].sort((a, b) => a - b);
  if (ends.length === 0) ends.push(0);
  const depths = depthsInHull(ring);
  const inwards = new Set(bends.filter((b) => b.inwards).map((b) => b.at));
  return ends.flatMap((from, k) => {
    const next = numberAt(ends, (k + 1) % ends.length);
    const to = next > from ? next : next + n;
    const points = Array.from({ length: to - from + 1 }, (_, i) => pointAt(ring, (from + i) % n));
    const depthMm = points.reduce((most, _, i) => Math.max(most, floatAt(depths, (from + i) % n)), 0);
    const bendsIn = points.some((_, i) => i > 0 && i < to - from && inwards.has((from + i) % n));
    return bendsIn ? [sideOf(points, 'inside', depthMm)] : arcs(points).map((arc) => sideOf(arc, 'outside', depthMm));
  });
}

function sideOf(points: readonly Point[], kind: 'inside' | 'outside', depthMm: number): Side {
  const bendMm = bendOf(points);
  return {
    kind: bendMm <= TOLERANCE.straightScoreMm ? 'straight' : kind,
    points,
    bendMm,
    depthMm,
    lengthMm: lengthOf(points),
  };
}

/** The same ring from its point furthest from the middle, which no thinning takes away wrongly. */
function fromFurthest(ring: Ring): Ring {
  const [mx, my] = centroid([ring]);
  const far = ([x, y]: Point) => (x - mx) ** 2 + (y - my) ** 2;
  const first = ring.reduce((best, p, i) => (far(p) > far(pointAt(ring, best)) ? i : best), 0);
  return [...ring.slice(first), ...ring.slice(0, first)];
}

interface Bend {
  readonly at: number;
  readonly inwards: boolean;
}

/** Where the border bends, and which way, as the hand sees it: what leaves a straight line by less is no bend. */
function bendsOf(ring: Ring): Bend[] {
  const indexOf = new Map(ring.map((p, i) => [p, i]));
  const coarse = thinLine([...ring, pointAt(ring, 0)], TOLERANCE.straightScoreMm * 0.75).slice(0, -1);
  return coarse.map((point, k): Bend => {
    const [ax, ay] = pointAt(coarse, (k + coarse.length - 1) % coarse.length);
    const [bx, by] = point;
    const [cx, cy] = pointAt(coarse, (k + 1) % coarse.length);
    return { at: indexOf.get(point) ?? 0, inwards: (bx - ax) * (cy - by) - (by - ay) * (cx - bx) < 0 };
  });
}

/** The vertex nearest to half-way between two others, walking on; null where there is none between them. */
function between(ring: Ring, from: number, to: number): number | null {
  const n = ring.length;
  const steps = (to - from + n) % n;
  if (steps < 2) return null;
  const walked = [0];
  for (let s = 1; s <= steps; s++)
    walked.push(lastOf(walked) + distance(pointAt(ring, (from + s - 1) % n), pointAt(ring, (from + s) % n)));
  const half = lastOf(walked) / 2;
  let best = 1;
  for (let s = 2; s < steps; s++)
    if (Math.abs(numberAt(walked, s) - half) < Math.abs(numberAt(walked, best) - half)) best = s;
  return (from + best) % n;
}

/** An outward corner is the vertex that turns most within a few of its neighbours. */
function isCorner(ring: Ring, i: number): boolean {
  const here = turnAt(ring, i, CORNER_OVER_MM);
  if (here < CORNER_RAD) return false;
  const n = ring.length;
  for (let step = 1; step < n; step++) {
    const before = (i - step + n) % n;
    const after = (i + step) % n;
    const near = [before, after].filter((k) => distance(pointAt(ring, k), pointAt(ring, i)) < CORNER_OVER_MM);
    if (near.length === 0) return true;
    for (const k of near) {
      const there = turnAt(ring, k, CORNER_OVER_MM);
      if (there > here || (there === here && k < i)) return false;
    }
  }
  return true;
}

/** How an outside curve turns is asked of a line that is nowhere further from it: a traced one is all small corners. */
const TURNS_WITHIN_MM = 0.15;

/** An outside curve in equal turns. */
function arcs(points: readonly Point[]): Point[][] {
  const indexOf = new Map(points.map((p, i) => [p, i]));
  const coarse = thinLine(points, TURNS_WITHIN_MM);
  const turned = [0];
  for (let i = 1; i < coarse.length - 1; i++) {
    const [ax, ay] = pointAt(coarse, i - 1);
    const [bx, by] = pointAt(coarse, i);
    const [cx, cy] = pointAt(coarse, i + 1);
    const [ux, uy, vx, vy] = [bx - ax, by - ay, cx - bx, cy - by];
    turned.push(lastOf(turned) + Math.max(0, Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)));
  }
  const isClosed = distance(pointAt(points, 0), lastOf(points)) < 1e-9;
  const parts = Math.max(isClosed ? 3 : 1, Math.ceil(lastOf(turned) / MOST_ARC_RAD));
  const ends = [0];
  for (let part = 1; part < parts; part++) {
    const at = turned.findIndex((rad) => rad >= (lastOf(turned) * part) / parts);
    const index = at < 0 ? -1 : (indexOf.get(pointAt(coarse, at)) ?? -1);
    if (index > lastOf(ends)) ends.push(index);
  }
  ends.push(points.length - 1);
  return ends.slice(1).map((to, k) => points.slice(numberAt(ends, k), to + 1));
}

/** The furthest from the chord between the ends, or from the first point where the ends are one, mm. */
function bendOf(points: readonly Point[]): number {
  const [[ax, ay], [bx, by]] = [pointAt(points, 0), lastOf(points)];
  const mm = Math.hypot(bx - ax, by - ay);
  const away = ([x, y]: Point) =>
    mm < 1e-9 ? Math.hypot(x - ax, y - ay) : Math.abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / mm;
  return points.reduce((most, p) => Math.max(most, away(p)), 0);
}

function lengthOf(points: readonly Point[]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) sum += distance(pointAt(points, i - 1), pointAt(points, i));
  return sum;
}

const distance = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(bx - ax, by - ay);
