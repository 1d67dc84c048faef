import { floatAt, lastOf, nth, numberAt, pointAt } from '../units/index.ts';
import { contains, meetingOf, nearestOnSegment, poleOf, signedArea, type Point, type Ring } from '../geometry/index.ts';

/** No score comes further than this into the piece, mm: a little less than the 0.05 mm that is promised. */
export const ENTERS_MM = 0.035;
/** An earlier score may have cut so much past a corner: what ends there ends at the edge. */
const AT_THE_EDGE_MM = 0.04;
const FREED_STEP_MM = 0.5;
/** What two parts may catch on one another sideways without holding, mm. */
const CATCH_MM = 0.02;
/** A pull is looked for in so many directions, the one straight out of the mouth first. */
const PULLS = 36;

/** The glass in the hand round a piece, while scores take away one part of it after the other. */
export class GlassLeft {
  readonly #piece: Ring;
  readonly #inside: Point;
  readonly #indexOf: ReadonlyMap<Point, number>;
  #left: Ring;

  /**
   * @param piece clockwise as seen
   * @param blank the glass it is cut from, round all of it, clockwise as seen
   */
  constructor(piece: Ring, blank: Ring, inside: Point = poleOf([piece], 0.05).at) {
    this.#piece = piece;
    this.#inside = inside;
    this.#indexOf = new Map(piece.map((p, i) => [p, i]));
    this.#left = blank;
  }

  get ring(): Ring {
    return this.#left;
  }

  /** Whether a point lies on the edge of the glass that is left. */
  isEdge(point: Point): boolean {
    return distanceToRing(this.#left, point) < AT_THE_EDGE_MM;
  }

  /** Whether nothing is left to be taken off along a stretch of the border. */
  isFreed(along: readonly Point[]): boolean {
    return along.every((to, i) => {
      const from = pointAt(along, Math.max(0, i - 1));
      const steps = Math.max(1, Math.ceil(Math.hypot(to[0] - from[0], to[1] - from[1]) / FREED_STEP_MM));
      for (let k = 1; k <= steps; k++)
        if (!this.isGone([from[0] + ((to[0] - from[0]) * k) / steps, from[1] + ((to[1] - from[1]) * k) / steps]))
          return false;
      return true;
    });
  }

  /** Whether no glass is left outside of a place of the border: it lies at the edge, or a score took a hair too much. */
  isGone(point: Point): boolean {
    return this.isEdge(point) || !contains(this.#left, point);
  }

  /** A score whose ends lie all but at the edge, led to the edge itself. */
  settled(path: readonly Point[]): Point[] {
    const end = (point: Point): Point[] => {
      const { edge, t, distSq } = placeOn(this.#left, point);
      if (distSq < 1e-8) return [point];
      const [[ax, ay], [bx, by]] = [pointAt(this.#left, edge), pointAt(this.#left, (edge + 1) % this.#left.length)];
      const at: Point = [ax + (bx - ax) * t, ay + (by - ay) * t];
      return contains(this.#left, point) ? [point, at] : [at];
    };
    return [...end(pointAt(path, 0)).reverse(), ...path.slice(1, -1), ...end(lastOf(path))];
  }

  /** Whether a score stays out of the piece. */
  isClear(path: readonly Point[]): boolean {
    return path.every((to, i) => {
      const from = pointAt(path, Math.max(0, i - 1));
      const n = this.#piece.length;
      // What follows the border from one of its points to the next does not enter.
      const [a, b] = [this.#indexOf.get(from), this.#indexOf.get(to)];
      if (i === 0 || (a !== undefined && b !== undefined && (a + 1) % n === b)) return true;
      return staysOut(this.#piece, from, to, a, b);
    });
  }

  /** Where a ray from inside the glass, or from its edge, first comes to the edge; null where it leaves at once. */
  edgeAlong([x, y]: Point, [dx, dy]: Point): Point | null {
    const best = this.#firstMeeting([x, y], [x + dx, y + dy], 1e-3, Infinity);
    if (best === Infinity) return null;
    const half: Point = [x + (dx * best) / 2, y + (dy * best) / 2];
    return contains(this.#left, half) ? [x + dx * best, y + dy * best] : null;
  }

  /** The stretch of a long path round one of its points that lies in the glass, from edge to edge. */
  within(path: readonly Point[], middle: number): Point[] | null {
    if (!contains(this.#left, pointAt(path, middle))) return null;
    const half = (step: 1 | -1): Point[] | null => {
      const points: Point[] = [];
      for (let i = middle; path[i + step]; i += step) {
        const [a, b] = [pointAt(path, i), pointAt(path, i + step)];
        const mm = Math.hypot(b[0] - a[0], b[1] - a[1]);
        if (mm < 1e-9) continue;
        const out = this.#firstMeeting(a, b, 1e-9, 1);
        if (out < Infinity) return [...points, [a[0] + (b[0] - a[0]) * out, a[1] + (b[1] - a[1]) * out]];
        points.push(b);
      }
      return null;
    };
    const [before, after] = [half(-1), half(1)];
    return before && after && [...before.reverse(), pointAt(path, middle), ...after];
  }

  /** The first share of a way, between two, at which it meets the edge; infinite where it does not. */
  #firstMeeting(from: Point, to: Point, after: number, most: number): number {
    let best = Infinity;
    for (let i = 0; i < this.#left.length; i++) {
      const met = meetingOf(from, to, pointAt(this.#left, i), pointAt(this.#left, (i + 1) % this.#left.length));
      if (met && met.t > after && met.t <= most && met.t < best && met.u >= -1e-9 && met.u <= 1 + 1e-9) best = met.t;
    }
    return best;
  }

  /** The same glass, to try something on. */
  copy(): GlassLeft {
    return new GlassLeft(this.#piece, this.#left, this.#inside);
  }

  /** Stands where another one stands that was tried. */
  become(tried: GlassLeft): void {
    this.#left = tried.#left;
  }

  /** Whether a score runs from edge to edge, out of the piece, and what it parts can be pulled straight away. */
  wouldTake(path: readonly Point[]): boolean {
    return this.#after(path) !== null;
  }

  /** Takes one score. @returns whether it could be taken; else the glass is as it was */
  take(path: readonly Point[]): boolean {
    const rest = this.#after(path);
    if (rest) this.#left = rest;
    return rest !== null;
  }

  #after(path: readonly Point[]): Ring | null {
    if (path.length < 2 || !this.isEdge(pointAt(path, 0)) || !this.isEdge(lastOf(path)) || !this.isClear(path))
      return null;
    const [rest, waste] = partsOf(this.#left, path);
    const isSound = signedArea(rest) > 0 && signedArea(waste) > 0 && contains(rest, this.#inside);
    return isSound && canBePulled(waste, rest, outOf(path)) ? rest : null;
  }
}

/** Straight out of a score that runs clockwise round a piece: to the left of the way from its first point to its last. */
function outOf(path: readonly Point[]): number {
  const [[ax, ay], [bx, by]] = [pointAt(path, 0), lastOf(path)];
  return Math.atan2(-(bx - ax), by - ay);
}

/** The two parts of a ring that a path from edge to edge makes, each clockwise where it is sound. */
function partsOf(ring: Ring, path: readonly Point[]): [Point[], Point[]] {
  const [from, to] = [placeOn(ring, pointAt(path, 0)), placeOn(ring, lastOf(path))];
  const along = (a: { edge: number; t: number }, b: { edge: number; t: number }): Point[] => {
    const points: Point[] = [];
    if (a.edge === b.edge && b.t >= a.t) return points;
    let k = a.edge;
    do {
      k = (k + 1) % ring.length;
      points.push(pointAt(ring, k));
    } while (k !== b.edge);
    return points;
  };
  return [tidy([...path, ...along(to, from)]), tidy([...[...path].reverse(), ...along(from, to)])];
}

function placeOn(ring: Ring, [x, y]: Point): { edge: number; t: number; distSq: number } {
  let best = { edge: 0, t: 0, distSq: Infinity };
  for (let edge = 0; edge < ring.length; edge++) {
    const [[ax, ay], [bx, by]] = [pointAt(ring, edge), pointAt(ring, (edge + 1) % ring.length)];
    const { t, distSq } = nearestOnSegment(x, y, ax, ay, bx, by);
    if (distSq < best.distSq - 1e-18) best = { edge, t, distSq };
  }
  return best;
}

const tidy = (ring: readonly Point[]): Point[] =>
  ring.filter((p, i) => {
    const next = pointAt(ring, (i + 1) % ring.length);
    return Math.hypot(p[0] - next[0], p[1] - next[1]) > 1e-7;
  });

export function distanceToRing(ring: Ring, [x, y]: Point): number {
  let best = Infinity;
  for (let i = 0; i < ring.length; i++) {
    const [[ax, ay], [bx, by]] = [pointAt(ring, i), pointAt(ring, (i + 1) % ring.length)];
    best = Math.min(best, nearestOnSegment(x, y, ax, ay, bx, by).distSq);
  }
  return Math.sqrt(best);
}

/**
 * Whether a straight line nowhere runs further into a piece than {@link ENTERS_MM}, nor cuts off a tip that is longer.
 * @param first index of the piece's point that the line begins at, if it does; `last` of the one it ends at
 */
function staysOut(piece: Ring, [ax, ay]: Point, [bx, by]: Point, first?: number, last?: number): boolean {
  const [dx, dy] = [bx - ax, by - ay];
  const meets: { t: number; edge: number | undefined }[] = [
    { t: 0, edge: first },
    { t: 1, edge: last },
  ];
  for (let i = 0; i < piece.length; i++) {
    const met = meetingOf([ax, ay], [bx, by], pointAt(piece, i), pointAt(piece, (i + 1) % piece.length));
    if (met && met.t > 0 && met.t < 1 && met.u >= 0 && met.u <= 1) meets.push({ t: met.t, edge: i });
  }
  meets.sort((p, q) => p.t - q.t);
  for (let k = 1; k < meets.length; k++) {
    const [from, to] = [nth(meets, k - 1), nth(meets, k)];
    const mm = (to.t - from.t) * Math.hypot(dx, dy);
    const at = (share: number): Point => [
      ax + dx * (from.t + (to.t - from.t) * share),
      ay + dy * (from.t + (to.t - from.t) * share),
    ];
    // Between two meetings all lies on one side.
    if (mm < 1e-6 || !contains(piece, at(0.5))) continue;
    if (tipMm(piece, from.edge, to.edge, at(0), at(1)) > ENTERS_MM) return false;
    // No place of a short stretch is far from both its ends.
    if (mm < 2 * ENTERS_MM) continue;
    const tries = Math.min(12, Math.ceil(mm / ENTERS_MM));
    for (let step = 1; step < tries; step++) if (distanceToRing(piece, at(step / tries)) > ENTERS_MM) return false;
  }
  return true;
}

/** A tip has no more points than this. */
const TIP_POINTS = 12;

/** How far a piece's border between two of its edges leaves the line that cuts it off, on the shorter way, mm. */
function tipMm(piece: Ring, from: number | undefined, to: number | undefined, a: Point, b: Point): number {
  if (from === undefined || to === undefined) return 0;
  const n = piece.length;
  const ahead = (to - from + n) % n;
  const [start, count] = ahead <= n - ahead ? [from, ahead] : [to, n - ahead];
  let most = 0;
  for (let k = 1; k <= Math.min(count, TIP_POINTS); k++) {
    const [x, y] = pointAt(piece, (start + k) % n);
    most = Math.max(most, nearestOnSegment(x, y, a[0], a[1], b[0], b[1]).distSq);
  }
  return Math.sqrt(most);
}

/**
 * Whether a part can be pulled straight away from the rest: in some direction nothing of the rest lies ahead of it.
 * @param out where to look first, radians
 */
export function canBePulled(part: Ring, rest: Ring, out: number): boolean {
  for (let k = 0; k < PULLS; k++) {
    const turn = Math.ceil(k / 2) * ((2 * Math.PI) / PULLS) * (k % 2 === 0 ? 1 : -1);
    if (isFreeAlong(part, rest, out + turn)) return true;
  }
  return false;
}

/** Slab by slab across the pull: the furthest of the rest stands behind the nearest of the part. */
function isFreeAlong(part: Ring, rest: Ring, direction: number): boolean {
  const [p, r] = [turned(part, direction), turned(rest, direction)];
  const us = new Float64Array(p.us.length + r.us.length);
  us.set(p.us);
  us.set(r.us, p.us.length);
  us.sort();
  const [least, most] = [Math.min(...p.us), Math.max(...p.us)];
  const margin = CATCH_MM / 4;
  const samples: number[] = [];
  for (let i = 1; i < us.length; i++) {
    const [from, to] = [floatAt(us, i - 1), floatAt(us, i)];
    if (to - from < CATCH_MM || to <= least || from >= most) continue;
    samples.push(from + margin, to - margin);
  }
  const nearest = reach(p, samples, -1);
  const furthest = reach(r, samples, 1);
  // Where one of the two is not there at all its reach is infinite to the harmless side.
  for (let i = 0; i < samples.length; i++) if (floatAt(furthest, i) > floatAt(nearest, i) + 2 * CATCH_MM) return false;
  return true;
}

interface Turned {
  /** Across the pull, and along it. */
  readonly us: Float64Array;
  readonly vs: Float64Array;
}

function turned(ring: Ring, direction: number): Turned {
  const [c, s] = [Math.cos(direction), Math.sin(direction)];
  return {
    us: Float64Array.from(ring, ([x, y]) => x * s - y * c),
    vs: Float64Array.from(ring, ([x, y]) => x * c + y * s),
  };
}

/**
 * How far a ring reaches along the pull at each of some places across it, which stand in ascending order.
 * @param sense 1 for the furthest, -1 for the nearest; -sense · ∞ where the ring is not there
 */
function reach({ us, vs }: Turned, samples: readonly number[], sense: 1 | -1): Float64Array {
  const found = new Float64Array(samples.length).fill(-sense * Infinity);
  const n = us.length;
  for (let k = 0; k < n; k++) {
    const [au, av] = [floatAt(us, k), floatAt(vs, k)];
    const [bu, bv] = [floatAt(us, (k + 1) % n), floatAt(vs, (k + 1) % n)];
    const high = Math.max(au, bu);
    for (let i = firstFrom(samples, Math.min(au, bu)); i < samples.length; i++) {
      const u = numberAt(samples, i);
      if (u >= high) break;
      const v = av + ((bv - av) * (u - au)) / (bu - au);
      if (sense * v > sense * floatAt(found, i)) found[i] = v;
    }
  }
  return found;
}

/** Index of the first of ascending numbers that is not below one. */
function firstFrom(ascending: readonly number[], least: number): number {
  let [low, high] = [0, ascending.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (numberAt(ascending, middle) < least) low = middle + 1;
    else high = middle;
  }
  return low;
}
