import { expect, it } from 'vitest';
import { partedBy } from './breaking.ts';
import { breakAcross } from './breakAcross.ts';

/** An L: 100 wide and high, with its right upper quarter gone. */
const L = [
  [0, 0],
  [50, 0],
  [50, 50],
  [100, 50],
  [100, 100],
  [0, 100],
] as const;
/** A U standing open upwards. */
const U = [
  [0, 0],
  [20, 0],
  [20, 60],
  [60, 60],
  [60, 0],
  [100, 0],
  [100, 100],
  [0, 100],
] as const;

it('runs from edge to edge where the glass is, and parts it', () => {
  expect(breakAcross(L, 'down', 75)).toEqual({ from: [75, 50], to: [75, 100] });
  expect(breakAcross(L, 'across', 20)).toEqual({ from: [0, 20], to: [50, 20] });
  // Of the two arms the wider one.
  expect(breakAcross(U, 'across', 30)).toEqual({ from: [60, 30], to: [100, 30] });
  expect(breakAcross(L, 'down', 130)).toBeNull();
  for (const [ring, way, mm] of [
    [L, 'down', 75],
    [L, 'across', 20],
    [U, 'across', 30],
    [U, 'down', 40],
  ] as const) {
    const at = breakAcross(ring, way, mm);
    expect(at && partedBy(ring, at)).toHaveLength(2);
  }
});
