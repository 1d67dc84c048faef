import { expect, it } from 'vitest';
import type { Joint } from '#core/cartoon';
import { jointAt, JOINT_REACH_PX } from './jointAt.ts';

const joint = (number: number, x: number): Joint =>
  ({ id: number, number, at: [x, 0], kind: 'T', lines: [], pieces: [] }) as unknown as Joint;
const row = [joint(1, 0), joint(2, 10), joint(3, 20)];
const at = (x: number, mmPerPx: number, open: readonly number[] = [1, 2, 3]) =>
  jointAt(row, (j) => open.includes(j.number), [x, 0], mmPerPx)?.number ?? null;

it('the nearest within a finger’s reach, near by and from afar', () => {
  expect(at(9, 0.1)).toBe(2);
  expect(at(4, 1)).toBe(1);
  expect(at(5 + JOINT_REACH_PX * 0.1 + 20, 0.1)).toBe(null);
  expect(at(-JOINT_REACH_PX * 0.1, 0.1)).toBe(1);
  expect(at(-JOINT_REACH_PX * 0.1 - 0.01, 0.1)).toBe(null);
});

it('an open one before a soldered one, if both are within reach', () => {
  expect(at(1, 1, [2, 3])).toBe(2);
  expect(at(1, 0.1, [2, 3])).toBe(1);
});
