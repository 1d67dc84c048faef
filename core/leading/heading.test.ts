import { expect, it } from 'vitest';
import type { Point } from '../geometry/index.ts';
import { folded, headingOf } from './heading.ts';

/** A circle in chords that bulge 0.02 mm, as drawings are read, from an angle on; the first chord may be cut short. */
function arc(radius: number, from: number, cutAt = 0): Point[] {
  const step = 2 * Math.acos(1 - 0.02 / radius);
  const at = (rad: number): Point => [radius * Math.cos(rad), radius * Math.sin(rad)];
  const points = Array.from({ length: Math.ceil(Math.PI / step) }, (_, k) => at(from + k * step));
  const [a, b] = points as [Point, Point];
  // A came that meets it cuts a chord, not the curve.
  points[0] = [a[0] + (b[0] - a[0]) * cutAt, a[1] + (b[1] - a[1]) * cutAt];
  return points;
}
const apart = (a: number, b: number): number => Math.abs(folded(a - b)) * (180 / Math.PI);

it.each([
  [4, 0],
  [10, 0],
  [10, 0.5],
  [10, 0.9],
  [40, 0.3],
  [150, 0.8],
])('a circle of %d mm is left along its tangent, wherever a chord is cut (%d)', (radius, cutAt) => {
  for (let deg = 0; deg < 360; deg += 17) {
    const from = (deg * Math.PI) / 180;
    const step = 2 * Math.acos(1 - 0.02 / radius);
    const tangent = from + cutAt * step + Math.PI / 2;
    // Contracted to 4° at curves; the chord alone would be off by up to half a step.
    expect(apart(headingOf(arc(radius, from, cutAt)), tangent)).toBeLessThan(2);
  }
});

it('a bend that was drawn is no curve: the first stretch counts', () => {
  const bent: Point[] = [
    [0, 0],
    [10, 0],
    [18, 5],
    [30, 20],
  ];
  expect(headingOf(bent)).toBe(0);
  expect(
    headingOf([
      [0, 0],
      [0, 7],
    ]),
  ).toBeCloseTo(Math.PI / 2, 12);
});
