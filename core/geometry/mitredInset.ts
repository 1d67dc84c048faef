import { TOLERANCE } from '../limits/index.ts';
import { nth, pointAt, numberAt, floatAt } from '../units/index.ts';
import { nearestOnSegment, signedArea, type Point, type Ring } from './ring.ts';

/** An inside corner sharper than this is bevelled by the general offset: cos of 180° − 29°. */
const SHARPEST_COS = -0.87;
/** A point of less than 2.5° has no mitre to compute with. */
const NEEDLE_COS = -0.999;
/** Neighbouring edges this nearly parallel that move by different amounts have no corner to mitre. */
const PARALLEL = 0.02;
/** Above this the pairwise check costs more than the general offset. */
const PAIRWISE_POINTS = 400;

/** An eaten edge of a ring with inside corners is a chord of a curve while it is no longer than so many times its way in. */
const MOST_CHORDS_TO_WAY = 3;
/** Distances are computed to within this. */
const SURE_MM = 1e-3;

/** A chord at a corner may be eaten, and the next one with it; more is a matter for the general offset. */
const MOST_ROUNDS = 12;

/** The line on which an edge lies, its direction, and how far it moves in. `next` is the edge that shares its end. */
interface Edge {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
  readonly byMm: number;
  readonly order: number;
  readonly mm: number;
}

/**
 * Moves every edge of a simple ring inwards by its own measure, corners mitred, by intersecting neighbouring edges.
 *
 *     ────a────╲          An edge that would run backwards is eaten: its neighbours meet instead. That is right in
 *     - - a' - -╲b        a ring without inside corners. With inside corners it is right as long as no edge is eaten,
 *            b'  ╲        each of them lies between edges that move alike, and no waist is closed; or as long as only
 *                         short chords are eaten and the answer keeps off every edge. Else it is null, and the general
 *                         offset has to do it.
 *
 * @param byMm how far each edge moves, edge i running from point i to the next
 */
export function mitredInset(whole: Ring, byMm: readonly number[]): Point[] | null {
  const sign = signedArea(whole) > 0 ? 1 : -1;
  let edges: Edge[] = [];
  for (let i = 0; i < whole.length; i++) {
    const [ax, ay] = pointAt(whole, i);
    const [bx, by] = pointAt(whole, (i + 1) % whole.length);
    const length = Math.hypot(bx - ax, by - ay);
    if (length < TOLERANCE.edgeMm) continue;
    const [dx, dy] = [(bx - ax) / length, (by - ay) / length];
    edges.push({ x: ax, y: ay, dx, dy, byMm: numberAt(byMm, i), order: edges.length, mm: length });
  }
  const all = edges.length;
  if (all > PAIRWISE_POINTS) return null;
  let isUnsure = false;
  for (let round = 0; round < MOST_ROUNDS && edges.length >= 3; round++) {
    const corners = cornersOf(edges, all, sign);
    if (!corners) return null;
    const n = edges.length;
    const kept = edges.filter((e, i) => {
      const [ax, ay] = pointAt(corners, i);
      const [bx, by] = pointAt(corners, (i + 1) % n);
      return (bx - ax) * e.dx + (by - ay) * e.dy > 0;
    });
    if (kept.length === n) {
      const isRing = signedArea(corners) * sign > 0 && !touchesItself(corners);
      return isRing && (!isUnsure || keepsOff(whole, byMm, corners)) ? corners : null;
    }
    if (hasInsideCorner(edges, sign)) {
      const left = new Set(kept);
      if (edges.some((e) => !left.has(e) && e.mm > MOST_CHORDS_TO_WAY * e.byMm)) return null;
      isUnsure = true;
    }
    edges = kept;
  }
  return null;
}

/** Where each edge, moved in, meets the one before it. Null where two do not meet within reason. */
function cornersOf(edges: readonly Edge[], all: number, sign: number): Point[] | null {
  const n = edges.length;
  const corners: Point[] = [];
  for (let i = 0; i < n; i++) {
    const a = nth(edges, (i + n - 1) % n);
    const b = nth(edges, i);
    const cos = a.dx * b.dx + a.dy * b.dy;
    const sin = a.dx * b.dy - a.dy * b.dx;
    // Inside corners open outwards of the piece's edge: there a long mitre would be bevelled. Points only draw back.
    if (cos < NEEDLE_COS || (cos < SHARPEST_COS && sin * sign < 0)) return null;
    // Inwards is to the right of a ring walked clockwise as seen, y down: the normal (−dy, dx).
    const [ax, ay] = [-a.dy * a.byMm * sign, a.dx * a.byMm * sign];
    const [bx, by] = [-b.dy * b.byMm * sign, b.dx * b.byMm * sign];
    if (a.byMm === b.byMm && b.order === (a.order + 1) % all) {
      // Along the bisector by d / cos(half the turn).
      const k = 1 / (1 + cos);
      corners.push([b.x + (ax + bx) * k, b.y + (ay + by) * k]);
      continue;
    }
    // Where a wide line ends at an inside corner, the narrow one's edge runs on beside that end: no mitre keeps off both.
    if (Math.abs(sin) < PARALLEL || (sin * sign < 0 && a.byMm !== b.byMm)) return null;
    const [px, py] = [a.x + ax, a.y + ay];
    const t = ((b.x + bx - px) * b.dy - (b.y + by - py) * b.dx) / sin;
    corners.push([px + a.dx * t, py + a.dy * t]);
  }
  return corners;
}

const hasInsideCorner = (edges: readonly Edge[], sign: number): boolean =>
  edges.some((b, i) => {
    const a = nth(edges, (i + edges.length - 1) % edges.length);
    return (a.dx * b.dy - a.dy * b.dx) * sign < 0;
  });

/**
 * Whether an inset keeps its distance from every edge of the ring it is of. Two edges that do not cross are nearest to one
 * another at an end of one of them.
 */
function keepsOff(whole: Ring, byMm: readonly number[], inset: readonly Point[]): boolean {
  const n = whole.length;
  const atEdges = Float64Array.from(byMm, (mm) => mm - SURE_MM);
  const atPoints = Float64Array.from(byMm, (mm, i) => Math.max(mm, numberAt(byMm, (i + n - 1) % n)) - SURE_MM);
  const [outside, inside] = [closedXy(whole), closedXy(inset)];
  return isOffEach(inside, outside, atEdges, null) && isOffEach(outside, inside, null, atPoints);
}

/** Whether the points of a ring lie so far from every edge of another: as far as it is said of the edge, or of the point. */
function isOffEach(
  points: Float64Array,
  edges: Float64Array,
  ofEdges: Float64Array | null,
  ofPoints: Float64Array | null,
): boolean {
  for (let k = 0; k + 3 < points.length; k += 2) {
    const px = floatAt(points, k);
    const py = floatAt(points, k + 1);
    const ofPoint = ofPoints === null ? 0 : floatAt(ofPoints, k / 2);
    let bx = floatAt(edges, 0) - px;
    let by = floatAt(edges, 1) - py;
    for (let i = 0; i + 3 < edges.length; i += 2) {
      const ax = bx;
      const ay = by;
      bx = floatAt(edges, i + 2) - px;
      by = floatAt(edges, i + 3) - py;
      const least = ofEdges === null ? ofPoint : floatAt(ofEdges, i / 2);
      // Most edges lie beyond reach to one side.
      if (least <= 0 || (ax > least && bx > least) || (ax < -least && bx < -least)) continue;
      if ((ay > least && by > least) || (ay < -least && by < -least)) continue;
      if (nearestOnSegment(0, 0, ax, ay, bx, by).distSq < least * least) return false;
    }
  }
  return true;
}

/** The points of a ring one after the other, the first once more at the end. */
function closedXy(ring: Ring): Float64Array {
  const xy = new Float64Array(2 * ring.length + 2);
  ring.forEach(([x, y], i) => {
    xy[2 * i] = x;
    xy[2 * i + 1] = y;
  });
  xy[2 * ring.length] = floatAt(xy, 0);
  xy[2 * ring.length + 1] = floatAt(xy, 1);
  return xy;
}

function touchesItself(ring: readonly Point[]): boolean {
  const n = ring.length;
  const xy = closedXy(ring);
  for (let i = 0; i < n; i++) {
    const ax = floatAt(xy, 2 * i);
    const ay = floatAt(xy, 2 * i + 1);
    const bx = floatAt(xy, 2 * i + 2);
    const by = floatAt(xy, 2 * i + 3);
    const [x0, x1] = ax < bx ? [ax, bx] : [bx, ax];
    const [y0, y1] = ay < by ? [ay, by] : [by, ay];
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const cx = floatAt(xy, 2 * j);
      const cy = floatAt(xy, 2 * j + 1);
      const dx = floatAt(xy, 2 * j + 2);
      const dy = floatAt(xy, 2 * j + 3);
      if ((cx > x1 && dx > x1) || (cx < x0 && dx < x0) || (cy > y1 && dy > y1) || (cy < y0 && dy < y0)) continue;
      const p = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
      const q = (bx - ax) * (dy - ay) - (by - ay) * (dx - ax);
      const r = (dx - cx) * (ay - cy) - (dy - cy) * (ax - cx);
      const s = (dx - cx) * (by - cy) - (dy - cy) * (bx - cx);
      if (p * q <= 0 && r * s <= 0) return true;
    }
  }
  return false;
}
