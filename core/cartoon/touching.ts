import Flatbush from 'flatbush';
import { TOLERANCE } from '../limits/index.ts';
import { nth, pointAt } from '../units/index.ts';
import { nearestOnSegment, type Point } from '../geometry/index.ts';
import type { DrawnLine } from './read/types.ts';

const BULGE = 0.1;
/** A flattened curve has more points than this. */
const LEAST_POINTS = 6;
/** So many circles are no panel; they are told as a scribble without being held against each other here. */
const MOST_POINTS = 20_000;

interface Touch {
  readonly line: number;
  /** The segment of that line that is touched, and how far along it lies. */
  readonly segment: number;
  readonly along: number;
  readonly at: Point;
}

/**
 * Where a bulge touches another line, both are given one point: circles side by side, a disc in its frame. Flattened curves
 * would pass each other by a few hundredths of a millimetre there, and what lies between them be open.
 *
 * Only single touches count: lines that run beside each other, and those that meet there anyway, are left as they are.
 * @returns the lines with points added, none of which is moved by more than {@link TOLERANCE.touchMm}
 */
export function joinTouching(lines: readonly DrawnLine[]): readonly DrawnLine[] {
  const bulges = lines.flatMap((line, i) => (isBulge(line) ? [i] : []));
  const count = bulges.reduce((sum, i) => sum + nth(lines, i).points.length, 0);
  if (count === 0 || count > MOST_POINTS || lines.length < 2) return lines;
  const { tree, lineOf, segmentOf } = segmentsOf(lines);
  const touches: Touch[] = [];
  for (const i of bulges) {
    /** Of each other line that is near, the nearest vertex of the stretch that is gone along. */
    let open = new Map<number, Near>();
    const { points, closed } = nth(lines, i);
    for (let v = closed ? 0 : 1; v < points.length - (closed ? 0 : 1); v++) {
      const next = new Map<number, Near>();
      for (const near of nearTo(lines, tree, lineOf, segmentOf, i, pointAt(points, v))) {
        const known = next.get(near.line) ?? open.get(near.line);
        const best = known && known.mm <= near.mm ? known : near;
        next.set(near.line, {
          ...best,
          length: (open.get(near.line)?.length ?? 0) + 1,
          meets: (known?.meets ?? false) || near.meets,
        });
      }
      for (const [line, near] of open) if (!next.has(line)) settle(near);
      open = next;
    }
    open.forEach(settle);
  }
  return touches.length === 0 ? lines : withTouches(lines, touches);

  function settle(near: Near): void {
    if (near.length <= MOST_VERTICES && !near.meets) touches.push(near);
  }
}

/** A touch is near for a vertex or two; what is near for longer runs beside it. */
const MOST_VERTICES = 3;

interface Near extends Touch {
  readonly mm: number;
  /** Vertices in a row that were near. */
  readonly length: number;
  /** They have a point in common already. */
  readonly meets: boolean;
}

function* nearTo(
  lines: readonly DrawnLine[],
  tree: Flatbush,
  lineOf: readonly number[],
  segmentOf: readonly number[],
  own: number,
  at: Point,
): Generator<Near> {
  const [x, y] = at;
  const r = TOLERANCE.touchMm;
  for (const found of tree.search(x - r, y - r, x + r, y + r, (s) => lineOf[s] !== own)) {
    const line = nth(lineOf, found);
    const segment = nth(segmentOf, found);
    const { points } = nth(lines, line);
    const [ax, ay] = pointAt(points, segment);
    const [bx, by] = pointAt(points, (segment + 1) % points.length);
    const { distSq, t } = nearestOnSegment(x, y, ax, ay, bx, by);
    if (distSq > r * r || isFreeEnd(nth(lines, line), segment, t)) continue;
    yield { line, segment, along: t, at, mm: Math.sqrt(distSq), length: 1, meets: distSq === 0 };
  }
}

/** An end that stops there is drawn to its line when ends are healed. */
const isFreeEnd = ({ points, closed }: DrawnLine, segment: number, t: number): boolean =>
  !closed && ((segment === 0 && t === 0) || (segment === points.length - 2 && t === 1));

function withTouches(lines: readonly DrawnLine[], touches: readonly Touch[]): DrawnLine[] {
  const byLine = new Map<number, Touch[]>();
  for (const touch of touches) byLine.set(touch.line, [...(byLine.get(touch.line) ?? []), touch]);
  return lines.map((line, i) => {
    const own = byLine.get(i);
    if (!own) return line;
    own.sort((a, b) => a.segment - b.segment || a.along - b.along);
    const points = line.points.flatMap((point, s) => [point, ...own.filter((t) => t.segment === s).map((t) => t.at)]);
    return { ...line, points };
  });
}

function segmentsOf(lines: readonly DrawnLine[]): { tree: Flatbush; lineOf: number[]; segmentOf: number[] } {
  const lineOf: number[] = [];
  const segmentOf: number[] = [];
  lines.forEach(({ points, closed }, i) => {
    for (let s = 0; s < points.length - (closed ? 0 : 1); s++) {
      lineOf.push(i);
      segmentOf.push(s);
    }
  });
  const tree = new Flatbush(Math.max(1, lineOf.length));
  lineOf.forEach((i, k) => {
    const { points } = nth(lines, i);
    const [ax, ay] = pointAt(points, nth(segmentOf, k));
    const [bx, by] = pointAt(points, (nth(segmentOf, k) + 1) % points.length);
    tree.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
  });
  tree.finish();
  return { tree, lineOf, segmentOf };
}

/** Whether a line bulges: it closes round something, or stands off its own chord by a tenth, as an eighth of a circle does. */
function isBulge({ points, closed }: DrawnLine): boolean {
  if (points.length < LEAST_POINTS) return false;
  if (closed) return true;
  const [ax, ay] = pointAt(points, 0);
  const [bx, by] = pointAt(points, points.length - 1);
  const chord = Math.hypot(bx - ax, by - ay);
  const step = Math.max(1, points.length >> 3);
  for (let i = step; i < points.length - 1; i += step) {
    const [x, y] = pointAt(points, i);
    const off = Math.abs((bx - ax) * (y - ay) - (by - ay) * (x - ax));
    if (off >= BULGE * chord * chord) return true;
  }
  return false;
}
