import { pointAt } from '../units/index.ts';
import Flatbush from 'flatbush';
import { boxOf, nearestOnSegment, type PlanarMap, type Point } from '../geometry/index.ts';

/** Finds the line of a map that runs nearest to a place; null when none is within a distance, in mm. */
export type LineSearch = (at: Point, withinMm: number) => number | null;

export function lineSearch({ lines }: Pick<PlanarMap, 'lines'>): LineSearch {
  if (lines.length === 0) return () => null;
  const tree = new Flatbush(lines.length);
  for (const { points } of lines) {
    const { minX, minY, maxX, maxY } = boxOf(points);
    tree.add(minX, minY, maxX, maxY);
  }
  tree.finish();
  return ([x, y], withinMm) => {
    let best: number | null = null;
    let bestSq = withinMm * withinMm;
    for (const line of tree.search(x - withinMm, y - withinMm, x + withinMm, y + withinMm)) {
      const points = lines[line]?.points ?? [];
      for (let i = 1; i < points.length; i++) {
        const [a, b] = [pointAt(points, i - 1), pointAt(points, i)];
        const { distSq } = nearestOnSegment(x, y, a[0], a[1], b[0], b[1]);
        if (distSq > bestSq || (best !== null && distSq === bestSq)) continue;
        [best, bestSq] = [line, distSq];
      }
    }
    return best;
  };
}

/** The node of a map (a joint, a corner) nearest to a place, within a distance in mm; null when none is. */
export function nearestNode({ nodes }: Pick<PlanarMap, 'nodes'>, [x, y]: Point, withinMm: number): number | null {
  const away = nodes.map(([nx, ny]) => Math.hypot(nx - x, ny - y));
  const least = away.reduce((best, mm) => Math.min(best, mm), Infinity);
  return least <= withinMm ? away.indexOf(least) : null;
}
