import { floatAt, fromEnd, lastOf, nth, numberAt, pointAt } from '../units/index.ts';
import type { Point, Ring } from './ring.ts';

/** Indices of the convex hull of a ring, in the order of the ring (monotone chain, Andrew 1979). */
export function hullIndices(ring: Ring): number[] {
  const xs = Float64Array.from(ring, (p) => p[0]);
  const ys = Float64Array.from(ring, (p) => p[1]);
  const order = ring
    .map((_, i) => i)
    .sort((a, b) => floatAt(xs, a) - floatAt(xs, b) || floatAt(ys, a) - floatAt(ys, b));
  const turn = (o: number, a: number, b: number) => {
    const [ox, oy] = [floatAt(xs, o), floatAt(ys, o)];
    return (floatAt(xs, a) - ox) * (floatAt(ys, b) - oy) - (floatAt(ys, a) - oy) * (floatAt(xs, b) - ox);
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

/** The narrowest band of parallel lines that a ring fits between, and how far it reaches along the band, mm. */
export function narrowestBand(ring: Ring): { widthMm: number; lengthMm: number } {
  const hull = hullIndices(ring).map((i) => pointAt(ring, i));
  let best = { widthMm: Infinity, lengthMm: 0 };
  hull.forEach(([ax, ay], k) => {
    const [bx, by] = pointAt(hull, (k + 1) % hull.length);
    const mm = Math.hypot(bx - ax, by - ay);
    if (mm < 1e-9) return;
    const [ux, uy] = [(bx - ax) / mm, (by - ay) / mm];
    const spread = (of: (p: Point) => number) => {
      const values = hull.map(of);
      return Math.max(...values) - Math.min(...values);
    };
    const widthMm = spread(([x, y]) => x * uy - y * ux);
    if (widthMm < best.widthMm) best = { widthMm, lengthMm: spread(([x, y]) => x * ux + y * uy) };
  });
  return best.widthMm === Infinity ? { widthMm: 0, lengthMm: 0 } : best;
}

/** How far each vertex of a ring lies within its hull, mm: 0 on the hull itself. */
export function depthsInHull(ring: Ring, hull: readonly number[] = hullIndices(ring)): Float64Array {
  const depths = new Float64Array(ring.length);
  hull.forEach((from, k) => {
    const to = numberAt(hull, (k + 1) % hull.length);
    const [ax, ay] = nth(ring, from);
    const [bx, by] = nth(ring, to);
    const mm = Math.hypot(bx - ax, by - ay);
    if (mm < 1e-9) return;
    for (let i = (from + 1) % ring.length; i !== to; i = (i + 1) % ring.length) {
      const [px, py] = nth(ring, i);
      depths[i] = Math.abs((bx - ax) * (py - ay) - (by - ay) * (px - ax)) / mm;
    }
  });
  return depths;
}
