import { numberAt } from '../units/index.ts';
import type { Meetings, VertexGrid } from '../geometry/index.ts';
import { distance } from './segments.ts';

/** Notes that a segment gets a new vertex. */
export const putFoot = (feet: Map<number, number[]>, segment: number, vertex: number): void => {
  const list = feet.get(segment);
  if (list) list.push(vertex);
  else feet.set(segment, [vertex]);
};

/**
 * Segments with some vertices moved. Where an end was drawn onto a segment its foot becomes a vertex of it: else the
 * segment, turned a little by its own end, would pass by the foot and the joint would open again.
 */
export function moved(
  grid: VertexGrid,
  ends: readonly number[],
  move: ReadonlyMap<number, number>,
  feet: ReadonlyMap<number, readonly number[]>,
): number[] {
  const to = (v: number) => move.get(v) ?? v;
  const next: number[] = [];
  for (let s = 0; s < ends.length / 2; s++) {
    const a = numberAt(ends, 2 * s);
    const b = numberAt(ends, 2 * s + 1);
    const between = feet.get(s) ?? [];
    let from = to(a);
    for (const foot of [...between].sort((p, q) => distance(grid, a, p) - distance(grid, a, q))) {
      if (foot === a || foot === b) continue;
      next.push(from, foot);
      from = foot;
    }
    next.push(from, to(b));
  }
  return next;
}

/** The segments from a free end back along its own line: it must not be joined to itself by a hook. */
export function ownTail(
  ends: readonly number[],
  at: Meetings,
  vertex: number,
  grid: VertexGrid,
  upTo: number,
): Set<number> {
  const tail = new Set<number>();
  let v = vertex;
  let length = 0;
  if (at.degree(v) === 0) return tail;
  for (let segment = at.at(v, 0); !tail.has(segment) && length <= upTo;) {
    tail.add(segment);
    const far = ends[2 * segment] === v ? numberAt(ends, 2 * segment + 1) : numberAt(ends, 2 * segment);
    length += distance(grid, v, far);
    v = far;
    if (at.degree(v) !== 2) break;
    segment = at.other(v, segment);
  }
  return tail;
}
