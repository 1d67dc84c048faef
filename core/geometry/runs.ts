import { CAPACITY } from '../limits/index.ts';
import Flatbush from 'flatbush';
import * as units from '../units/index.ts';

// Bound once: the test runner looks an import up with every call, and these stand in the innermost loops.
const { floatAt, numberAt } = units;

/** A vertex this near a segment lies on it, in units: 1 µm, far below any tool mark, far above rounding. */
export const ON_LINE = 10;
/** Segments to a run, longest first; 8 to 16 are equally good where lines stand apart as on a panel. */
const RUN_LENGTHS = [12, 3, 1];
/** Overlapping boxes to a run, on the whole, from which on shorter runs are better. */
const CROWDED = 24;
const SAMPLED_RUNS = 200;

export interface RunIndex {
  /** Where each run begins, and the end of the last. */
  readonly runs: readonly number[];
  /** Four numbers each. */
  readonly runBoxes: Float64Array;
  /** The runs whose boxes overlap with that of a run, as far as a filter lets them through. */
  runsNear(run: number, filter?: (other: number) => boolean): number[];
}

/**
 * Boxes round runs of segments, as long as these do not overlap with too many others: where lines lie close side by
 * side, long runs are all in one another's boxes. Null where they are even so.
 */
export function indexRuns(
  xy: readonly number[],
  ends: readonly number[],
  boxes: Float64Array,
  freshFrom: number,
): RunIndex | null {
  for (const longest of RUN_LENGTHS) {
    const runs = monotoneRuns(xy, ends, freshFrom, longest);
    const runCount = runs.length - 1;
    const tree = new Flatbush(runCount);
    const runBoxes = new Float64Array(4 * runCount);
    for (let r = 0; r < runCount; r++) {
      const box = boxOfRange(boxes, numberAt(runs, r), numberAt(runs, r + 1));
      runBoxes.set(box, 4 * r);
      tree.add(...box);
    }
    tree.finish();
    const runsNear: RunIndex['runsNear'] = (run, filter) =>
      tree.search(
        floatAt(runBoxes, 4 * run),
        floatAt(runBoxes, 4 * run + 1),
        floatAt(runBoxes, 4 * run + 2),
        floatAt(runBoxes, 4 * run + 3),
        filter,
      );
    const step = Math.max(1, Math.floor(runCount / SAMPLED_RUNS));
    let hits = 0;
    let sampled = 0;
    for (let r = 0; r < runCount; r += step) {
      hits += runsNear(r).length;
      sampled++;
    }
    if (hits <= CROWDED * sampled) return { runs, runBoxes, runsNear };
    // Runs of one segment cannot be shortened: then it is only a question of how much work there is.
    if (2 * runCount === ends.length)
      return (hits / sampled) * runCount > CAPACITY.boxPairs ? null : { runs, runBoxes, runsNear };
  }
  return null;
}

type Box = [minX: number, minY: number, maxX: number, maxY: number];

/** The boxes of all segments, four numbers each, wider by the width at which a vertex counts as on a line. */
export function segmentBoxes(xy: readonly number[], ends: readonly number[]): Float64Array {
  const boxes = new Float64Array(2 * ends.length);
  for (let s = 0; s < ends.length / 2; s++) {
    const a = 2 * numberAt(ends, 2 * s);
    const b = 2 * numberAt(ends, 2 * s + 1);
    const ax = numberAt(xy, a);
    const ay = numberAt(xy, a + 1);
    const bx = numberAt(xy, b);
    const by = numberAt(xy, b + 1);
    boxes[4 * s] = Math.min(ax, bx) - ON_LINE;
    boxes[4 * s + 1] = Math.min(ay, by) - ON_LINE;
    boxes[4 * s + 2] = Math.max(ax, bx) + ON_LINE;
    boxes[4 * s + 3] = Math.max(ay, by) + ON_LINE;
  }
  return boxes;
}

/**
 * Where runs of segments begin that follow each other without turning back in x or in y, and the end of the last.
 * No two segments of such a run meet but at the vertex they share, so a curve of many small segments is held
 * against others by a few boxes.
 */
function monotoneRuns(xy: readonly number[], ends: readonly number[], freshFrom: number, longest: number): number[] {
  const starts: number[] = [];
  const n = ends.length / 2;
  let runX = 0;
  let runY = 0;
  let from = 0;
  for (let s = 0; s < n; s++) {
    const a = 2 * numberAt(ends, 2 * s);
    const b = 2 * numberAt(ends, 2 * s + 1);
    const dirX = Math.sign(numberAt(xy, b) - numberAt(xy, a));
    const dirY = Math.sign(numberAt(xy, b + 1) - numberAt(xy, a + 1));
    const goesOn =
      s > 0 &&
      s !== freshFrom &&
      s - from < longest &&
      ends[2 * s - 1] === ends[2 * s] &&
      runX * dirX >= 0 &&
      runY * dirY >= 0;
    if (goesOn) {
      runX ||= dirX;
      runY ||= dirY;
    } else {
      starts.push(s);
      [from, runX, runY] = [s, dirX, dirY];
    }
  }
  starts.push(n);
  return starts;
}

function boxOfRange(boxes: Float64Array, from: number, to: number): Box {
  const box: Box = [Infinity, Infinity, -Infinity, -Infinity];
  for (let at = 4 * from; at < 4 * to; at += 4) {
    box[0] = Math.min(box[0], floatAt(boxes, at));
    box[1] = Math.min(box[1], floatAt(boxes, at + 1));
    box[2] = Math.max(box[2], floatAt(boxes, at + 2));
    box[3] = Math.max(box[3], floatAt(boxes, at + 3));
  }
  return box;
}

export const overlap = (p: Float64Array, i: number, q: Float64Array, k: number): boolean =>
  floatAt(p, i) <= floatAt(q, k + 2) &&
  floatAt(p, i + 2) >= floatAt(q, k) &&
  floatAt(p, i + 1) <= floatAt(q, k + 3) &&
  floatAt(p, i + 3) >= floatAt(q, k + 1);
