import { lastOf, pointAt } from '../units/index.ts';
import { pathLength, type Point, type Ring } from './ring.ts';

/**
 * The point so many millimetres along a walk, and the index of the walk's next point from there; at most its end.
 * @param points at least one
 */
export function pointAlong(points: Ring, mm: number): { at: Point; next: number } {
  let [px, py] = pointAt(points, 0);
  let left = Math.max(0, mm);
  for (let i = 1; i < points.length; i++) {
    const [qx, qy] = pointAt(points, i);
    const step = Math.hypot(qx - px, qy - py);
    if (step >= left && step > 0)
      return { at: [px + ((qx - px) * left) / step, py + ((qy - py) * left) / step], next: i };
    left -= step;
    px = qx;
    py = qy;
  }
  return { at: lastOf(points), next: points.length };
}

/** The point half way along a walk. */
export const halfWay = (points: Ring): Point => pointAlong(points, pathLength(points) / 2).at;
