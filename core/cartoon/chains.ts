import { numberAt } from '../units/index.ts';
import {
  Meetings,
  UNITS_PER_MM,
  type MapLine,
  type PlanarMap,
  type Point,
  type VertexGrid,
} from '../geometry/index.ts';

/**
 * Joins segments into lines that run from node to node. A node is a vertex where other than two segments
 * meet; a loop without any gets one at its first vertex.
 */
export function chainLines(grid: VertexGrid, ends: readonly number[]): PlanarMap {
  const around = new Meetings(ends, grid.xy.length / 2);
  const nodes: Point[] = [];
  const nodeOf = new Map<number, number>();
  const at = (v: number): Point => [
    numberAt(grid.xy, 2 * v) / UNITS_PER_MM,
    numberAt(grid.xy, 2 * v + 1) / UNITS_PER_MM,
  ];
  const node = (v: number): number => {
    let id = nodeOf.get(v);
    if (id === undefined) {
      id = nodes.push(at(v)) - 1;
      nodeOf.set(v, id);
    }
    return id;
  };
  const used = new Uint8Array(ends.length / 2);
  const lines: MapLine[] = [];
  const walk = (start: number, first: number) => {
    const points: Point[] = [at(start)];
    let v = start;
    let segment = first;
    for (;;) {
      used[segment] = 1;
      v = ends[2 * segment] === v ? numberAt(ends, 2 * segment + 1) : numberAt(ends, 2 * segment);
      points.push(at(v));
      if (v === start || around.degree(v) !== 2) break;
      segment = around.other(v, segment);
    }
    lines.push({ from: node(start), to: node(v), points });
  };
  for (let v = 0; v < around.vertexCount; v++) {
    const degree = around.degree(v);
    if (degree === 2) continue;
    for (let k = 0; k < degree; k++) if (!used[around.at(v, k)]) walk(v, around.at(v, k));
  }
  for (let s = 0; s < used.length; s++) if (!used[s]) walk(numberAt(ends, 2 * s), s);
  return { nodes, lines };
}
