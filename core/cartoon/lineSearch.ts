import { nth, pointAt } from '../units/index.ts';
import Flatbush from 'flatbush';
import { boxOf, nearestOnSegment, type PlanarMap, type Point } from '../geometry/index.ts';

/** A line of a map, and the place on it that is nearest to another. */
export interface OnLine {
  readonly line: number;
  readonly at: Point;
}

/** Finds the line of a map that runs nearest to a place; null when none is within a distance, in mm. */
export type LineSearch = (at: Point, withinMm: number) => OnLine | null;

export function lineSearch({ lines }: Pick<PlanarMap, 'lines'>): LineSearch {
  if (lines.length === 0) return () => null;
  const tree = new Flatbush(lines.length);
  for (const { points } of lines) {
    const { minX, minY, maxX, maxY } = boxOf(points);
    tree.add(minX, minY, maxX, maxY);
  }
  tree.finish();
  return ([x, y], withinMm) => {
    let best: OnLine | null = null;
    let bestSq = withinMm * withinMm;
    for (const line of tree.search(x - withinMm, y - withinMm, x + withinMm, y + withinMm)) {
      const points = lines[line]?.points ?? [];
      for (let i = 1; i < points.length; i++) {
        const [a, b] = [pointAt(points, i - 1), pointAt(points, i)];
        const { distSq, x: px, y: py } = nearestOnSegment(x, y, a[0], a[1], b[0], b[1]);
        if (distSq > bestSq || (best !== null && distSq === bestSq)) continue;
        [best, bestSq] = [{ line, at: [px, py] }, distSq];
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

/** A joint is caught over so much of a finger's reach; beside it the line that runs there can be meant. */
const JOINT_SHARE = 0.7;

/** What a finger near a place means: a joint or a corner, else a line, at the very point of it. */
export interface Catch {
  readonly node: number | null;
  readonly line: number | null;
  readonly at: Point;
}

/** Finds what is caught at a place, within a distance in mm; joints before lines. Null where nothing is. */
export function catcher(map: PlanarMap): (at: Point, withinMm: number) => Catch | null {
  const lineAt = lineSearch(map);
  return (place, withinMm) => {
    const node = nearestNode(map, place, withinMm * JOINT_SHARE);
    if (node !== null) return { node, line: null, at: nth(map.nodes, node) };
    const found = lineAt(place, withinMm);
    return found && { node: null, ...found };
  };
}
