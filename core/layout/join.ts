import { numberAt, pointAt } from '../units/index.ts';
import type { Point } from '../geometry/index.ts';
import { areaOf, cornerOf, hullOf, moved, ringOf, type Flat } from './convex.ts';
import { halfTurn, movedMakeup, shapeOf, type Makeup, type Shape } from './shape.ts';

/**
 * Pieces that fit each other edge to edge, joined into larger shapes. Where a sheet was taken apart by straight breaks,
 * the last break of any part left two convex pieces that share one whole edge, and their union is convex again; so
 * joining such pairs over and over puts the sheet together. Only where pieces may touch (margin 0).
 *
 *      a────────┬───────d        the shared edge runs the whole length of both,
 *      │   A    │   B   │        and at each of its ends the outer edges go on straight
 *      b────────┴───────c
 */
export interface Joint {
  readonly a: number;
  readonly b: number;
  readonly shape: Shape;
  /** How far the two are off a perfect fit, mm. */
  readonly offMm: number;
}

/** How finely the outlines of a job are written, mm: nothing fits better than that. */
export function roundingOf(outlines: readonly (readonly Point[])[]): number {
  for (const step of [1, 0.1, 0.01, 0.001]) {
    const isOn = (v: number) => Math.abs(v / step - Math.round(v / step)) < 1e-6;
    if (outlines.every((outline) => outline.every(([x, y]) => isOn(x) && isOn(y)))) return step;
  }
  return 0.0001;
}

/** Of the length of an edge, of a corner off the straight line, in roundings; and of an angle, rad per rounding of 0.01. */
const OFF_ROUNDINGS = 5;
const OFF_ANGLE = 0.02;
const STRAIGHT_ROUNDINGS = 4;
/** Any fit over the whole length comes before one beside a hole, mm. */
const HOLE_PENALTY = 1000;
/** An end where the outer edges do not go on straight is a poorer sign than any that do. */
const CORNER_PENALTY = 4;

/** How two edges lie together: over their whole length, or flush at one end only, beside a hole that a lost piece left. */
type Meeting = 'whole' | 'at-start' | 'at-end';

const WHOLE: readonly Meeting[] = ['whole'];
const BESIDE_HOLE: readonly Meeting[] = ['at-start', 'at-end'];

/**
 * The turn of a shape against another, from the shared edge and from the outer edges that go on straight at its ends: a
 * short edge tells it poorly, so each counts by the square of its length.
 */
function trueTurn(a: Shape, i: number, b: Shape, j: number, flush: number, mm: number, tol: number): number {
  const n = a.angles.length;
  const m = b.angles.length;
  const side = (shape: Shape, k: number) => {
    const [p, q] = [cornerOf(shape.hull, k), cornerOf(shape.hull, k + 1)];
    return Math.hypot(q[0] - p[0], q[1] - p[1]);
  };
  let [sum, weights] = [0, mm * mm];
  for (const [own, other] of [
    [(i + n - 1) % n, (j + 1) % m],
    [(i + 1) % n, (j + m - 1) % m],
  ] as const) {
    const off = numberAt(a.angles, own) - numberAt(b.angles, other) - flush;
    const from = off - 2 * Math.PI * Math.round(off / (2 * Math.PI));
    const shorter = Math.min(side(a, own), side(b, other));
    if (Math.abs(from) > tol / mm + tol / shorter) continue;
    sum += from * shorter * shorter;
    weights += shorter * shorter;
  }
  return flush + sum / weights;
}

/** The shape of two that lie edge to edge, or null where they do not fit. */
function joined(
  a: Shape,
  i: number,
  b: Shape,
  j: number,
  { rounding, meeting, mostLostMm2 }: { rounding: number; meeting: Meeting; mostLostMm2: number },
): Omit<Joint, 'a' | 'b'> | null {
  const tol = OFF_ROUNDINGS * rounding;
  const [p, q] = [cornerOf(a.hull, i), cornerOf(a.hull, i + 1)];
  const [r, s] = [cornerOf(b.hull, j), cornerOf(b.hull, j + 1)];
  const mmA = Math.hypot(q[0] - p[0], q[1] - p[1]);
  const mmB = Math.hypot(s[0] - r[0], s[1] - r[1]);
  if (mmA < 20 * rounding || (meeting === 'whole' && Math.abs(mmA - mmB) > tol)) return null;
  const flush = numberAt(a.angles, i) + Math.PI - numberAt(b.angles, j);
  let turn = trueTurn(a, i, b, j, flush, mmA, tol);
  if (a.flowRad !== null && b.flowRad !== null) {
    // Both flows have to be had at once.
    const off = halfTurn(turn + b.flowRad - a.flowRad);
    const most = a.toleranceRad + b.toleranceRad;
    if (Math.abs(off) > most + Math.max(OFF_ANGLE * rounding * 100, tol / mmA)) return null;
    turn = turn - off + Math.max(-most, Math.min(most, off));
  }
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const [on, own]: readonly [Point, Point] =
    meeting === 'at-start'
      ? [p, s]
      : meeting === 'at-end'
        ? [q, r]
        : [
            [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2],
            [(r[0] + s[0]) / 2, (r[1] + s[1]) / 2],
          ];
  const dx = on[0] - (own[0] * cos - own[1] * sin);
  const dy = on[1] - (own[0] * sin + own[1] * cos);
  const other = moved(b.hull, cos, sin, dx, dy);
  // At p the edge of A ends that comes in; B's edge that goes on from there is the one after j.
  const atP = bend(cornerOf(a.hull, i - 1), p, cornerOf(other, j + 2));
  const atQ = bend(cornerOf(other, j - 1), q, cornerOf(a.hull, i + 2));
  if (atP < -tol || atQ < -tol) return null;
  if (meeting === 'whole' ? atP < -tol || atQ < -tol : Math.abs(meeting === 'at-start' ? atP : atQ) > tol) return null;
  const hull = hullOf([...ringOf(a.hull), ...ringOf(other)]);
  const hullMm2 = areaOf(hull);
  const lost = hullMm2 - a.hullMm2 - b.hullMm2;
  if (meeting === 'whole' ? Math.abs(lost) > 2 * tol * (mmA + Math.sqrt(hullMm2)) : lost > mostLostMm2) return null;
  const corners = (Math.abs(atP) > tol ? 1 : 0) + (Math.abs(atQ) > tol ? 1 : 0);
  const offMm =
    meeting !== 'whole'
      ? HOLE_PENALTY + lost / mostLostMm2
      : Math.abs(mmA - mmB) +
        Math.min(tol, Math.abs(atP)) +
        Math.min(tol, Math.abs(atQ)) +
        corners * CORNER_PENALTY * tol;
  const [nx, ny] = [(q[1] - p[1]) / mmA, -(q[0] - p[0]) / mmA];
  const flow = flowOfBoth(a, b, turn);
  return {
    offMm,
    shape: shapeOf(straightened(hull, rounding), {
      areaMm2: a.areaMm2 + b.areaMm2,
      ...flow,
      count: a.count + b.count,
      makeup: {
        kind: 'pair',
        cut: { nx, ny, c: (nx * (p[0] + q[0])) / 2 + (ny * (p[1] + q[1])) / 2 },
        low: a.makeup,
        high: movedMakeup(b.makeup, turn, dx, dy),
      },
    }),
  };
}

/** How far a corner stands out from the line between its neighbours, mm: negative where it turns inwards. */
function bend(before: Point, at: Point, after: Point): number {
  const [x, y] = [after[0] - before[0], after[1] - before[1]];
  const mm = Math.hypot(x, y);
  return mm < 1e-9 ? 0 : ((at[0] - before[0]) * y - (at[1] - before[1]) * x) / mm;
}

/** The turns that suit both, as one flow and tolerance in the frame of the first. */
function flowOfBoth(a: Shape, b: Shape, turn: number): Pick<Shape, 'flowRad' | 'toleranceRad'> {
  if (a.flowRad === null && b.flowRad === null) return { flowRad: null, toleranceRad: a.toleranceRad };
  if (a.flowRad === null) return { flowRad: (b.flowRad ?? 0) + turn, toleranceRad: b.toleranceRad };
  if (b.flowRad === null) return { flowRad: a.flowRad, toleranceRad: a.toleranceRad };
  const off = halfTurn(b.flowRad + turn - a.flowRad);
  const low = Math.max(-a.toleranceRad, off - b.toleranceRad);
  const high = Math.min(a.toleranceRad, off + b.toleranceRad);
  return { flowRad: a.flowRad + (low + high) / 2, toleranceRad: Math.max(0, (high - low) / 2) };
}

/** A hull without the corners that only rounding made. */
function straightened(hull: Flat, rounding: number): Flat {
  let left = ringOf(hull);
  for (;;) {
    if (left.length <= 3) break;
    const at = left.findIndex((p, i) => {
      const before = pointAt(left, (i + left.length - 1) % left.length);
      const after = pointAt(left, (i + 1) % left.length);
      return Math.abs(bend(before, p, after)) < STRAIGHT_ROUNDINGS * rounding;
    });
    if (at < 0) break;
    left = left.filter((_, i) => i !== at);
  }
  return left.flatMap(([x, y]) => [x, y]);
}

const NONE: ReadonlySet<string> = new Set();

const firstPiece = (makeup: Makeup): number =>
  makeup.kind === 'piece' ? makeup.piece : Math.min(firstPiece(makeup.low), firstPiece(makeup.high));

const sizeOf = (makeup: Makeup): number => (makeup.kind === 'piece' ? 1 : sizeOf(makeup.low) + sizeOf(makeup.high));

/** A joint by what it joins: the same two shapes, joined again along the same edges, have the same key. */
export function keyOf(makeup: Makeup): string {
  if (makeup.kind === 'piece') return String(makeup.piece);
  const ends = [makeup.low, makeup.high].map((one) => `${firstPiece(one)}x${sizeOf(one)}`).sort();
  return `${ends.join('+')}@${spanOf(makeup)}`;
}

/** How far apart the first pieces of the two lie: it tells joints along different edges apart. */
function spanOf(makeup: Makeup & { readonly kind: 'pair' }): number {
  const first = (one: Makeup): readonly [number, number] =>
    one.kind === 'piece' ? [one.dx, one.dy] : first(firstPiece(one.low) < firstPiece(one.high) ? one.low : one.high);
  const [a, b] = [first(makeup.low), first(makeup.high)];
  return Math.round(Math.hypot(a[0] - b[0], a[1] - b[1]));
}

/**
 * Shapes joined as far as they go, and where that is not into one, again: two halves may fit along a wrong edge just as
 * well, so the last joint of one of the largest shapes is forbidden and all is joined anew.
 */
export class Joiner {
  readonly #shapes: readonly Shape[];
  readonly #join: (banned: ReadonlySet<string>) => Shape[];
  readonly #random: () => number;
  #banned: ReadonlySet<string> = NONE;
  #best: Shape[];

  constructor(shapes: readonly Shape[], rounding: number, fits: (shape: Shape) => Shape | null, random: () => number) {
    this.#shapes = shapes;
    this.#random = random;
    this.#join = (banned) => joinAll(shapes, rounding, fits, random, { banned });
    this.#best = this.#join(NONE);
  }

  /** What it came to so far: fewer and larger shapes. */
  get best(): readonly Shape[] {
    return this.#best;
  }

  get isDone(): boolean {
    return this.#best.length <= 1 || this.#best.length === this.#shapes.length;
  }

  /** One more way. */
  tryAgain(): void {
    const large = this.#best.filter((shape) => shape.count > 1).sort((a, b) => b.count - a.count);
    const one = large[Math.floor(this.#random() * this.#random() * large.length)];
    if (one === undefined || this.isDone) return;
    // What was forbidden before may have been a true joint: every other time that is forgotten.
    const before = this.#random() < 0.5 ? this.#banned : NONE;
    const banned = new Set([...before, suspectIn(one.makeup, this.#random)]);
    while (this.#random() < 0.3) banned.add(suspectIn(one.makeup, this.#random));
    const next = this.#join(banned);
    if (next.length > this.#best.length) return;
    this.#best = next;
    this.#banned = banned;
  }
}

/** The key of a joint that may be a false one: one of the last, or any. */
export function suspectIn(makeup: Makeup, random: () => number): string {
  if (random() < 0.4) return keyOf(lateJoint(makeup, random));
  const all = jointsIn(makeup);
  return keyOf(all[Math.floor(random() * all.length)] ?? makeup);
}

/** Every joint of a shape. */
const jointsIn = (makeup: Makeup): Makeup[] =>
  makeup.kind === 'piece' ? [] : [makeup, ...jointsIn(makeup.low), ...jointsIn(makeup.high)];

/** The last joint of a shape, now and then one of those before it. */
function lateJoint(makeup: Makeup, random: () => number): Makeup {
  if (makeup.kind === 'piece' || random() < 0.6) return makeup;
  const next = random() < 0.5 ? makeup.low : makeup.high;
  return next.kind === 'piece' ? makeup : lateJoint(next, random);
}

/**
 * Shapes joined as far as they go, the best fits first.
 * @param fits the joined shape as it goes onto a sheet, or null where it does not
 * @param shaken how much chance stirs the order, 0 to 1
 * @param mostLostMm2 glass that may be lost in jumping one hole; 0 jumps none
 * @param banned joints that are not made, by `keyOf`
 */
export function joinAll(
  shapes: readonly Shape[],
  rounding: number,
  fits: (shape: Shape) => Shape | null,
  random: () => number,
  {
    shaken = 0,
    mostLostMm2 = 0,
    banned = NONE,
  }: { readonly shaken?: number; readonly mostLostMm2?: number; readonly banned?: ReadonlySet<string> } = {},
): Shape[] {
  const alive = new Map<number, Shape>(shapes.map((shape, i) => [i, shape]));
  const edges: { owner: number; side: number; mm: number }[] = [];
  let next = shapes.length;
  let joints: (Joint & { readonly rank: number })[] = [];
  const meet = (owner: number, shape: Shape) => {
    const tol = OFF_ROUNDINGS * rounding;
    for (let side = 0; side < shape.angles.length; side++) {
      const [p, q] = [cornerOf(shape.hull, side), cornerOf(shape.hull, side + 1)];
      const mm = Math.hypot(q[0] - p[0], q[1] - p[1]);
      for (const edge of edges) {
        if (edge.owner === owner) continue;
        const isEqual = Math.abs(edge.mm - mm) <= tol;
        if (!isEqual && mostLostMm2 <= 0) continue;
        const other = alive.get(edge.owner);
        if (other === undefined) continue;
        for (const meeting of isEqual ? WHOLE : BESIDE_HOLE) {
          const found = joined(other, edge.side, shape, side, { rounding, meeting, mostLostMm2 });
          if (found === null) continue;
          const stir = meeting === 'whole' ? tol * 6 : 0.5;
          joints.push({ ...found, a: edge.owner, b: owner, rank: found.offMm + shaken * stir * random() });
        }
      }
    }
    shape.angles.forEach((_, side) => {
      const [p, q] = [cornerOf(shape.hull, side), cornerOf(shape.hull, side + 1)];
      edges.push({ owner, side, mm: Math.hypot(q[0] - p[0], q[1] - p[1]) });
    });
  };
  shapes.forEach((shape, i) => meet(i, shape));
  for (;;) {
    joints = joints.filter(({ a, b }) => alive.has(a) && alive.has(b));
    const best = joints.reduce<(Joint & { readonly rank: number }) | null>(
      (least, joint) => (least === null || joint.rank < least.rank ? joint : least),
      null,
    );
    if (best === null) return [...alive.values()];
    joints = joints.filter((joint) => joint !== best);
    const shape = banned.has(keyOf(best.shape.makeup)) ? null : fits(best.shape);
    if (shape === null) continue;
    alive.delete(best.a);
    alive.delete(best.b);
    alive.set(next, shape);
    meet(next, shape);
    next++;
  }
}
