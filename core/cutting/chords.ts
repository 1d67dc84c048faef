import { floatAt, numberAt, pointAt } from '../units/index.ts';
import {
  contains,
  depthsInHull,
  meetingOf,
  nearestOnSegment,
  thinLine,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { baysOf } from './bays.ts';
import { insideCorners, narrowestNeck } from './ringShape.ts';
import type { OnBorder } from './parts.ts';

/** A line begins at corners of the border, and along straight stretches at places so far apart, mm. */
const STEP_MM = 5;
const MOST_PLACES = 100;
/** Parts smaller than this share of a piece are splinters, no cure. */
const LEAST_PART = 0.04;
const COARSE_MM = 0.05;
/** Chords shorter than this join what is one place. */
const LEAST_MM = 1;
/** Bays this deep for their mouth are worth a line into them, and corners so tight. */
const WORTH_BITE = 0.2;
const WORTH_CORNER_MM = 4;
const WORTH_NECK_MM = 12;
/** Far less than anybody measures. */
const DEEPER_FIRST = 0.001;

interface Chord {
  readonly from: OnBorder;
  readonly to: OnBorder;
  readonly lengthMm: number;
}

/**
 * Straight lines within a ring that might cure it, shortest first: from every place in its bays, at its inside corners
 * and beside its necks (where there is none of these, from anywhere) to every place of the border and to the feet on
 * its edges.
 * @param ring clockwise as seen
 */
export function* chordsOf(ring: Ring): Generator<Chord> {
  const places = placesOn(ring);
  const starts = places.filter(worthWhile(ring));
  const chords: Chord[] = [];
  const depths = depthsInHull(ring);
  // Of lines equally long the one from deeper in comes first.
  const cost = ({ from, lengthMm }: Chord) => lengthMm - DEEPER_FIRST * floatAt(depths, from.edge);
  const offer = (from: OnBorder, to: OnBorder) => {
    const lengthMm = Math.hypot(to.at[0] - from.at[0], to.at[1] - from.at[1]);
    if (lengthMm > LEAST_MM) chords.push({ from, to, lengthMm });
  };
  for (const from of starts.length > 0 ? starts : places) {
    for (const to of places) offer(from, to);
    for (let edge = 0; edge < ring.length; edge++) {
      const [[ax, ay], [bx, by]] = [pointAt(ring, edge), pointAt(ring, (edge + 1) % ring.length)];
      const { x, y, t } = nearestOnSegment(from.at[0], from.at[1], ax, ay, bx, by);
      if (t > 0 && t < 1) offer(from, { at: [x, y], edge });
    }
  }
  chords.sort((a, b) => cost(a) - cost(b));
  const share = shareOf(ring);
  for (const chord of chords) {
    const part = share(chord.from, chord.to);
    if (part > LEAST_PART && part < 1 - LEAST_PART && isInside(ring, chord.from.at, chord.to.at)) yield chord;
  }
}

/** Which share of the area lies between the border from one place on to another and the straight line back. */
function shareOf(ring: Ring): (from: OnBorder, to: OnBorder) => number {
  const cross = ([ax, ay]: Point, [bx, by]: Point) => ax * by - bx * ay;
  const n = ring.length;
  const sums = [0];
  for (let i = 0; i < 2 * n; i++)
    sums.push(numberAt(sums, i) + cross(pointAt(ring, i % n), pointAt(ring, (i + 1) % n)));
  const whole = numberAt(sums, n);
  return (from, to) => {
    const next = from.edge + 1;
    const last = to.edge < next ? to.edge + n : to.edge;
    const between = numberAt(sums, last) - numberAt(sums, next);
    const ends = cross(from.at, pointAt(ring, next % n)) + cross(pointAt(ring, to.edge), to.at) + cross(to.at, from.at);
    return (between + ends) / whole;
  };
}

/** Vertices that count, and places along long edges. */
function placesOn(ring: Ring): OnBorder[] {
  let coarse = COARSE_MM;
  let corners = kept(ring, coarse);
  while (corners.length > MOST_PLACES) corners = kept(ring, (coarse *= 2));
  return corners.flatMap((i, k) => {
    const next = numberAt(corners, (k + 1) % corners.length);
    const here: OnBorder[] = [{ at: pointAt(ring, i), edge: i }];
    if ((i + 1) % ring.length !== next) return here;
    const [[ax, ay], [bx, by]] = [pointAt(ring, i), pointAt(ring, next)];
    const steps = Math.min(12, Math.floor(Math.hypot(bx - ax, by - ay) / STEP_MM));
    for (let s = 1; s < steps; s++)
      here.push({ at: [ax + ((bx - ax) * s) / steps, ay + ((by - ay) * s) / steps], edge: i });
    return here;
  });
}

function kept(ring: Ring, withinMm: number): number[] {
  const indexOf = new Map(ring.map((p, i) => [p, i]));
  return thinLine([...ring, pointAt(ring, 0)], withinMm)
    .slice(0, -1)
    .map((p) => indexOf.get(p) ?? 0);
}

/** Whether a line from a place can do away with what is hard about a ring. */
function worthWhile(ring: Ring): (place: OnBorder) => boolean {
  const n = ring.length;
  const bays = baysOf(ring).filter((b) => b.bite > WORTH_BITE);
  const corners = insideCorners(ring, WORTH_CORNER_MM);
  const neck = narrowestNeck(ring, WORTH_NECK_MM);
  const near = (a: Point, b: Point, mm: number) => Math.hypot(a[0] - b[0], a[1] - b[1]) <= mm;
  return ({ at, edge }) =>
    bays.some((b) => (edge - b.from + n) % n <= (b.to - b.from + n) % n) ||
    corners.some((c) => near(c.at, at, LEAST_MM)) ||
    (neck !== null && [neck.from, neck.to].some((end) => near(end, at, neck.widthMm)));
}

/** Whether the open segment lies inside the ring: it crosses no edge, and its middle is inside. */
function isInside(ring: Ring, a: Point, b: Point): boolean {
  if (!contains(ring, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2])) return false;
  for (let i = 0; i < ring.length; i++) {
    const met = meetingOf(a, b, pointAt(ring, i), pointAt(ring, (i + 1) % ring.length));
    if (met && met.t > 1e-6 && met.t < 1 - 1e-6 && met.u > -1e-9 && met.u < 1 + 1e-9) return false;
  }
  return true;
}
