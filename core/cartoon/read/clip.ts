import { pointAt } from '../../units/index.ts';
import {
  boxOf,
  contains,
  meetingOf,
  nearestOnSegment,
  type Box,
  type Matrix,
  type Point,
} from '../../geometry/index.ts';
import type { DrawnLine } from './types.ts';

/** Where something may be seen: what is painted last at a place decides. */
export interface Window {
  readonly shapes: readonly WindowShape[];
}

export interface WindowShape {
  readonly rings: readonly (readonly Point[])[];
  readonly shows: boolean;
  readonly nonZero: boolean;
  readonly box: Box;
}

export const windowShape = (
  rings: readonly (readonly Point[])[],
  shows: boolean,
  nonZero: boolean,
): WindowShape | null =>
  rings.some((ring) => ring.length >= 3) ? { rings, shows, nonZero, box: boxOf(rings.flat()) } : null;

/** A page within the page shows what lies on it. */
export function pageWindow([x, y, width, height]: readonly [number, number, number, number], m: Matrix): Window {
  const at = (px: number, py: number): Point => [m[0] * px + m[2] * py + m[4], m[1] * px + m[3] * py + m[5]];
  const ring = [at(x, y), at(x + width, y), at(x + width, y + height), at(x, y + height)];
  const shape = windowShape([ring], true, true);
  return { shapes: shape ? [shape] : [] };
}

/** What of a line is seen through windows that lie over one another. */
export function seenThrough(line: DrawnLine, windows: readonly Window[]): DrawnLine[] {
  return windows.reduce<DrawnLine[]>((lines, window) => lines.flatMap((one) => within(one, window)), [line]);
}

function within(line: DrawnLine, { shapes }: Window): DrawnLine[] {
  const points = line.closed ? [...line.points, pointAt(line.points, 0)] : line.points;
  const stretches: Point[][] = [];
  let open: Point[] | null = null;
  let isWhole = true;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [pointAt(points, i - 1), pointAt(points, i)];
    const cuts = [0, ...crossings(a, b, shapes), 1];
    for (let k = 1; k < cuts.length; k++) {
      const [from, to] = [cuts[k - 1] ?? 0, cuts[k] ?? 1];
      if (to - from < 1e-9) continue;
      const at = (t: number): Point =>
        t === 0 ? a : t === 1 ? b : [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
      if (!isSeen(at((from + to) / 2), shapes)) {
        open = null;
        isWhole = false;
      } else if (open) open.push(at(to));
      else stretches.push((open = [at(from), at(to)]));
    }
  }
  if (isWhole) return [line];
  const [first, last] = [stretches[0], stretches.at(-1)];
  // A closed line that begins in sight goes on from its end to its beginning.
  if (line.closed && first && last && first !== last && first[0] === points[0] && last.at(-1) === points.at(-1)) {
    stretches.pop();
    stretches[0] = [...last, ...first.slice(1)];
  }
  return stretches.map((stretch) => ({ ...line, points: stretch, closed: false }));
}

function isSeen(at: Point, shapes: readonly WindowShape[]): boolean {
  for (let k = shapes.length - 1; k >= 0; k--) {
    const shape = shapes[k];
    if (shape && isIn(at, shape)) return shape.shows;
  }
  return false;
}

/** A line on the very edge of a window is seen by half. */
const EDGE_MM = 0.02;

function isIn(at: Point, { rings, nonZero, box }: WindowShape): boolean {
  const [x, y] = at;
  if (x < box.minX - EDGE_MM || x > box.maxX + EDGE_MM || y < box.minY - EDGE_MM || y > box.maxY + EDGE_MM)
    return false;
  if (rings.some((ring) => isOnEdge(ring, at))) return true;
  if (!nonZero) return rings.reduce((inside, ring) => (contains(ring, at) ? !inside : inside), false);
  return rings.reduce((sum, ring) => sum + windings(ring, at), 0) !== 0;
}

const isOnEdge = (ring: readonly Point[], [x, y]: Point): boolean =>
  ring.some(([ax, ay], i) => {
    const [bx, by] = pointAt(ring, (i + 1) % ring.length);
    return nearestOnSegment(x, y, ax, ay, bx, by).distSq <= EDGE_MM * EDGE_MM;
  });

function windings(ring: readonly Point[], [x, y]: Point): number {
  let sum = 0;
  let [ax, ay] = ring.at(-1) ?? [x, y];
  for (const [bx, by] of ring) {
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) sum += by > ay ? 1 : -1;
    ax = bx;
    ay = by;
  }
  return sum;
}

function crossings(a: Point, b: Point, shapes: readonly WindowShape[]): number[] {
  const found: number[] = [];
  for (const { rings, box } of shapes) {
    if (Math.max(a[0], b[0]) < box.minX || Math.min(a[0], b[0]) > box.maxX) continue;
    if (Math.max(a[1], b[1]) < box.minY || Math.min(a[1], b[1]) > box.maxY) continue;
    for (const ring of rings) {
      ring.forEach((c, i) => {
        const met = meetingOf(a, b, c, pointAt(ring, (i + 1) % ring.length));
        if (met && met.t > 0 && met.t < 1 && met.u >= 0 && met.u <= 1) found.push(met.t);
      });
    }
  }
  return found.sort((p, q) => p - q);
}
