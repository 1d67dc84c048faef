import { fromEnd, lastOf, pointAt, numberAt } from '../units/index.ts';
import { contains, nearestOnSegment, thinLine, type Point, type Ring, poleOf } from '../geometry/index.ts';
import Flatbush from 'flatbush';

/** Corners are measured over this much of the border each way, so that the chords of a curve are no corners. */
const SHARP_OVER_MM = 2;
const INSIDE_OVER_MM = 1;

/** The sharpest corner of a ring walked clockwise as seen. */
export function sharpestPoint(ring: Ring): { at: Point; degrees: number } | null {
  let best: { at: Point; degrees: number } | null = null;
  for (let i = 0; i < ring.length; i++) {
    const turn = turnAt(ring, i, SHARP_OVER_MM);
    if (turn <= 0) continue;
    const degrees = 180 - (turn * 180) / Math.PI;
    if (!best || degrees < best.degrees) best = { at: pointAt(ring, i), degrees };
  }
  return best;
}

/**
 * The tightest inside corner. Over an arc of radius r the border turns by s/r along s; a turn of more than half a
 * radian within a millimetre each way is a radius under 2 mm.
 */
export function tightestInsideCorner(ring: Ring): { at: Point; radiusMm: number; index: number } | null {
  let best: { at: Point; radiusMm: number; index: number } | null = null;
  for (let i = 0; i < ring.length; i++) {
    const turn = -turnAt(ring, i, INSIDE_OVER_MM);
    if (turn <= 0.1) continue;
    const radiusMm = INSIDE_OVER_MM / turn;
    if (!best || radiusMm < best.radiusMm) best = { at: pointAt(ring, i), radiusMm, index: i };
  }
  return best;
}

/** Inside corners tighter than a radius, each counted once though several vertices share it. */
export function countTightCorners(ring: Ring, radiusMm: number): number {
  let count = 0;
  let last: Point | null = null;
  for (let i = 0; i < ring.length; i++) {
    if (-turnAt(ring, i, INSIDE_OVER_MM) <= INSIDE_OVER_MM / radiusMm) continue;
    const here = pointAt(ring, i);
    if (!last || Math.hypot(here[0] - last[0], here[1] - last[1]) > 2 * INSIDE_OVER_MM) count++;
    last = here;
  }
  return count;
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

/** An inside curve: how far a pocket reaches in from the chord over its mouth (a side of the convex hull). */
export interface Bite {
  readonly at: Point;
  readonly index: number;
  readonly depthMm: number;
  readonly mouthMm: number;
  /** Depth ÷ mouth. */
  readonly bite: number;
}

/** A border nearer than this to the hull's side still runs along it: the mouth begins where it leaves. */
const LEAVES_MM = 0.3;

/** The inside curves of a ring, deepest for its mouth first. */
export function bitesOf(ring: Ring): Bite[] {
  const hull = hullIndices(ring);
  const bites: Bite[] = [];
  hull.forEach((from, k) => {
    const to = numberAt(hull, (k + 1) % hull.length);
    const [ax, ay] = pointAt(ring, from);
    const [bx, by] = pointAt(ring, to);
    const side = Math.hypot(bx - ax, by - ay);
    if (side < 1) return;
    let deepest = { index: from, depthMm: 0 };
    let leaves = -1;
    let returns = to;
    let before = from;
    for (let i = (from + 1) % ring.length; i !== to; i = (i + 1) % ring.length) {
      const [px, py] = pointAt(ring, i);
      const depthMm = Math.abs((bx - ax) * (py - ay) - (by - ay) * (px - ax)) / side;
      if (depthMm > deepest.depthMm) deepest = { index: i, depthMm };
      if (depthMm > LEAVES_MM) {
        if (leaves < 0) leaves = before;
        returns = (i + 1) % ring.length;
      }
      before = i;
    }
    if (leaves < 0) return;
    const [[mx, my], [nx, ny]] = [pointAt(ring, leaves), pointAt(ring, returns)];
    const mouthMm = Math.hypot(nx - mx, ny - my);
    const bite = deepest.depthMm / mouthMm;
    if (mouthMm > 0 && bite > 0.02) bites.push({ ...deepest, at: pointAt(ring, deepest.index), mouthMm, bite });
  });
  return bites.sort((a, b) => b.bite - a.bite);
}

/** Indices of the convex hull in ring order (monotone chain). */
function hullIndices(ring: Ring): number[] {
  const order = ring
    .map((_, i) => i)
    .sort((a, b) => pointAt(ring, a)[0] - pointAt(ring, b)[0] || pointAt(ring, a)[1] - pointAt(ring, b)[1]);
  const turn = (o: number, a: number, b: number) => {
    const [ox, oy] = pointAt(ring, o);
    const [px, py] = pointAt(ring, a);
    const [qx, qy] = pointAt(ring, b);
    return (px - ox) * (qy - oy) - (py - oy) * (qx - ox);
  };
  const half = (points: readonly number[]) => {
    const chain: number[] = [];
    for (const p of points) {
      while (chain.length >= 2 && turn(fromEnd(chain, 2), lastOf(chain), p) <= 0) chain.pop();
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(order), ...half([...order].reverse())].sort((a, b) => a - b);
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

/** The two parts of a ring when it is cut from vertex `i` to a point on an edge. */
export function partsAt(ring: Ring, i: number, edge: number, to: Point): [Point[], Point[]] {
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
