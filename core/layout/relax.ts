import { numberAt } from '../units/index.ts';
import { halfPlanes, moved, reach, type Flat } from './convex.ts';
import { movedMakeup, type InnerBreak, type Makeup } from './shape.ts';

const ROUNDS = 400;
/** An overlap that no one sees. */
const ENOUGH_MM = 0.01;
/** How much of an overlap one round takes out. */
const PUSH = 0.25;
/** A wall gives way less than a neighbour does. */
const WALL_PUSH = 1;

interface Loose {
  hull: number[];
  dx: number;
  dy: number;
}

export interface Relaxed {
  readonly makeup: Makeup;
  readonly worstMm: number;
}

/**
 * The pieces of a joined shape pushed apart by what the rounding of their outlines makes them overlap, so that what is
 * too much is shared by all: overlapping neighbours move away from each other along the direction of least overlap, and
 * off the walls of the room, over and over.
 * @param hullOf the hull of a piece as it is traced
 * @returns the pieces where they lie then, and the deepest overlap that is left, mm
 */
export function relaxed(makeup: Makeup, room: Flat, hullOf: (piece: number) => Flat): Relaxed {
  const loose: Loose[] = [];
  const gather = (one: Makeup): void => {
    if (one.kind === 'pair') {
      gather(one.low);
      gather(one.high);
      return;
    }
    loose.push({
      hull: moved(hullOf(one.piece), Math.cos(one.turn), Math.sin(one.turn), one.dx, one.dy),
      dx: 0,
      dy: 0,
    });
  };
  gather(makeup);
  if (loose.length < 2) return { makeup, worstMm: 0 };
  const pairs = neighbours(loose);
  for (let round = 0; round < ROUNDS; round++) {
    let worst = 0;
    for (const [a, b] of pairs) {
      const { sep, nx, ny } = leastOverlap(a.hull, b.hull);
      if (sep >= 0) continue;
      worst = Math.min(worst, sep);
      const by = (-sep / 2) * PUSH;
      shift(a, -nx * by, -ny * by);
      shift(b, nx * by, ny * by);
    }
    if (round % 20 === 19) offBreaks(makeup, [...loose]);
    for (const one of loose) offWalls(one, room);
    if (worst > -ENOUGH_MM) break;
  }
  let at = 0;
  const rebuilt = (one: Makeup): { makeup: Makeup; hulls: Flat[] } => {
    if (one.kind === 'piece') {
      const { hull, dx, dy } = loose[at++] ?? { hull: [], dx: 0, dy: 0 };
      return { makeup: movedMakeup(one, 0, dx, dy), hulls: [hull] };
    }
    const [low, high] = [rebuilt(one.low), rebuilt(one.high)];
    const cut = between(one.cut, low.hulls, high.hulls);
    return {
      makeup: { kind: 'pair', cut, low: low.makeup, high: high.makeup },
      hulls: [...low.hulls, ...high.hulls],
    };
  };
  const worstMm = pairs.reduce((worst, [a, b]) => Math.max(worst, -leastOverlap(a.hull, b.hull).sep), 0);
  return { makeup: rebuilt(makeup).makeup, worstMm };
}

/** How far a break may turn to pass between what moved, rad, and in how many halvings. */
const TURN = 0.02;
const HALVINGS = 24;

/** The break near a planned one that hulls on both sides reach over least: half of that on each. */
function between(planned: InnerBreak, low: readonly Flat[], high: readonly Flat[]): InnerBreak {
  const at = Math.atan2(planned.ny, planned.nx);
  const look = (rad: number) => {
    const [nx, ny] = [Math.cos(rad), Math.sin(rad)];
    const from = Math.max(...low.map((hull) => reach(hull, nx, ny)));
    const to = -Math.max(...high.map((hull) => reach(hull, -nx, -ny)));
    return { nx, ny, c: (from + to) / 2, over: from - to };
  };
  // The overlap is a sum of two convex functions of the turn, as long as that is small.
  let [left, right] = [at - TURN, at + TURN];
  for (let k = 0; k < HALVINGS; k++) {
    const [a, b] = [left + (right - left) * 0.4, left + (right - left) * 0.6];
    if (look(a).over <= look(b).over) right = b;
    else left = a;
  }
  const { nx, ny, c } = look((left + right) / 2);
  return { nx, ny, c };
}

/** What stands over a break is pushed back behind it, from the first break to the last. Takes its pieces off the list. */
function offBreaks(makeup: Makeup, loose: Loose[]): Loose[] {
  if (makeup.kind === 'piece') return loose.splice(0, 1);
  const low = offBreaks(makeup.low, loose);
  const high = offBreaks(makeup.high, loose);
  const { nx, ny, c } = between(
    makeup.cut,
    low.map((one) => one.hull),
    high.map((one) => one.hull),
  );
  for (const [side, sign] of [
    [low, 1],
    [high, -1],
  ] as const) {
    for (const one of side) {
      const over = reach(one.hull, nx * sign, ny * sign) - c * sign;
      if (over > 0) shift(one, -nx * sign * over * PUSH, -ny * sign * over * PUSH);
    }
  }
  return [...low, ...high];
}

function shift(one: Loose, x: number, y: number): void {
  one.dx += x;
  one.dy += y;
  for (let i = 0; i < one.hull.length; i += 2) {
    one.hull[i] = numberAt(one.hull, i) + x;
    one.hull[i + 1] = numberAt(one.hull, i + 1) + y;
  }
}

function offWalls(one: Loose, room: Flat): void {
  for (const { nx, ny, c } of halfPlanes(room)) {
    const over = reach(one.hull, nx, ny) - c;
    if (over > 0) shift(one, -nx * over * WALL_PUSH, -ny * over * WALL_PUSH);
  }
}

/** Pairs whose hulls lie within a millimetre of each other. */
function neighbours(loose: readonly Loose[]): (readonly [Loose, Loose])[] {
  const pairs: (readonly [Loose, Loose])[] = [];
  loose.forEach((a, i) => {
    for (const b of loose.slice(i + 1)) if (leastOverlap(a.hull, b.hull).sep < 1) pairs.push([a, b]);
  });
  return pairs;
}

/** How far two convex polygons are apart along the best of their normals, mm; negative where they overlap. */
function leastOverlap(a: Flat, b: Flat): { sep: number; nx: number; ny: number } {
  let best = { sep: -Infinity, nx: 0, ny: 0 };
  for (const [from, other, sign] of [
    [a, b, 1],
    [b, a, -1],
  ] as const) {
    for (const { nx, ny, c } of halfPlanes(from)) {
      const sep = -reach(other, -nx, -ny) - c;
      if (sep > best.sep) best = { sep, nx: nx * sign, ny: ny * sign };
    }
  }
  return best;
}
