import { numberAt } from '../units/index.ts';
import Flatbush from 'flatbush';
import { Meetings, UNITS_PER_MM, VertexGrid, type Point } from '../geometry/index.ts';
import type { DrawnLine } from './read/types.ts';

/** The lines' segments, as drawn, between vertices of a new grid. */
export function onGrid(lines: readonly DrawnLine[]): { grid: VertexGrid; ends: number[] } {
  const grid = new VertexGrid(lines.reduce((sum, { points }) => sum + points.length, 0));
  const ends: number[] = [];
  for (const { points, closed } of lines) {
    let first = -1;
    let last = -1;
    for (const point of points) {
      const vertex = grid.at(point[0] * UNITS_PER_MM, point[1] * UNITS_PER_MM);
      if (last < 0) first = vertex;
      else ends.push(last, vertex);
      last = vertex;
    }
    if (closed && points.length > 2) ends.push(last, first);
  }
  return { grid, ends };
}

export const pointAt = (grid: VertexGrid, v: number): Point => [
  numberAt(grid.xy, 2 * v) / UNITS_PER_MM,
  numberAt(grid.xy, 2 * v + 1) / UNITS_PER_MM,
];

export const meetingsOf = (grid: VertexGrid, ends: readonly number[]): Meetings =>
  new Meetings(ends, grid.xy.length / 2);

export const distance = (grid: VertexGrid, a: number, b: number) =>
  Math.hypot(
    numberAt(grid.xy, 2 * a) - numberAt(grid.xy, 2 * b),
    numberAt(grid.xy, 2 * a + 1) - numberAt(grid.xy, 2 * b + 1),
  );

/** The vertices at which one segment ends and no other. */
export function freeEnds(grid: VertexGrid, ends: readonly number[]): number[] {
  const at = meetingsOf(grid, ends);
  const free: number[] = [];
  for (let v = 0; v < at.vertexCount; v++) if (at.degree(v) === 1) free.push(v);
  return free;
}

export const segmentXy = (grid: VertexGrid, ends: readonly number[], s: number): [number, number, number, number] => {
  const a = 2 * numberAt(ends, 2 * s);
  const b = 2 * numberAt(ends, 2 * s + 1);
  return [numberAt(grid.xy, a), numberAt(grid.xy, a + 1), numberAt(grid.xy, b), numberAt(grid.xy, b + 1)];
};

export function segmentTree(grid: VertexGrid, ends: readonly number[]): Flatbush {
  const tree = new Flatbush(ends.length / 2);
  for (let s = 0; s < ends.length / 2; s++) {
    const [ax, ay, bx, by] = segmentXy(grid, ends, s);
    tree.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
  }
  tree.finish();
  return tree;
}

/** The squared length of all segments over the area of the box round them; no unit. */
export function winding(grid: VertexGrid, ends: readonly number[]): number {
  let length = 0;
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < ends.length; i += 2) {
    const [ax, ay, bx, by] = segmentXy(grid, ends, i / 2);
    length += Math.sqrt((bx - ax) ** 2 + (by - ay) ** 2);
    minX = Math.min(minX, ax, bx);
    minY = Math.min(minY, ay, by);
    maxX = Math.max(maxX, ax, bx);
    maxY = Math.max(maxY, ay, by);
  }
  const area = (maxX - minX) * (maxY - minY);
  return area > 0 ? (length * length) / area : 0;
}
