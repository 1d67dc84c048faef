import { numberAt } from '../units/index.ts';
import { halfPlanes, moved, reach, type Flat } from './convex.ts';
import type { Part } from './part.ts';
import { allowedTurn, type Shape } from './shape.ts';

/** Where a shape lies: its hull turned about its own origin, then moved. */
export interface Laid {
  readonly turn: number;
  readonly dx: number;
  readonly dy: number;
  readonly hull: Flat;
}

/** What a side of a room is to a shape that is laid on it: unit direction, outward normal, and how far out it is. */
export interface Side {
  readonly dx: number;
  readonly dy: number;
  readonly c: number;
  readonly mm: number;
}

/** The sides of a convex polygon, the longest first. */
export function sidesOf(room: Flat): Side[] {
  const sides: Side[] = [];
  for (let i = 0; i < room.length; i += 2) {
    const j = (i + 2) % room.length;
    const [ax, ay] = [numberAt(room, i), numberAt(room, i + 1)];
    const [bx, by] = [numberAt(room, j) - ax, numberAt(room, j + 1) - ay];
    const mm = Math.sqrt(bx * bx + by * by);
    if (mm < 1e-6) continue;
    sides.push({ dx: bx / mm, dy: by / mm, c: (by * ax - bx * ay) / mm, mm });
  }
  return sides.sort((a, b) => b.mm - a.mm);
}

/** The turn that lays one side of a shape along a side of the room, or the nearest that its flow allows. */
export const flushTurn = (shape: Shape, part: Part, side: Side, flush: number): number =>
  allowedTurn(shape, part.bed.flowRad, Math.atan2(side.dy, side.dx) - numberAt(shape.angles, flush));

/**
 * A shape laid against one side of a room and slid along it as far as it goes, or null where it does not go in.
 * Each other side bounds the slide from one end; a flaw takes a stretch out of it.
 * @param end 0 slides against the side's direction, 1 along it
 * @param graceMm by how much it may stand over; then it lies in the middle
 */
export function lay(
  shape: Shape,
  turn: number,
  part: Part,
  sides: readonly Side[],
  base: Side,
  end: 0 | 1,
  graceMm: number,
): Laid | null {
  const hull = moved(shape.hull, Math.cos(turn), Math.sin(turn), 0, 0);
  const [nx, ny] = [base.dy, -base.dx];
  const out = base.c - reach(hull, nx, ny);
  let least = -Infinity;
  let most = Infinity;
  for (const side of sides) {
    if (side === base) continue;
    const [mx, my] = [side.dy, -side.dx];
    const slack = side.c - reach(hull, mx, my) - out * (mx * nx + my * ny);
    const along = mx * base.dx + my * base.dy;
    if (along > 1e-9) {
      const t = slack / along;
      if (t < most) most = t;
    } else if (along < -1e-9) {
      const t = slack / along;
      if (t > least) least = t;
    } else if (slack < -graceMm) return null;
    if (least > most + graceMm) return null;
  }
  if (!(least > -Infinity && most < Infinity)) return null;
  if (least > most) least = most = (least + most) / 2;
  const t =
    part.bed.flaws.length === 0 ? (end === 0 ? least : most) : clearOfFlaws(hull, part, base, out, least, most, end);
  if (t === null) return null;
  const [dx, dy] = [nx * out + base.dx * t, ny * out + base.dy * t];
  for (let i = 0; i < hull.length; i += 2) {
    hull[i] = numberAt(hull, i) + dx;
    hull[i + 1] = numberAt(hull, i + 1) + dy;
  }
  return { turn, dx, dy, hull };
}

/** How far off a flaw a piece stays, mm. */
const OFF_FLAW = 0.02;

/** The slide nearest to the wanted end at which a hull is off all flaws. */
function clearOfFlaws(
  hull: Flat,
  part: Part,
  base: Side,
  out: number,
  least: number,
  most: number,
  end: 0 | 1,
): number | null {
  const [nx, ny] = [base.dy * out, -base.dx * out];
  const shut = part.bed.flaws.flatMap((flaw) => {
    const stretch = overlapOf(hull, flaw, nx, ny, base.dx, base.dy);
    return stretch === null ? [] : [stretch];
  });
  let t = end === 0 ? least : most;
  for (let moves = 0; moves <= shut.length; moves++) {
    const inWay = shut.find(([from, to]) => t > from + 1e-6 && t < to - 1e-6);
    if (inWay === undefined) return t;
    t = end === 0 ? inWay[1] : inWay[0];
    if (t < least || t > most) return null;
  }
  return null;
}

/**
 * The stretch of slides over which two convex polygons overlap: they do where they overlap on every axis that is normal
 * to a side of either (the separating axis theorem), and on each axis that is one stretch.
 */
function overlapOf(
  hull: Flat,
  flaw: Flat,
  x: number,
  y: number,
  dx: number,
  dy: number,
): readonly [number, number] | null {
  let from = -Infinity;
  let to = Infinity;
  for (const poly of [hull, flaw]) {
    for (const { nx: mx, ny: my } of halfPlanes(poly)) {
      const shift = mx * x + my * y;
      // low < v·t < high
      const low = -reach(flaw, -mx, -my) - reach(hull, mx, my) - shift - OFF_FLAW;
      const high = reach(flaw, mx, my) + reach(hull, -mx, -my) - shift + OFF_FLAW;
      const speed = mx * dx + my * dy;
      if (Math.abs(speed) < 1e-9) {
        if (low >= 0 || high <= 0) return null;
        continue;
      }
      from = Math.max(from, speed > 0 ? low / speed : high / speed);
      to = Math.min(to, speed > 0 ? high / speed : low / speed);
      if (from >= to) return null;
    }
  }
  return [from, to];
}
