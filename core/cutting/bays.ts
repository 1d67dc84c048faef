import { floatAt, numberAt, pointAt } from '../units/index.ts';
import {
  depthsInHull,
  hullIndices,
  nearestOnSegment,
  poleOf,
  thinLine,
  type Point,
  type Ring,
} from '../geometry/index.ts';

/** A border nearer than this to the hull's side still runs along it: the mouth begins where it leaves. */
const LEAVES_MM = 0.1;
/** What is shallower for its mouth is no bay. */
const LEAST_BITE = 0.02;
/** From so deep on, for its mouth, a bay can be narrower further in. */
const MAY_NARROW = 0.25;
/** The largest circle in a bay touches what is so near to it, mm. */
const TOUCH_MM = 0.2;
const BAY_POINTS_MM = 0.02;

/** An inside curve: where the border leaves the convex hull and comes back to it. */
export interface Bay {
  /** Its deepest point. */
  readonly at: Point;
  readonly index: number;
  /** Indices of the border from where it leaves the hull to where it returns. */
  readonly from: number;
  readonly to: number;
  /** How far it reaches in from the chord over its mouth. */
  readonly depthMm: number;
  /** The narrowest way in. */
  readonly mouthMm: number;
  /** Across the largest circle behind it; 0 where the bay is shallow. */
  readonly bulbMm: number;
  /** Depth ÷ mouth, at the hull or at the narrowest place further in, whichever is more. */
  readonly bite: number;
}

/** The inside curves of a ring, deepest for its mouth first. */
export function baysOf(ring: Ring): Bay[] {
  const hull = hullIndices(ring);
  if (hull.length === ring.length) return [];
  const depths = depthsInHull(ring, hull);
  const bays: Bay[] = [];
  hull.forEach((start, k) => {
    const end = numberAt(hull, (k + 1) % hull.length);
    const [[ax, ay], [bx, by]] = [pointAt(ring, start), pointAt(ring, end)];
    if (Math.hypot(bx - ax, by - ay) < 1) return;
    let index = start;
    let from = -1;
    let to = end;
    let before = start;
    for (let i = (start + 1) % ring.length; i !== end; i = (i + 1) % ring.length) {
      if (floatAt(depths, i) > floatAt(depths, index)) index = i;
      if (floatAt(depths, i) > LEAVES_MM) {
        if (from < 0) from = before;
        to = (i + 1) % ring.length;
      }
      before = i;
    }
    if (from < 0) return;
    const [mx, my] = pointAt(ring, from);
    const [nx, ny] = pointAt(ring, to);
    const atHullMm = Math.hypot(nx - mx, ny - my);
    const depthMm = floatAt(depths, index);
    if (atHullMm === 0 || depthMm / atHullMm <= LEAST_BITE) return;
    const open = { at: pointAt(ring, index), index, from, to, depthMm };
    const bite = depthMm / atHullMm;
    const within = bite > MAY_NARROW ? narrowing(chain(ring, from, to), depthMm) : null;
    if (!within) bays.push({ ...open, mouthMm: atHullMm, bulbMm: 0, bite });
    else bays.push({ ...open, ...within, bite: Math.max(bite, within.bite) });
  });
  return bays.sort((a, b) => b.bite - a.bite);
}

function chain(ring: Ring, from: number, to: number): Point[] {
  const points = [pointAt(ring, from)];
  for (let i = from; i !== to;) points.push(pointAt(ring, (i = (i + 1) % ring.length)));
  return points;
}

/**
 * Where the largest circle in a bay is held on both sides, the border on one side of it and the border on the other
 * form a way out: how narrow that is, and how much lies behind it.
 */
function narrowing(whole: readonly Point[], depthMm: number): Pick<Bay, 'mouthMm' | 'bulbMm' | 'bite'> | null {
  const bay = thinLine(whole, BAY_POINTS_MM);
  const { at, distanceMm } = poleOf([bay], Math.max(0.05, depthMm / 50));
  const gap = (i: number) => {
    const [[ax, ay], [bx, by]] = [pointAt(bay, i), pointAt(bay, (i + 1) % bay.length)];
    return Math.sqrt(nearestOnSegment(at[0], at[1], ax, ay, bx, by).distSq);
  };
  // The last side is the mouth itself: a circle that touches it lies right behind it.
  if (gap(bay.length - 1) < distanceMm + TOUCH_MM) {
    const [[ax, ay], [bx, by]] = [pointAt(bay, 0), pointAt(bay, bay.length - 1)];
    return { mouthMm: Math.hypot(bx - ax, by - ay), bulbMm: 2 * distanceMm, bite: 0 };
  }
  const touched = bay.flatMap((_, i) => (i < bay.length - 1 && gap(i) < distanceMm + TOUCH_MM ? [i] : []));
  const [first, last] = [touched[0], touched.at(-1)];
  if (first === undefined || last === undefined || first === last) return null;
  const [left, right] = [bay.slice(0, first + 1), bay.slice(last + 1)];
  let best = { mouthMm: Infinity, a: 0, b: 0 };
  const hold = (i: number, j: number, mouthMm: number) => {
    if (mouthMm < best.mouthMm) best = { mouthMm, a: i, b: j };
  };
  left.forEach(([x, y], i) => right.forEach((_, j) => hold(i, j, toStretch(x, y, right, j))));
  right.forEach(([x, y], j) => left.forEach((_, i) => hold(i, j, toStretch(x, y, left, i))));
  const { mouthMm, a, b } = best;
  if (mouthMm < 1e-6 || mouthMm === Infinity) return { mouthMm: 0, bulbMm: 2 * distanceMm, bite: Infinity };
  const [[px, py], [qx, qy]] = [pointAt(left, a), pointAt(right, b)];
  const behind = [...left.slice(a), ...bay.slice(first + 1, last + 1), ...right.slice(0, b + 1)];
  const wide = Math.hypot(qx - px, qy - py) || 1;
  const deepMm = behind.reduce(
    (most, [x, y]) => Math.max(most, Math.abs((qx - px) * (y - py) - (qy - py) * (x - px)) / wide),
    0,
  );
  return { mouthMm, bulbMm: 2 * distanceMm, bite: deepMm / mouthMm };
}

function toStretch(x: number, y: number, points: readonly Point[], i: number): number {
  const [ax, ay] = pointAt(points, i);
  const [bx, by] = points[i + 1] ?? [ax, ay];
  return Math.sqrt(nearestOnSegment(x, y, ax, ay, bx, by).distSq);
}
