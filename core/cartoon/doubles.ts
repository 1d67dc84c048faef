import { numberAt, nth } from '../units/index.ts';
import { Meetings, type Point, UNITS_PER_MM, type VertexGrid } from '../geometry/index.ts';

/** cos 45°: a border that turns no more at a joint goes on there. */
const GOES_ON_COS = Math.SQRT1_2;

/**
 * The borders that were drawn more than once, each told by one place on it, as often as it was drawn too much.
 * @param dropped vertex pairs of the segments that lay on others
 * @param ends segments that are left
 */
export function doubledBorders(grid: VertexGrid, dropped: readonly number[], ends: readonly number[]): Point[] {
  if (dropped.length === 0) return [];
  const copies = new Map<string, { segment: number; times: number }>();
  for (let i = 0; i < dropped.length; i += 2) {
    const key = [numberAt(dropped, i), numberAt(dropped, i + 1)].sort((a, b) => a - b).join();
    const same = copies.get(key);
    if (same) same.times++;
    else copies.set(key, { segment: i / 2, times: 1 });
  }
  const segments = [...copies.values()];
  const own = segments.flatMap(({ segment }) => [numberAt(dropped, 2 * segment), numberAt(dropped, 2 * segment + 1)]);
  const left = new Meetings(ends, grid.xy.length / 2);
  const at = new Meetings(own, grid.xy.length / 2);
  const goesOn = (v: number): boolean =>
    at.degree(v) === 2 && (left.degree(v) === 2 || isStraight(grid, own, at.at(v, 0), at.at(v, 1), v));
  const seen = new Uint8Array(segments.length);
  const places: Point[] = [];
  for (let s = 0; s < segments.length; s++) {
    if (seen[s]) continue;
    const stretch = [s];
    seen[s] = 1;
    for (const side of [0, 1]) {
      let segment = s;
      let v = numberAt(own, 2 * s + side);
      while (goesOn(v)) {
        segment = at.other(v, segment);
        if (seen[segment]) break;
        seen[segment] = 1;
        if (side === 0) stretch.unshift(segment);
        else stretch.push(segment);
        v = own[2 * segment] === v ? numberAt(own, 2 * segment + 1) : numberAt(own, 2 * segment);
      }
    }
    const [a, b] = xyOf(grid, own, numberAt(stretch, stretch.length >> 1));
    const place: Point = [(a[0] + b[0]) / 2 / UNITS_PER_MM, (a[1] + b[1]) / 2 / UNITS_PER_MM];
    const times = Math.max(...stretch.map((segment) => nth(segments, segment).times));
    for (let k = 0; k < times; k++) places.push(place);
  }
  return places;
}

const xyOf = ({ xy }: VertexGrid, ends: readonly number[], s: number): [Point, Point] => {
  const at = (v: number): Point => [numberAt(xy, 2 * v), numberAt(xy, 2 * v + 1)];
  return [at(numberAt(ends, 2 * s)), at(numberAt(ends, 2 * s + 1))];
};

/** Whether two segments that meet at a vertex go on into each other. */
function isStraight(grid: VertexGrid, ends: readonly number[], s: number, o: number, vertex: number): boolean {
  const away = (segment: number): Point => {
    const [a, b] = xyOf(grid, ends, segment);
    return ends[2 * segment] === vertex ? [b[0] - a[0], b[1] - a[1]] : [a[0] - b[0], a[1] - b[1]];
  };
  const [px, py] = away(s);
  const [qx, qy] = away(o);
  return -(px * qx + py * qy) >= GOES_ON_COS * Math.hypot(px, py) * Math.hypot(qx, qy);
}
