import { nth, lastOf, numberAt, pointAt } from '../../units/index.ts';
import type { Point } from '../../geometry/index.ts';

/** A B-spline as drawings state it: degree, knots and control points in the drawing's own units, and their weights. */
export interface Spline {
  readonly degree: number;
  readonly knots: readonly number[];
  readonly controls: readonly Point[];
  /** One for each control point; all alike where they are not given. */
  readonly weights?: readonly number[] | undefined;
}

const MOST_HALVINGS = 9;

/** Whether knots and control points fit together: as many knots as points plus degree plus one, never falling. */
export function isSound({ degree, knots, controls }: Spline): boolean {
  return (
    Number.isInteger(degree) &&
    degree >= 1 &&
    degree <= 11 &&
    controls.length > degree &&
    knots.length === controls.length + degree + 1 &&
    knots.every((k, i) => Number.isFinite(k) && (i === 0 || k >= numberAt(knots, i - 1)))
  );
}

type Weighted = [xw: number, yw: number, w: number];

/** The point at parameter t by de Boor's algorithm (de Boor 1978), on homogeneous coordinates for the weights' sake. */
export function splineAt({ degree, knots, controls, weights }: Spline, t: number): Point {
  const n = controls.length - 1;
  let span = degree;
  while (span < n && t >= numberAt(knots, span + 1)) span++;
  const d = Array.from({ length: degree + 1 }, (_, j): Weighted => {
    const [x, y] = pointAt(controls, j + span - degree);
    const w = weights?.[j + span - degree] ?? 1;
    return [x * w, y * w, w];
  });
  for (let r = 1; r <= degree; r++) {
    for (let j = degree; j >= r; j--) {
      const from = numberAt(knots, j + span - degree);
      const over = numberAt(knots, j + 1 + span - r) - from;
      const a = over === 0 ? 0 : (t - from) / over;
      const here = nth(d, j);
      const before = nth(d, j - 1);
      const between = (p: number, q: number) => (1 - a) * p + a * q;
      d[j] = [between(before[0], here[0]), between(before[1], here[1]), between(before[2], here[2])];
    }
  }
  const [xw, yw, w] = nth(d, degree);
  return [xw / w, yw / w];
}

/** Chords of a spline, nowhere further than `tolerance` (own units) from it, halving until they are flat. */
export function splineChords(spline: Spline, tolerance: number): Point[] {
  const { degree, knots, controls } = spline;
  const spans = [...new Set(knots.slice(degree, controls.length + 1))];
  const chords: Point[] = [splineAt(spline, numberAt(spans, 0))];
  const halve = (t0: number, p0: Point, t1: number, p1: Point, depth: number) => {
    const tm = (t0 + t1) / 2;
    const middle = splineAt(spline, tm);
    // A chord can touch an S-curve in the middle; its quarters tell.
    const isFlat = [splineAt(spline, (t0 + tm) / 2), middle, splineAt(spline, (tm + t1) / 2)].every(
      (p) => offChord(p, p0, p1) <= tolerance,
    );
    if (isFlat || depth >= MOST_HALVINGS) return void chords.push(p1);
    halve(t0, p0, tm, middle, depth + 1);
    halve(tm, middle, t1, p1, depth + 1);
  };
  for (let i = 1; i < spans.length; i++) {
    const [t0, t1] = [numberAt(spans, i - 1), numberAt(spans, i)];
    halve(t0, lastOf(chords), t1, splineAt(spline, t1), 0);
  }
  return chords;
}

function offChord([px, py]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const length = Math.hypot(bx - ax, by - ay);
  if (length === 0) return Math.hypot(px - ax, py - ay);
  return Math.abs((bx - ax) * (py - ay) - (by - ay) * (px - ax)) / length;
}
