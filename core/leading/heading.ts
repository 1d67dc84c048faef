import type { Point, Ring } from '../geometry/index.ts';
import { pointAt } from '../units/index.ts';

/** Chords of a drawn curve bulge no more than this from it; what stands off further is a bend that was drawn, mm. */
const CHORD_MM = 0.06;
/** Over so much of a curve its direction is taken: less is spoilt by where its chords were cut, mm. */
const OVER_MM = 2.4;

const angleOf = (from: Point, to: Point): number => Math.atan2(to[1] - from[1], to[0] - from[0]);

/** An angle brought into −π to π. */
export const folded = (rad: number): number => rad - 2 * Math.PI * Math.round(rad / (2 * Math.PI));

/**
 * The direction in which a drawn curve leaves its first point, radians. A curve comes as chords: where they bulge as chords
 * do, the direction is that of the circle through its first stretch; where a bend was drawn it is that of the first chord.
 * @param points two or more, none twice in a row
 */
export function headingOf(points: Ring): number {
  const first = pointAt(points, 0);
  let last = 1;
  let walked = length(first, pointAt(points, 1));
  while (last + 1 < points.length && walked < 2 * OVER_MM) {
    const [a, b, c] = [pointAt(points, last - 1), pointAt(points, last), pointAt(points, last + 1)];
    const turn = Math.abs(folded(angleOf(b, c) - angleOf(a, b)));
    if ((Math.min(length(a, b), length(b, c)) * turn) / 8 > CHORD_MM) break;
    walked += length(b, c);
    last++;
  }
  if (last === 1) return angleOf(first, pointAt(points, 1));
  // The circle through the first point, the end of that stretch, and what lies half way.
  const half = alongTo(points, last, walked / 2);
  const end = pointAt(points, last);
  const chord = angleOf(first, half);
  return chord - folded(angleOf(first, end) - chord) * ratio(first, half, end);
}

const length = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

/** The point so far along the first chords. */
function alongTo(points: Ring, last: number, mm: number): Point {
  let left = mm;
  for (let i = 0; i < last; i++) {
    const [a, b] = [pointAt(points, i), pointAt(points, i + 1)];
    const step = length(a, b);
    if (step >= left && step > 0) return [a[0] + ((b[0] - a[0]) * left) / step, a[1] + ((b[1] - a[1]) * left) / step];
    left -= step;
  }
  return pointAt(points, last);
}

/**
 * A tangent lies as far before the first chord of a circle as its arc is long: half its angle at the middle. The angle
 * between the chords to the middle and to the end is half the angle of the arc between those two.
 */
function ratio(first: Point, half: Point, end: Point): number {
  const rest = length(half, end);
  return rest === 0 ? 0 : length(first, half) / rest;
}
