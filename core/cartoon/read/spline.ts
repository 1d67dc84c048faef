import { nth, numberAt, pointAt } from '../../units/index.ts';
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

/**
 * Chords of a spline, nowhere further than `tolerance` (own units) from it: each span in equal steps of its parameter,
 * twice as many until they are flat, and as much outside of the curve as inside, so that areas hold. The second
 * difference of a point between its neighbours is eight times the height of a chord; a twelfth of it gives back what the
 * chords cut off.
 */
export function splineChords(spline: Spline, tolerance: number): Point[] {
  const { degree, knots, controls } = spline;
  const spans = [...new Set(knots.slice(degree, controls.length + 1))];
  const chords: Point[] = [splineAt(spline, numberAt(spans, 0))];
  for (let i = 1; i < spans.length; i++) {
    const steps = inSteps(spline, numberAt(spans, i - 1), numberAt(spans, i), tolerance);
    const balance = steps.length < 3 ? 0 : (steps.length - 1) / (steps.length - 2) / 12;
    for (let k = 1; k < steps.length; k++) {
      const [x, y] = pointAt(steps, k);
      const [[ax, ay], [bx, by]] = [pointAt(steps, k - 1), steps[k + 1] ?? [x, y]];
      const isLast = k === steps.length - 1;
      chords.push(isLast ? [x, y] : [x - (ax - 2 * x + bx) * balance, y - (ay - 2 * y + by) * balance]);
    }
  }
  return chords;
}

/** Points on a span of a spline, so many that the chords between them are flat. */
function inSteps(spline: Spline, from: number, to: number, tolerance: number): Point[] {
  for (let depth = 0; ; depth++) {
    const n = 2 ** depth;
    const at = (k: number) => splineAt(spline, from + ((to - from) * k) / n);
    const points = Array.from({ length: n + 1 }, (_, k) => at(k));
    // A chord can touch an S-curve in the middle; its quarters tell.
    const isFlat = points.every((p, k) => {
      const before = points[k - 1];
      return !before || [0.25, 0.5, 0.75].every((t) => offChord(at(k - 1 + t), before, p) <= tolerance);
    });
    if (isFlat || depth >= MOST_HALVINGS) return points;
  }
}

function offChord([px, py]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const length = Math.hypot(bx - ax, by - ay);
  if (length === 0) return Math.hypot(px - ax, py - ay);
  return Math.abs((bx - ax) * (py - ay) - (by - ay) * (px - ax)) / length;
}
