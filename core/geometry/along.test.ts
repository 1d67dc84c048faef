import { describe, expect, it } from 'vitest';
import { halfWay, pointAlong, poleOf, type Ring } from './index.ts';

// 30 to the right, then 40 down.
const bent: Ring = [
  [0, 0],
  [30, 0],
  [30, 40],
];

describe('along a walk', () => {
  it.each([
    [0, [0, 0], 1],
    [10, [10, 0], 1],
    [30, [30, 0], 1],
    [50, [30, 20], 2],
    [70, [30, 40], 2],
  ] as const)('%d mm', (mm, at, next) => {
    expect(pointAlong(bent, mm)).toEqual({ at, next });
  });
  it('goes no further than its end, and not behind its beginning', () => {
    expect(pointAlong(bent, 71)).toEqual({ at: [30, 40], next: 3 });
    expect(pointAlong(bent, -5)).toEqual({ at: [0, 0], next: 1 });
  });
  it('passes over points that lie on one another', () => {
    expect(
      pointAlong(
        [
          [0, 0],
          [0, 0],
          [10, 0],
        ],
        5,
      ),
    ).toEqual({ at: [5, 0], next: 2 });
  });
  it('half way is half of the length, not half of the points', () => {
    expect(halfWay(bent)).toEqual([30, 5]);
  });
});

it('the pole of a square with a square hole lies in the wide part, half its width from either border', () => {
  const square = (x: number, y: number, side: number): Ring => [
    [x, y],
    [x + side, y],
    [x + side, y + side],
    [x, y + side],
  ];
  const { at, distanceMm } = poleOf([square(0, 0, 100), square(10, 10, 30)], 0.05);
  expect(distanceMm).toBeGreaterThan(34);
  expect(at[0]).toBeGreaterThan(40);
  expect(at[1]).toBeGreaterThan(40);
});
