import type { Cartoon } from '../cartoon/index.ts';
import type { Point, Ring } from '../geometry/index.ts';
import { nth, pointAt } from '../units/index.ts';
import { folded, headingOf } from './heading.ts';
import type { LeadGraph, LeadJoint, LeadJointKind, LeadLine, LineEnd } from './types.ts';

/** A came is bent no further than this where it goes on, degrees. */
export const MOST_TURN_DEG = 35;
const MOST_TURN = (MOST_TURN_DEG * Math.PI) / 180;
/** What a turn may be off by rounding. */
const GRACE = 1e-6;
/** A turn of chords that may hide a bend of the drawn curve. */
const LOOKED_AT = 0.7 * MOST_TURN;

/** The lines of a drawing as cames: from joint to joint, with the pieces on both sides. */
export function leadGraph({ map, pieces }: Pick<Cartoon, 'map' | 'pieces'>): LeadGraph {
  const sides = map.lines.map((): { left: number | null; right: number | null } => ({ left: null, right: null }));
  for (const piece of pieces)
    for (const ref of piece.rings.flat()) {
      // Rings are walked with their inside to the right, as seen with y down.
      if (ref >= 0) nth(sides, ref).right = piece.number;
      else nth(sides, ~ref).left = piece.number;
    }
  const meeting = map.nodes.map(() => 0);
  for (const { from, to } of map.lines) for (const node of [from, to]) meeting[node] = (meeting[node] ?? 0) + 1;
  const joints: { at: Point; ends: LineEnd[] }[] = [];
  const byNode = new Map<number, number>();
  const jointAt = (node: number): number => {
    const known = byNode.get(node);
    if (known !== undefined) return known;
    const made = joints.push({ at: pointAt(map.nodes, node), ends: [] }) - 1;
    byNode.set(node, made);
    return made;
  };
  const lines: LeadLine[] = [];
  const put = (path: Ring, from: number | null, to: number | null, { left, right }: (typeof sides)[number]) => {
    const line = lines.length;
    const isBorder = left === null || right === null;
    const headings = [headingOf(path), headingOf([...path].reverse())] as const;
    lines.push({ from, to, path, lengthMm: lengthOf(path), left, right, isBorder, headings });
    if (from !== null) nth(joints, from).ends.push({ line, end: 0 });
    if (to !== null) nth(joints, to).ends.push({ line, end: 1 });
  };
  map.lines.forEach((line, i) => {
    const side = nth(sides, i);
    const path = withoutTwins(line.points);
    const isRing = line.from === line.to && meeting[line.from] === 2;
    const bends = bendsOf(path, isRing);
    if (isRing) {
      if (bends.length === 0) return put(path, null, null, side);
      // It begins anew at its first bend.
      const first = nth(bends, 0);
      const around = [...path.slice(first, -1), ...path.slice(0, first + 1)];
      const places = bends.map((k) => k - first);
      const made = bends.map((k) => joints.push({ at: pointAt(path, k), ends: [] }) - 1);
      places.forEach((k, n) => {
        const next = places[n + 1] ?? around.length - 1;
        put(around.slice(k, next + 1), nth(made, n), nth(made, (n + 1) % made.length), side);
      });
      return;
    }
    let start = 0;
    let from = jointAt(line.from);
    for (const k of bends) {
      const here = joints.push({ at: pointAt(path, k), ends: [] }) - 1;
      put(path.slice(start, k + 1), from, here, side);
      [start, from] = [k, here];
    }
    put(path.slice(start), from, jointAt(line.to), side);
  });
  return { joints: joints.map(({ at, ends }): LeadJoint => ({ at, ends, kind: kindOf(ends.length) })), lines };
}

const KINDS: readonly LeadJointKind[] = ['end', 'end', 'L', 'T', 'X'];
const kindOf = (ends: number): LeadJointKind => KINDS[ends] ?? 'more';

const lengthOf = (path: Ring): number =>
  path.reduce((sum, [x, y], i) => {
    const [px, py] = pointAt(path, Math.max(0, i - 1));
    return sum + Math.hypot(x - px, y - py);
  }, 0);

const withoutTwins = (path: Ring): Point[] =>
  path.filter((p, i) => i === 0 || Math.hypot(p[0] - pointAt(path, i - 1)[0], p[1] - pointAt(path, i - 1)[1]) > 1e-9);

/** Places within a line, or round a ring, at which it turns by more than a came is bent. */
function bendsOf(path: Ring, isRing: boolean): number[] {
  const bends: number[] = [];
  for (let i = isRing ? 0 : 1; i < path.length - 1; i++) {
    const last = pointAt(path, isRing && i === 0 ? path.length - 2 : i - 1);
    // Chords of a curve turn far less: only what might be a bend is looked at closely.
    if (turnBetween(towards(pointAt(path, i), last), towards(pointAt(path, i), pointAt(path, i + 1))) < LOOKED_AT)
      continue;
    const [before, after] =
      isRing && i === 0 ? [[...path].reverse(), path] : [path.slice(0, i + 1).reverse(), path.slice(i)];
    if (turnBetween(headingOf(before), headingOf(after)) > MOST_TURN + GRACE) bends.push(i);
  }
  return bends;
}

const towards = (a: Point, b: Point): number => Math.atan2(b[1] - a[1], b[0] - a[0]);

/** By how much a line turns that comes in by one heading (as it leaves the joint) and goes on by another, radians. */
export const turnBetween = (one: number, other: number): number => Math.abs(folded(other - one - Math.PI));

/** Whether a came can go through a joint from one end of a line to another. */
export const canPass = (lines: readonly LeadLine[], a: LineEnd, b: LineEnd): boolean =>
  nth(lines, a.line).isBorder === nth(lines, b.line).isBorder && turnAt(lines, a, b) <= MOST_TURN + GRACE;

export const turnAt = (lines: readonly LeadLine[], a: LineEnd, b: LineEnd): number =>
  turnBetween(nth(nth(lines, a.line).headings, a.end), nth(nth(lines, b.line).headings, b.end));
