import type { Point, Ring } from '../geometry/index.ts';
import { fromEnd, lastOf, numberAt } from '../units/index.ts';

/**
 * Convex polygons as flat rows x0, y0, x1, y1, …, walked so that their area is positive (clockwise as seen). A side
 * from a to b has its outward normal at (dy, −dx). Half planes are n·p ≤ c with n of length one.
 */
export type Flat = readonly number[];

export const flatOf = (ring: Ring): Flat => ring.flatMap(([x, y]) => [x, y]);

export const ringOf = (flat: Flat): Ring =>
  Array.from({ length: flat.length / 2 }, (_, i) => [numberAt(flat, 2 * i), numberAt(flat, 2 * i + 1)] as const);

/** A corner by its number, which may run on past the last or back before the first. */
export function cornerOf(flat: Flat, k: number): Point {
  const n = flat.length / 2;
  const i = 2 * (((k % n) + n) % n);
  return [numberAt(flat, i), numberAt(flat, i + 1)];
}

/** The convex hull of points in any order, points on a side and doubled ones left out (monotone chain, Andrew 1979). */
export function hullOf(points: Ring): Flat {
  const sorted = points
    .map(([x, y]) => [Math.round(x * 1e7) / 1e7, Math.round(y * 1e7) / 1e7] as const)
    .sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (row: Ring): Ring => {
    const chain: (readonly [number, number])[] = [];
    for (const p of row) {
      while (chain.length >= 2) {
        const [ox, oy] = fromEnd(chain, 2);
        const [ax, ay] = lastOf(chain);
        if ((ax - ox) * (p[1] - oy) - (ay - oy) * (p[0] - ox) > 1e-9) break;
        chain.pop();
      }
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return flatOf([...half(sorted), ...half([...sorted].reverse())]);
}

/** Signed area in mm² about the first point. */
export function areaOf(poly: Flat): number {
  const count = poly.length;
  if (count < 6) return 0;
  const [ox, oy] = [numberAt(poly, 0), numberAt(poly, 1)];
  let twice = 0;
  let ax = numberAt(poly, 2) - ox;
  let ay = numberAt(poly, 3) - oy;
  for (let i = 4; i < count; i += 2) {
    const bx = numberAt(poly, i) - ox;
    const by = numberAt(poly, i + 1) - oy;
    twice += ax * by - bx * ay;
    ax = bx;
    ay = by;
  }
  return twice / 2;
}

/** How far a polygon reaches along a direction: the largest n·p. */
export function reach(poly: Flat, nx: number, ny: number): number {
  let most = -Infinity;
  for (let i = 0; i < poly.length; i += 2) {
    const at = nx * numberAt(poly, i) + ny * numberAt(poly, i + 1);
    if (at > most) most = at;
  }
  return most;
}

/** The part of a polygon with n·p ≤ c (Sutherland and Hodgman 1974, for one half plane); empty when nothing is left. */
export function clip(poly: Flat, nx: number, ny: number, c: number): Flat {
  const count = poly.length;
  const out: number[] = [];
  if (count === 0) return out;
  let ax = numberAt(poly, count - 2);
  let ay = numberAt(poly, count - 1);
  let before = nx * ax + ny * ay - c;
  for (let i = 0; i < count; i += 2) {
    const bx = numberAt(poly, i);
    const by = numberAt(poly, i + 1);
    const here = nx * bx + ny * by - c;
    if (here <= 0) {
      if (before > 0 && here < 0) {
        const t = before / (before - here);
        out.push(ax + t * (bx - ax), ay + t * (by - ay));
      }
      out.push(bx, by);
    } else if (before < 0) {
      const t = before / (before - here);
      out.push(ax + t * (bx - ax), ay + t * (by - ay));
    }
    ax = bx;
    ay = by;
    before = here;
  }
  return out.length >= 6 ? out : [];
}

/** The area of what `clip` would leave with n·p ≥ c, mm², without making it. */
export function areaBeyond(poly: Flat, nx: number, ny: number, c: number): number {
  const count = poly.length;
  if (count < 6) return 0;
  let ax = numberAt(poly, count - 2);
  let ay = numberAt(poly, count - 1);
  let before = nx * ax + ny * ay - c;
  // About the first point that is kept, so that far-off sheets lose no digits.
  let ox = 0;
  let oy = 0;
  let px = 0;
  let py = 0;
  let met = 0;
  let twice = 0;
  for (let i = 0; i < count; i += 2) {
    const bx = numberAt(poly, i);
    const by = numberAt(poly, i + 1);
    const here = nx * bx + ny * by - c;
    if (here >= 0 !== before >= 0) {
      const t = before / (before - here);
      const mx = ax + t * (bx - ax);
      const my = ay + t * (by - ay);
      if (met === 0) {
        ox = mx;
        oy = my;
      } else twice += px * (my - oy) - py * (mx - ox);
      px = mx - ox;
      py = my - oy;
      met++;
    }
    if (here >= 0) {
      if (met === 0) {
        ox = bx;
        oy = by;
      } else twice += px * (by - oy) - py * (bx - ox);
      px = bx - ox;
      py = by - oy;
      met++;
    }
    ax = bx;
    ay = by;
    before = here;
  }
  return twice / 2;
}

/** A half plane n·p ≤ c, its normal of length one. */
export interface HalfPlane {
  readonly nx: number;
  readonly ny: number;
  readonly c: number;
}

/** The half planes of which a convex polygon is what they have in common: one for each side that is longer than a hair. */
export function halfPlanes(poly: Flat): HalfPlane[] {
  const planes: HalfPlane[] = [];
  for (let i = 0; i < poly.length; i += 2) {
    const j = (i + 2) % poly.length;
    const ax = numberAt(poly, i);
    const ay = numberAt(poly, i + 1);
    const dx = numberAt(poly, j) - ax;
    const dy = numberAt(poly, j + 1) - ay;
    const mm = Math.sqrt(dx * dx + dy * dy);
    if (mm > 1e-9) planes.push({ nx: dy / mm, ny: -dx / mm, c: (dy * ax - dx * ay) / mm });
  }
  return planes;
}

/** The polygon with every side moved in by `byMm`; empty when nothing is left. */
export function shrunk(poly: Flat, byMm: number): Flat {
  return halfPlanes(poly).reduce<Flat>((left, { nx, ny, c }) => clip(left, nx, ny, c - byMm), poly);
}

/** Turned about the origin by an angle, then moved. */
export function moved(poly: Flat, cos: number, sin: number, dx: number, dy: number): number[] {
  const out: number[] = new Array<number>(poly.length);
  for (let i = 0; i < poly.length; i += 2) {
    const x = numberAt(poly, i);
    const y = numberAt(poly, i + 1);
    out[i] = x * cos - y * sin + dx;
    out[i + 1] = x * sin + y * cos + dy;
  }
  return out;
}

/** The least distance between two parallel lines that hold the polygon, mm. */
export function leastWidth(poly: Flat): number {
  let least = Infinity;
  for (const { nx, ny, c } of halfPlanes(poly)) least = Math.min(least, c + reach(poly, -nx, -ny));
  return least === Infinity ? 0 : least;
}

/** Whether a square of a side fits into a convex polygon with one side at an angle: what is left of it drawn in by the square is not empty. */
function holdsSquareAt(poly: Flat, planes: readonly HalfPlane[], side: number, cos: number, sin: number): boolean {
  let left: Flat = poly;
  for (const { nx, ny, c } of planes) {
    const half = (side / 2) * (Math.abs(nx * cos + ny * sin) + Math.abs(ny * cos - nx * sin));
    left = touchingClip(left, nx, ny, c - half);
    if (left.length === 0) return false;
  }
  return true;
}

/** As `clip`, with a hair of grace, and a line or a point that is left over counts. */
function touchingClip(poly: Flat, nx: number, ny: number, c: number): Flat {
  const left = clip(poly, nx, ny, c + 1e-7);
  if (left.length > 0) return left;
  return poly.filter((_, k) => {
    const i = k - (k % 2);
    return nx * numberAt(poly, i) + ny * numberAt(poly, i + 1) <= c + 1e-7;
  });
}

/** Whether a square of a side fits into a convex polygon, flush with one of its sides or at one of `turns` more angles. */
export function holdsSquare(poly: Flat, side: number, turns = 0): boolean {
  if (areaOf(poly) < side * side - 1e-6 || leastWidth(poly) < side - 1e-7) return false;
  const planes = halfPlanes(poly);
  // A square lies flush with a side where it is turned as its normal is.
  if (planes.some(({ nx, ny }) => holdsSquareAt(poly, planes, side, nx, ny))) return true;
  for (let k = 0; k < turns; k++) {
    const rad = (Math.PI / 2) * (k / turns);
    if (holdsSquareAt(poly, planes, side, Math.cos(rad), Math.sin(rad))) return true;
  }
  return false;
}
