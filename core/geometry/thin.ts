import { pointAt } from '../units/index.ts';
import type { Point, Ring } from './ring.ts';

/**
 * A line with fewer points, nowhere further than `withinMm` from the one given (Douglas and Peucker 1973, with a
 * stack instead of recursion). First and last point stay.
 */
export function thinLine(points: readonly Point[], withinMm: number): readonly Point[] {
  if (points.length < 3) return points;
  const keep = new Uint8Array(points.length);
  keep[0] = keep[points.length - 1] = 1;
  const open: [number, number][] = [[0, points.length - 1]];
  const limitSq = withinMm * withinMm;
  for (let span = open.pop(); span; span = open.pop()) {
    const [from, to] = span;
    const [ax, ay] = pointAt(points, from);
    const [bx, by] = pointAt(points, to);
    const dx = bx - ax;
    const dy = by - ay;
    const lengthSq = dx * dx + dy * dy;
    let far = -1;
    let farSq = limitSq;
    for (let i = from + 1; i < to; i++) {
      const [px, py] = pointAt(points, i);
      const t = lengthSq === 0 ? 0 : Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / lengthSq));
      const distSq = (px - ax - t * dx) ** 2 + (py - ay - t * dy) ** 2;
      if (distSq > farSq) {
        farSq = distSq;
        far = i;
      }
    }
    if (far < 0) continue;
    keep[far] = 1;
    open.push([from, far], [far, to]);
  }
  return points.filter((_, i) => keep[i] === 1);
}

/**
 * A ring of at most `most` points where that can be had within `upToMm`: from `fromMm` on it is thinned twice as much
 * each time. A ring that is not larger comes back as it is.
 */
export function thinRing(ring: Ring, most: number, fromMm: number, upToMm: number): Ring {
  if (ring.length <= most) return ring;
  const closed = [...ring, pointAt(ring, 0)];
  let thinned = ring;
  for (let mm = fromMm; mm <= upToMm && thinned.length > most; mm *= 2) thinned = thinLine(closed, mm).slice(0, -1);
  return thinned.length >= 3 ? thinned : ring;
}
