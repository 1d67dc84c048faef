import { expect, it } from 'vitest';
import { onGrid, winding } from './segments.ts';

const wound = (...lines: [number, number][][]) => {
  const { grid, ends } = onGrid(lines.map((points) => ({ points, closed: false })));
  return winding(grid, ends);
};

it('how much lines wind: the square of their length over the area of their box', () => {
  // Round three sides of 30 × 40: 100² over 1,200.
  expect(
    wound([
      [5, 5],
      [35, 5],
      [35, 45],
      [5, 45],
    ]),
  ).toBeCloseTo(100 ** 2 / 1200, 9);
  // Two lines apart from each other: one box round both.
  expect(
    wound(
      [
        [-10, 0],
        [-10, 20],
      ],
      [
        [30, 0],
        [30, 10],
      ],
    ),
  ).toBeCloseTo(30 ** 2 / 800, 9);
  // Slanted: 3, 4, 5.
  expect(
    wound([
      [0, 0],
      [3, 4],
    ]),
  ).toBeCloseTo(25 / 12, 9);
});

it('a line along an axis has no box, and winds nowhere', () => {
  expect(
    wound([
      [0, 7],
      [50, 7],
    ]),
  ).toBe(0);
  expect(wound()).toBe(0);
});
