import { lastOf, pointAt } from '../units/index.ts';

/**
 * Points are `[x, y]` in millimetres, x right and y down. A ring is a closed row of points without
 * the first repeated at the end; walked clockwise *as seen* its signed area is positive.
 */
export type Point = readonly [number, number];
export type Ring = readonly Point[];

export interface Box {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/** Signed area in mm² by the shoelace formula about the first point; positive when clockwise as seen. */
export function signedArea(ring: Ring): number {
  const [ox, oy] = ring[0] ?? [0, 0];
  let twice = 0;
  let ax = 0;
  let ay = 0;
  for (const [x, y] of ring) {
    const bx = x - ox;
    const by = y - oy;
    twice += ax * by - bx * ay;
    ax = bx;
    ay = by;
  }
  return twice / 2;
}

/** Length in mm of the closed walk round a ring. */
export function perimeter(ring: Ring): number {
  if (ring.length === 0) return 0;
  const [ax, ay] = lastOf(ring);
  const [bx, by] = pointAt(ring, 0);
  return pathLength(ring) + Math.sqrt((bx - ax) ** 2 + (by - ay) ** 2);
}

/** Length in mm of an open walk along points. */
export function pathLength(points: Ring): number {
  let sum = 0;
  let [ax, ay] = points[0] ?? [0, 0];
  for (const [bx, by] of points) {
    sum += Math.sqrt((bx - ax) ** 2 + (by - ay) ** 2);
    ax = bx;
    ay = by;
  }
  return sum;
}

/** Centre of area of a region with holes (holes wound the other way than the outer ring). */
export function centroid(rings: readonly Ring[]): Point {
  const [ox, oy] = rings[0]?.[0] ?? [0, 0];
  let twice = 0;
  let sx = 0;
  let sy = 0;
  for (const ring of rings) {
    let [ax, ay] = ring.at(-1) ?? [ox, oy];
    for (const [bx, by] of ring) {
      const cross = (ax - ox) * (by - oy) - (bx - ox) * (ay - oy);
      twice += cross;
      sx += (ax + bx - 2 * ox) * cross;
      sy += (ay + by - 2 * oy) * cross;
      ax = bx;
      ay = by;
    }
  }
  return twice === 0 ? [ox, oy] : [ox + sx / (3 * twice), oy + sy / (3 * twice)];
}

export function boxOf(points: Iterable<Point>): Box {
  let minX = Infinity;
  let minY = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  for (const [x, y] of points) {
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  return { minX, minY, maxX, maxY };
}

/** Even-odd test; a point on the border may answer either way. */
export function contains(ring: Ring, [x, y]: Point): boolean {
  let inside = false;
  let [bx, by] = ring.at(-1) ?? [x, y];
  for (const [ax, ay] of ring) {
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
    bx = ax;
    by = ay;
  }
  return inside;
}

/** Inside the outer ring and in none of the holes. */
export function regionContains([outer, ...holes]: readonly Ring[], point: Point): boolean {
  return outer !== undefined && contains(outer, point) && !holes.some((hole) => contains(hole, point));
}

/**
 * Where two lines meet, as shares of the way from a to b (`t`) and from c to d (`u`): both within 0 and 1 where the
 * segments themselves cross. Null for lines that run side by side.
 */
export function meetingOf(
  [ax, ay]: Point,
  [bx, by]: Point,
  [cx, cy]: Point,
  [dx, dy]: Point,
): { readonly t: number; readonly u: number } | null {
  const [px, py, qx, qy] = [bx - ax, by - ay, dx - cx, dy - cy];
  const cross = px * qy - py * qx;
  if (Math.abs(cross) < 1e-12) return null;
  const t = ((cx - ax) * qy - (cy - ay) * qx) / cross;
  const u = ((cx - ax) * py - (cy - ay) * px) / cross;
  return { t, u };
}

/** Nearest point of segment ab to p, with its parameter along ab in [0, 1] and squared distance. */
export function nearestOnSegment(px: number, py: number, ax: number, ay: number, bx: number, by: number) {
  const dx = bx - ax;
  const dy = by - ay;
  const lengthSq = dx * dx + dy * dy;
  const t = lengthSq === 0 ? 0 : Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / lengthSq));
  const x = ax + t * dx;
  const y = ay + t * dy;
  return { x, y, t, distSq: (px - x) ** 2 + (py - y) ** 2 };
}

const sideOf = (a: Point, b: Point, p: Point): number => (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]);

/** Whether two sides that are no neighbours cross. */
export function crossesItself(ring: Ring): boolean {
  const n = ring.length;
  for (let i = 0; i < n; i++) {
    const [a, b] = [pointAt(ring, i), pointAt(ring, (i + 1) % n)];
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const [c, d] = [pointAt(ring, j), pointAt(ring, (j + 1) % n)];
      if (sideOf(a, b, c) > 0 !== sideOf(a, b, d) > 0 && sideOf(c, d, a) > 0 !== sideOf(c, d, b) > 0) {
        const parallel = Math.abs((b[0] - a[0]) * (d[1] - c[1]) - (b[1] - a[1]) * (d[0] - c[0])) < 1e-9;
        if (!parallel) return true;
      }
    }
  }
  return false;
}
