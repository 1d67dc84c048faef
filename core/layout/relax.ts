import { numberAt } from '../units/index.ts';
import { moved, reach, type Flat } from './convex.ts';
import { movedMakeup, type Makeup } from './shape.ts';

const ROUNDS = 400;
/** How much of an overlap one round takes out. */
const PUSH = 0.6;
/** A wall gives way less than a neighbour does. */
const WALL_PUSH = 1;

interface Loose {
  hull: number[];
  dx: number;
  dy: number;
}

/**
 * The pieces of a joined shape pushed apart by what the rounding of their outlines makes them overlap, so that what is
 * too much is shared by all: overlapping neighbours move away from each other along the direction of least overlap, and
 * off the walls of the room, over and over.
 * @param hullOf the hull of a piece as it is traced
 */
export function relaxed(makeup: Makeup, room: Flat, hullOf: (piece: number) => Flat): Makeup {
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
  if (loose.length < 2) return makeup;
  const pairs = neighbours(loose);
  for (let round = 0; round < ROUNDS; round++) {
    for (const [a, b] of pairs) {
      const { sep, nx, ny } = leastOverlap(a.hull, b.hull);
      if (sep >= 0) continue;
      const by = (-sep / 2) * PUSH;
      shift(a, -nx * by, -ny * by);
      shift(b, nx * by, ny * by);
    }
    for (const one of loose) offWalls(one, room);
  }
  let at = 0;
  const rebuilt = (one: Makeup): { makeup: Makeup; hulls: Flat[] } => {
    if (one.kind === 'piece') {
      const { hull, dx, dy } = loose[at++] ?? { hull: [], dx: 0, dy: 0 };
      return { makeup: movedMakeup(one, 0, dx, dy), hulls: [hull] };
    }
    const [low, high] = [rebuilt(one.low), rebuilt(one.high)];
    const { nx, ny } = one.cut;
    const from = Math.max(...low.hulls.map((hull) => reach(hull, nx, ny)));
    const to = -Math.max(...high.hulls.map((hull) => reach(hull, -nx, -ny)));
    return {
      makeup: { kind: 'pair', cut: { nx, ny, c: (from + to) / 2 }, low: low.makeup, high: high.makeup },
      hulls: [...low.hulls, ...high.hulls],
    };
  };
  return rebuilt(makeup).makeup;
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
  for (let i = 0; i < room.length; i += 2) {
    const j = (i + 2) % room.length;
    const [ax, ay] = [numberAt(room, i), numberAt(room, i + 1)];
    const [ex, ey] = [numberAt(room, j) - ax, numberAt(room, j + 1) - ay];
    const mm = Math.hypot(ex, ey);
    if (mm < 1e-9) continue;
    const [nx, ny] = [ey / mm, -ex / mm];
    const over = reach(one.hull, nx, ny) - (nx * ax + ny * ay);
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
    for (let i = 0; i < from.length; i += 2) {
      const j = (i + 2) % from.length;
      const [ax, ay] = [numberAt(from, i), numberAt(from, i + 1)];
      const [ex, ey] = [numberAt(from, j) - ax, numberAt(from, j + 1) - ay];
      const mm = Math.hypot(ex, ey);
      if (mm < 1e-9) continue;
      const [nx, ny] = [ey / mm, -ex / mm];
      const sep = -reach(other, -nx, -ny) - (nx * ax + ny * ay);
      if (sep > best.sep) best = { sep, nx: nx * sign, ny: ny * sign };
    }
  }
  return best;
}
