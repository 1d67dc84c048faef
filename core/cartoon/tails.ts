import { TOLERANCE } from '../limits/index.ts';
import { lastOf, numberAt } from '../units/index.ts';
import { nearestOnSegment, thinLine, UNITS_PER_MM, type Point, type VertexGrid } from '../geometry/index.ts';
import type { Repair } from './repair.ts';
import { distance, meetingsOf, pointAt, segmentTree, segmentXy } from './segments.ts';

const MOST_SHORT_SHARE = 0.25;

export interface ShortEnd {
  readonly at: Point;
  readonly gapMm: number;
}

/** A drawn line that could not be joined to anything: it bounds no piece. */
export interface LooseEnd {
  readonly at: Point;
  readonly lengthMm: number;
  /** Whether it hung on no other line at all. */
  readonly isFloating: boolean;
  /** The line that was dropped, and those that bounded nothing once it was gone. */
  readonly lines: readonly (readonly Point[])[];
  /** Its ends that stop just short of a line they seem to be meant for, the widest gap first. */
  readonly short: readonly ShortEnd[];
}

/** A dropped line that hung on the rest by one end, or by none. */
export interface Tail {
  /** Its vertices from the free end on. */
  readonly along: readonly number[];
  readonly isFloating: boolean;
  readonly lengthMm: number;
}

/**
 * Drops loose tails. With `loose` null only tails up to `most` that hang on a joint go (overruns); with a
 * list every tail goes, over and over until none is left, and the long ones are told as loose ends.
 */
export function trim(
  grid: VertexGrid,
  ends: readonly number[],
  most: number,
  repairs: Repair[],
  loose: Tail[] | null,
  kept: (vertex: number) => boolean,
): number[] {
  let current = [...ends];
  for (;;) {
    const at = meetingsOf(grid, current);
    const dropped = new Set<number>();
    for (let vertex = 0; vertex < at.vertexCount; vertex++) {
      if (at.degree(vertex) !== 1) continue;
      const tail: number[] = [];
      const along = [vertex];
      let length = 0;
      let v = vertex;
      let segment = at.at(vertex, 0);
      for (;;) {
        if (dropped.has(segment)) break;
        tail.push(segment);
        const far = current[2 * segment] === v ? numberAt(current, 2 * segment + 1) : numberAt(current, 2 * segment);
        length += distance(grid, v, far);
        v = far;
        along.push(v);
        if (at.degree(v) !== 2) break;
        segment = at.other(v, segment);
      }
      if (tail.length === 0) continue;
      const hangs = at.degree(v) > 2;
      if (loose === null && (kept(vertex) || !(hangs && length <= most))) continue;
      for (const s of tail) dropped.add(s);
      if (length <= most && !kept(vertex))
        repairs.push({ kind: 'trimmed', at: pointAt(grid, vertex), movedMm: length / UNITS_PER_MM });
      else loose?.push({ along, isFloating: at.degree(v) === 1, lengthMm: length / UNITS_PER_MM });
    }
    if (dropped.size === 0) return current;
    const next: number[] = [];
    for (let s = 0; s < current.length / 2; s++) {
      if (!dropped.has(s)) next.push(numberAt(current, 2 * s), numberAt(current, 2 * s + 1));
    }
    current = next;
    if (loose === null) return current;
  }
}

/**
 * Tells of dropped lines where they end, and which of them stop just short of what is left: within 5 mm, and no more
 * than a quarter of their own length. Where the user wants an end as drawn (`kept`) it stops short of nothing.
 */
export function endsShort(
  grid: VertexGrid,
  ends: readonly number[],
  tails: readonly Tail[],
  kept: (vertex: number) => boolean,
): LooseEnd[] {
  if (tails.length === 0) return [];
  const tree = ends.length > 0 ? segmentTree(grid, ends) : null;
  const gapAt = (v: number, most: number): number => {
    const [x, y] = [numberAt(grid.xy, 2 * v), numberAt(grid.xy, 2 * v + 1)];
    const near = tree?.search(x - most, y - most, x + most, y + most) ?? [];
    return near.reduce(
      (least, s) => Math.min(least, Math.sqrt(nearestOnSegment(x, y, ...segmentXy(grid, ends, s)).distSq)),
      Infinity,
    );
  };
  const told: { tail: Tail; lines: (readonly Point[])[] }[] = [];
  const hungAt = new Map<number, (typeof told)[number]>();
  for (const tail of tails) {
    const line = thinLine(
      tail.along.map((v) => pointAt(grid, v)),
      TOLERANCE.shownMm,
    );
    // A line that ends where another one was dropped hangs free for that alone.
    const cause = hungAt.get(numberAt(tail.along, 0)) ?? { tail, lines: [] };
    if (cause.tail === tail) told.push(cause);
    cause.lines.push(line);
    hungAt.set(lastOf(tail.along), cause);
  }
  return told.map(({ tail: { along, isFloating, lengthMm }, lines }) => {
    const most = Math.min(TOLERANCE.shortOfJointMm, lengthMm * MOST_SHORT_SHARE) * UNITS_PER_MM;
    const short = [numberAt(along, 0), ...(isFloating ? [lastOf(along)] : [])]
      .filter((v) => !kept(v))
      .map((v): ShortEnd => ({ at: pointAt(grid, v), gapMm: gapAt(v, most) / UNITS_PER_MM }))
      .filter(({ gapMm }) => gapMm * UNITS_PER_MM <= most)
      .sort((a, b) => b.gapMm - a.gapMm);
    return { at: pointAt(grid, numberAt(along, 0)), lengthMm, isFloating, lines, short };
  });
}
