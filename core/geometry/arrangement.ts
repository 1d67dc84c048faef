import { CAPACITY } from '../limits/index.ts';
import * as units from '../units/index.ts';
import { indexRuns, ON_LINE, overlap, segmentBoxes } from './runs.ts';
import { PairTable } from './tables.ts';

// Bound once: the test runner looks an import up with every call, and these stand in the innermost loops.
const { numberAt } = units;

/**
 * Segments on an integer grid, split wherever they meet.
 *
 * One unit is 0.1 µm. Within ±3.3 m a cross product of two differences stays below 2^53, so every
 * orientation below is exact in plain doubles and needs no extended arithmetic. Clipper, too, works on integers and
 * rounds others in silence.
 */
export const UNITS_PER_MM = 1e4;
/** Rounding a crossing can bring about another one; in practice the second pass finds none. */
const MOST_PASSES = 6;

export interface Segments {
  /** Vertex coordinates in units, x and y by turns. */
  readonly xy: number[];
  /** Vertex index pairs, from and to by turns. */
  readonly ends: number[];
}

export class VertexGrid {
  readonly xy: number[] = [];
  readonly #index: PairTable;

  /** @param expected about how many vertices there will be */
  constructor(expected = 1024) {
    this.#index = new PairTable(expected);
  }

  /** The vertex at a point in units; points that round alike are one vertex. */
  at(x: number, y: number): number {
    const rx = Math.round(x);
    const ry = Math.round(y);
    const fresh = this.xy.length / 2;
    const vertex = this.#index.getOrSet(rx, ry, fresh);
    if (vertex === fresh) this.xy.push(rx, ry);
    return vertex;
  }
}

/**
 * Splits segments at every crossing, touch and overlap and drops exact doubles.
 * @returns segments that meet at shared vertices only; `doubled` are the vertex pairs of dropped ones. A scribble with
 * more than {@link CAPACITY.meetings} meetings comes back with `tooMany` and no segments.
 */
export function splitAtMeetings(
  grid: VertexGrid,
  ends: readonly number[],
): { ends: number[]; doubled: number[]; tooMany: boolean } {
  let current = withoutDoubles(ends);
  const doubled = [...current.doubled];
  // Only what the last pass made can meet anew: a vertex it added, or a segment it turned by rounding.
  let freshFrom = 0;
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    const splits = findSplits(grid, current.ends, freshFrom);
    if (splits === null) return { ends: [], doubled, tooMany: true };
    if (splits.size === 0) break;
    const applied = applySplits(grid, current.ends, splits);
    freshFrom = applied.freshFrom;
    const next = withoutDoubles(applied.ends);
    // Doubles are dropped from behind, so what is fresh still stands at the end; at worst a little more is asked again.
    freshFrom = Math.max(0, freshFrom - next.doubled.length / 2);
    for (const vertex of next.doubled) doubled.push(vertex);
    current = next;
  }
  return { ends: current.ends, doubled, tooMany: false };
}

/** Drops segments that join the same two vertices as an earlier one, and those of no length. */
export function withoutDoubles(ends: readonly number[]): { ends: number[]; doubled: number[] } {
  const seen = new PairTable(ends.length / 2);
  const kept: number[] = [];
  const doubled: number[] = [];
  for (let i = 0; i < ends.length; i += 2) {
    const a = numberAt(ends, i);
    const b = numberAt(ends, i + 1);
    if (a === b) continue;
    if (seen.getOrSet(Math.min(a, b), Math.max(a, b), i) !== i) doubled.push(a, b);
    else kept.push(a, b);
  }
  return { ends: kept, doubled };
}

/** @param freshFrom segments from this one on are held against all, earlier ones only against these */
function findSplits(grid: VertexGrid, ends: readonly number[], freshFrom: number): Map<number, number[]> | null {
  const splits = new Map<number, number[]>();
  if (ends.length < 4) return splits;
  const boxes = segmentBoxes(grid.xy, ends);
  const index = indexRuns(grid.xy, ends, boxes, freshFrom);
  if (!index) return null;
  const { runs, runBoxes } = index;
  const runCount = runs.length - 1;
  const freshRun = runs.indexOf(freshFrom);
  let meetings = 0;
  const add = (segment: number, vertex: number) => {
    meetings++;
    if (ends[2 * segment] === vertex || ends[2 * segment + 1] === vertex) return;
    const list = splits.get(segment);
    if (!list) splits.set(segment, [vertex]);
    else list.push(vertex);
  };
  const near: number[] = [];
  for (let r = freshRun; r < runCount; r++) {
    for (const other of index.runsNear(r, (o) => o > r || o < freshRun)) {
      near.length = 0;
      for (let o = numberAt(runs, other); o < numberAt(runs, other + 1); o++)
        if (overlap(boxes, 4 * o, runBoxes, 4 * r)) near.push(o);
      if (near.length === 0) continue;
      for (let s = numberAt(runs, r); s < numberAt(runs, r + 1); s++) {
        if (!overlap(boxes, 4 * s, runBoxes, 4 * other)) continue;
        for (const o of near) if (overlap(boxes, 4 * s, boxes, 4 * o)) meet(grid, ends, s, o, add);
      }
      if (meetings > CAPACITY.meetings) return null;
    }
  }
  return splits;
}

/** Reports the vertices at which two segments have to be split: touching ends first, else the crossing. */
function meet(
  grid: VertexGrid,
  ends: readonly number[],
  s: number,
  o: number,
  add: (segment: number, vertex: number) => void,
): void {
  const { xy } = grid;
  const a = numberAt(ends, 2 * s);
  const b = numberAt(ends, 2 * s + 1);
  const c = numberAt(ends, 2 * o);
  const d = numberAt(ends, 2 * o + 1);
  let touched = touches(xy, a, c, d, o, add);
  touched = touches(xy, b, c, d, o, add) || touched;
  touched = touches(xy, c, a, b, s, add) || touched;
  touched = touches(xy, d, a, b, s, add) || touched;
  if (touched) return;
  const ax = numberAt(xy, 2 * a);
  const ay = numberAt(xy, 2 * a + 1);
  const rx = numberAt(xy, 2 * b) - ax;
  const ry = numberAt(xy, 2 * b + 1) - ay;
  const cx = numberAt(xy, 2 * c);
  const cy = numberAt(xy, 2 * c + 1);
  const sx = numberAt(xy, 2 * d) - cx;
  const sy = numberAt(xy, 2 * d + 1) - cy;
  const cross = rx * sy - ry * sx;
  if (cross === 0) return;
  const t = ((cx - ax) * sy - (cy - ay) * sx) / cross;
  const u = ((cx - ax) * ry - (cy - ay) * rx) / cross;
  if (t <= 0 || t >= 1 || u <= 0 || u >= 1) return;
  const vertex = grid.at(ax + t * rx, ay + t * ry);
  add(s, vertex);
  add(o, vertex);
}

/** Whether a vertex is an end of segment `s` from p to q or lies on it; there it is reported. */
function touches(
  xy: readonly number[],
  vertex: number,
  p: number,
  q: number,
  s: number,
  add: (segment: number, vertex: number) => void,
): boolean {
  if (vertex === p || vertex === q) return true;
  if (!liesOn(xy, vertex, p, q)) return false;
  add(s, vertex);
  return true;
}

/**
 * Whether a vertex lies on a segment, between its ends. Both parts must be shorter than the whole: of three vertices
 * a micrometre apart each could else be found on the line of the other two, and splitting would never end.
 */
function liesOn(xy: readonly number[], vertex: number, p: number, q: number): boolean {
  const px = numberAt(xy, 2 * p);
  const py = numberAt(xy, 2 * p + 1);
  const dx = numberAt(xy, 2 * q) - px;
  const dy = numberAt(xy, 2 * q + 1) - py;
  const vx = numberAt(xy, 2 * vertex) - px;
  const vy = numberAt(xy, 2 * vertex + 1) - py;
  const lengthSq = dx * dx + dy * dy;
  const along = vx * dx + vy * dy;
  if (along <= 0 || along >= lengthSq) return false;
  const cross = vx * dy - vy * dx;
  if (cross * cross > ON_LINE * ON_LINE * lengthSq) return false;
  return vx * vx + vy * vy < lengthSq && (vx - dx) ** 2 + (vy - dy) ** 2 < lengthSq;
}

/** The unsplit segments first, then the parts of the split ones. */
function applySplits(
  grid: VertexGrid,
  ends: readonly number[],
  splits: ReadonlyMap<number, number[]>,
): { ends: number[]; freshFrom: number } {
  const { xy } = grid;
  const next: number[] = [];
  for (let s = 0; s < ends.length / 2; s++)
    if (!splits.has(s)) next.push(numberAt(ends, 2 * s), numberAt(ends, 2 * s + 1));
  const freshFrom = next.length / 2;
  for (const [s, between] of splits) {
    const a = numberAt(ends, 2 * s);
    const b = numberAt(ends, 2 * s + 1);
    const ax = numberAt(xy, 2 * a);
    const ay = numberAt(xy, 2 * a + 1);
    const dx = numberAt(xy, 2 * b) - ax;
    const dy = numberAt(xy, 2 * b + 1) - ay;
    const along = (v: number) => (numberAt(xy, 2 * v) - ax) * dx + (numberAt(xy, 2 * v + 1) - ay) * dy;
    let from = a;
    for (const vertex of between.sort((p, q) => along(p) - along(q))) {
      // The same vertex may have been met from several other segments.
      if (vertex === from) continue;
      next.push(from, vertex);
      from = vertex;
    }
    next.push(from, b);
  }
  return { ends: next, freshFrom };
}
