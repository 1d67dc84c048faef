import type { Point } from '../geometry/index.ts';
import type { Corner, LeadGraph, LeadRun } from '../leading/index.ts';
import { nth } from '../units/index.ts';

/** A straight side of the panel: from end to end, mm. */
export interface Strip {
  readonly from: Point;
  readonly to: Point;
  readonly lengthMm: number;
}

/** What holds a panel as it is laid out. */
export interface Holding {
  /** The two sides that meet in the corner it is built from: their strips are nailed before the first piece. */
  readonly first: readonly Strip[];
  /** The other straight sides: pushed against it when all lies. */
  readonly last: readonly Strip[];
  /** Sides that are not straight are held by pins, so many. */
  readonly pinned: number;
  /** Between the two first, degrees; null where there are not two. */
  readonly cornerDeg: number | null;
  /** From corner to corner, where it has four straight sides: as long as the drawing's, or it is not square. */
  readonly diagonalsMm: readonly [number, number] | null;
}

/** A side that strays no further than this from the line between its ends takes a strip, mm. From memory. */
const STRAIGHT_MM = 0.5;
/** Within a side that is bent elsewhere: no bow of a radius below 4 m is taken for straight, mm. */
const EXACT_MM = 0.05;
const SHORTEST_MM = 40;
/** Ends of two sides so near to each other meet, mm. */
const MEET_MM = 0.5;

/**
 * The strips of a panel that is built from a corner.
 * @param runs sides of its outline, as the cames of a border would go
 */
export function holdingOf(lines: LeadGraph['lines'], runs: readonly LeadRun[], corner: Corner): Holding {
  const sides = runs.filter((run) => run.isBorder).map((run) => pathOf(lines, run));
  const found = sides.map(straightOf);
  const all = sides.flat();
  // Nothing can be nailed along a side where the panel, or another of its parts, reaches over it.
  const strips = found.flatMap((side) => side.strips).filter((strip) => isOutermost(strip, all));
  const start = cornerOf(strips, corner);
  const isFirst = (strip: Strip) => start !== null && endsAt(strip, start);
  const first = strips.filter(isFirst);
  return {
    first,
    last: strips.filter((strip) => !isFirst(strip)),
    pinned: found.filter((side) => !side.isWhole || !side.strips.every((strip) => strips.includes(strip))).length,
    cornerDeg: start !== null && first.length === 2 ? angleDeg(start, first) : null,
    diagonalsMm: sides.length === 4 && strips.length === 4 ? diagonals(strips) : null,
  };
}

const stripOf = (from: Point, to: Point): Strip => ({ from, to, lengthMm: distance(from, to) });
const isStraight = (path: readonly Point[], withinMm: number): boolean => {
  const [from, to] = [nth(path, 0), nth(path, path.length - 1)];
  return distance(from, to) > MEET_MM && path.every((at) => offLine(at, from, to) <= withinMm);
};

/** Whether all of the panel lies on one side of it. */
function isOutermost({ from, to, lengthMm }: Strip, points: readonly Point[]): boolean {
  const sides = points.map(
    ([x, y]) => ((to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0])) / lengthMm,
  );
  return lengthMm >= SHORTEST_MM && (sides.every((mm) => mm <= STRAIGHT_MM) || sides.every((mm) => mm >= -STRAIGHT_MM));
}

/** A side as a whole, or the straight stretches of one that is bent elsewhere. */
function straightOf(path: readonly Point[]): { readonly strips: readonly Strip[]; readonly isWhole: boolean } {
  if (isStraight(path, STRAIGHT_MM))
    return { strips: [stripOf(nth(path, 0), nth(path, path.length - 1))], isWhole: true };
  const strips: Strip[] = [];
  for (let start = 0; start < path.length - 1;) {
    let end = start + 1;
    while (end + 1 < path.length && isStraight(path.slice(start, end + 2), EXACT_MM)) end++;
    const strip = stripOf(nth(path, start), nth(path, end));
    if (strip.lengthMm >= SHORTEST_MM) strips.push(strip);
    start = end;
  }
  return { strips, isWhole: false };
}

function pathOf(lines: LeadGraph['lines'], run: LeadRun): Point[] {
  return run.lines.flatMap((ref, i) => {
    const { path } = nth(lines, ref < 0 ? ~ref : ref);
    const along = ref < 0 ? [...path].reverse() : [...path];
    return i === 0 ? along : along.slice(1);
  });
}

const distance = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(ax - bx, ay - by);
const endsAt = ({ from, to }: Strip, at: Point): boolean =>
  distance(from, at) <= MEET_MM || distance(to, at) <= MEET_MM;

function offLine([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  return Math.abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / Math.hypot(bx - ax, by - ay);
}

/** Where two straight sides meet nearest to a corner of the sheet; null where none do. */
function cornerOf(strips: readonly Strip[], corner: Corner): Point | null {
  const [x, y] = [corner.endsWith('left') ? -1 : 1, corner.startsWith('top') ? -1 : 1];
  const meet = strips
    .flatMap(({ from, to }) => [from, to])
    .filter((at) => strips.filter((strip) => endsAt(strip, at)).length === 2);
  return meet.reduce<Point | null>(
    (best, at) => (best === null || at[0] * x + at[1] * y > best[0] * x + best[1] * y ? at : best),
    null,
  );
}

function angleDeg(at: Point, strips: readonly Strip[]): number {
  const [a = 0, b = 0] = strips.map(({ from, to }) => {
    const [x, y] = distance(from, at) <= MEET_MM ? to : from;
    return Math.atan2(y - at[1], x - at[0]);
  });
  const between = Math.abs(a - b) % (2 * Math.PI);
  return (Math.min(between, 2 * Math.PI - between) * 180) / Math.PI;
}

/** Of four sides that close: between the ends that no side joins. */
function diagonals(strips: readonly Strip[]): readonly [number, number] | null {
  const corners: Point[] = [];
  for (const at of strips.flatMap(({ from, to }) => [from, to]))
    if (!corners.some((known) => distance(known, at) <= MEET_MM)) corners.push(at);
  if (corners.length !== 4) return null;
  const isSide = (a: Point, b: Point) => strips.some((strip) => endsAt(strip, a) && endsAt(strip, b));
  const across = corners.flatMap((a, i) => corners.slice(i + 1).flatMap((b) => (isSide(a, b) ? [] : distance(a, b))));
  const [one, other] = across;
  return across.length === 2 && one !== undefined && other !== undefined ? [one, other] : null;
}
