import { pointAt, numberAt } from '../units/index.ts';
import { contains, nearestOnSegment, thinLine, type Point, type Ring, poleOf } from '../geometry/index.ts';
import Flatbush from 'flatbush';

/** Corners are measured over this much of the border each way, so that the chords of a curve are no corners. */
const SHARP_OVER_MM = 2;
const INSIDE_OVER_MM = 1;

/** A tip that is cut off narrower than this is a point all the same: its sides are looked at this far from it. */
const BLUNT_MM = 1.5;
const BLUNT_FROM_MM = 1;
const FLANK_MM = 3;
const LEAST_TAPER_DEG = 3;

/** The sharpest corner of a ring walked clockwise as seen; a tip that is rounded or cut off a little counts by its sides. */
export function sharpestPoint(ring: Ring): { at: Point; degrees: number } | null {
  let best: { at: Point; degrees: number } | null = null;
  for (let i = 0; i < ring.length; i++) {
    const turn = turnAt(ring, i, SHARP_OVER_MM);
    if (turn <= 0) continue;
    const corner = 180 - (turn * 180) / Math.PI;
    const degrees = Math.min(corner, (turn > 1 && taperAt(ring, i)) || corner);
    if (!best || degrees < best.degrees) best = { at: pointAt(ring, i), degrees };
  }
  return best;
}

/** The angle between the sides of a tip that is narrow just behind its end; null where there is none at a vertex. */
function taperAt(ring: Ring, i: number): number | null {
  const [a, b] = [along(ring, i, -1, BLUNT_FROM_MM), along(ring, i, 1, BLUNT_FROM_MM)];
  if (Math.hypot(a[0] - b[0], a[1] - b[1]) > BLUNT_MM) return null;
  const [c, d] = [along(ring, i, -1, BLUNT_FROM_MM + FLANK_MM), along(ring, i, 1, BLUNT_FROM_MM + FLANK_MM)];
  const [ux, uy, vx, vy] = [a[0] - c[0], a[1] - c[1], d[0] - b[0], d[1] - b[1]];
  const degrees = 180 - (Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy) * 180) / Math.PI;
  return degrees > LEAST_TAPER_DEG && degrees < 180 ? degrees : null;
}

/** An inside corner: how tight, and where. */
export interface InsideCorner {
  readonly at: Point;
  readonly index: number;
  readonly radiusMm: number;
}

/**
 * Inside corners tighter than a radius, each once though several vertices share it, tightest first. Over an arc of
 * radius r the border turns by s/r along s; a turn of more than half a radian within a millimetre each way is a radius
 * under 2 mm.
 */
export function insideCorners(ring: Ring, mostMm: number): InsideCorner[] {
  const found: InsideCorner[] = [];
  for (let index = 0; index < ring.length; index++) {
    const turn = -turnAt(ring, index, INSIDE_OVER_MM);
    if (turn > 0.1 && INSIDE_OVER_MM / turn < mostMm)
      found.push({ at: pointAt(ring, index), index, radiusMm: INSIDE_OVER_MM / turn });
  }
  found.sort((a, b) => a.radiusMm - b.radiusMm);
  const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]) > 2 * INSIDE_OVER_MM;
  const corners: InsideCorner[] = [];
  for (const corner of found) if (corners.every((c) => apart(c.at, corner.at))) corners.push(corner);
  return corners;
}

/** How much the border turns at a vertex, radians: positive at a point, negative at an inside corner. */
export function turnAt(ring: Ring, i: number, overMm: number): number {
  const [ax, ay] = along(ring, i, -1, overMm);
  const [bx, by] = pointAt(ring, i);
  const [cx, cy] = along(ring, i, 1, overMm);
  const [ux, uy, vx, vy] = [bx - ax, by - ay, cx - bx, cy - by];
  return Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy);
}

/** The point `mm` along the ring from vertex `i`, forwards or back; once round at the most. */
export function along(ring: Ring, i: number, step: 1 | -1, mm: number): Point {
  let left = mm;
  let from = pointAt(ring, i);
  for (let k = 1; k <= ring.length; k++) {
    const to = pointAt(ring, (i + step * k + ring.length * 2) % ring.length);
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (length >= left && length > 0)
      return [from[0] + ((to[0] - from[0]) * left) / length, from[1] + ((to[1] - from[1]) * left) / length];
    left -= length;
    from = to;
  }
  return from;
}

export interface Neck {
  readonly from: Point;
  readonly to: Point;
  readonly widthMm: number;
}

/** A neck is narrow beside what hangs on it: border on both sides three times its width, and room for a circle. */
const NECK_BORDER = 3;
const NECK_CIRCLE = 1.2;
const NECK_TRIES = 12;

/**
 * The narrowest neck under `mostMm`: a chord inside the piece with glass to both sides that is wider than itself.
 * Chords run from a corner of the border to another stretch of it; a tapering point has no wider side and is none.
 */
export function narrowestNeck(whole: Ring, mostMm: number): Neck | null {
  const ring = thinLine([...whole, pointAt(whole, 0)], 0.05).slice(0, -1);
  const n = ring.length;
  if (n < 4) return null;
  const tree = new Flatbush(n);
  const walked = [0];
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = pointAt(ring, (i + 1) % n);
    tree.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
    walked.push(numberAt(walked, i) + Math.hypot(bx - ax, by - ay));
  });
  tree.finish();
  const total = numberAt(walked, n);
  const chords: (Neck & { i: number; edge: number })[] = [];
  for (let i = 0; i < n; i++) {
    const [x, y] = pointAt(ring, i);
    for (const edge of tree.search(x - mostMm, y - mostMm, x + mostMm, y + mostMm)) {
      if (edge === i || (edge + 1) % n === i) continue;
      const [a, b] = [pointAt(ring, edge), pointAt(ring, (edge + 1) % n)];
      const hit = nearestOnSegment(x, y, a[0], a[1], b[0], b[1]);
      const widthMm = Math.sqrt(hit.distSq);
      if (widthMm >= mostMm || widthMm < 1e-6) continue;
      if (!leavesInwards(ring, i, hit.x - x, hit.y - y)) continue;
      const there = numberAt(walked, edge) + Math.hypot(hit.x - a[0], hit.y - a[1]);
      const between = Math.abs(there - numberAt(walked, i));
      if (Math.min(between, total - between) < NECK_BORDER * widthMm) continue;
      if (![0.25, 0.5, 0.75].every((t) => contains(ring, [x + (hit.x - x) * t, y + (hit.y - y) * t]))) continue;
      chords.push({ from: [x, y], to: [hit.x, hit.y], widthMm, i, edge });
    }
  }
  chords.sort((p, q) => p.widthMm - q.widthMm);
  for (const { i, edge, from, to, widthMm } of chords.slice(0, NECK_TRIES)) {
    const parts = partsAt(ring, i, edge, to);
    if (parts.every((part) => part.length >= 3 && 2 * roomIn(part) >= NECK_CIRCLE * widthMm))
      return { from, to, widthMm };
  }
  return null;
}

/** Whether a way from a vertex of a ring walked clockwise as seen begins inside of it. */
function leavesInwards(ring: Ring, i: number, dx: number, dy: number): boolean {
  const [ax, ay] = pointAt(ring, (i + ring.length - 1) % ring.length);
  const [bx, by] = pointAt(ring, i);
  const [cx, cy] = pointAt(ring, (i + 1) % ring.length);
  const before = (bx - ax) * dy - (by - ay) * dx >= 0;
  const after = (cx - bx) * dy - (cy - by) * dx >= 0;
  const isPoint = (bx - ax) * (cy - by) - (by - ay) * (cx - bx) >= 0;
  return isPoint ? before && after : before || after;
}

/** The two parts of a ring when it is cut from vertex `i` to a point on an edge. */
function partsAt(ring: Ring, i: number, edge: number, to: Point): [Point[], Point[]] {
  const n = ring.length;
  const first: Point[] = [];
  for (let k = i; ; k = (k + 1) % n) {
    first.push(pointAt(ring, k));
    if (k === edge) break;
  }
  first.push(to);
  const second: Point[] = [to];
  for (let k = (edge + 1) % n; ; k = (k + 1) % n) {
    second.push(pointAt(ring, k));
    if (k === i) break;
  }
  return [withoutRepeats(first), withoutRepeats(second)];
}

const withoutRepeats = (ring: Point[]): Point[] =>
  ring.filter((p, i) => {
    const next = pointAt(ring, (i + 1) % ring.length);
    return Math.hypot(p[0] - next[0], p[1] - next[1]) > 1e-9;
  });

/** Radius of the largest circle inside a ring, mm. */
const roomIn = (ring: Ring): number => Math.max(0, poleOf([ring], 0.1).distanceMm);
