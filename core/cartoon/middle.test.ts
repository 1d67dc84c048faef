import { describe, expect, it } from 'vitest';
import { boxOf, type Point } from '../geometry/index.ts';
import { middleLines, type Bank } from './middle.ts';

const box = (x: number, y: number, w: number, h: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const bank = (ring: Point[], label: number): Bank => ({ ring, label });
const points = (banks: Bank[], width: number, most: number) =>
  middleLines(banks, width, most).flatMap((line) => line.points);

describe('the middle of a channel', () => {
  it('between two boxes side by side is the line half way', () => {
    const found = points([bank(box(0, 0, 30, 40), 1), bank(box(32, 0, 30, 40), 2)], 2, 3);
    for (const [x, y] of found) if (y > 1 && y < 39) expect(Math.abs(x - 31)).toBeLessThan(0.02);
    const { minY, maxY } = boxOf(found);
    // It runs out at both ends, so that it crosses the contour there.
    expect(minY).toBeLessThan(0);
    expect(maxY).toBeGreaterThan(40);
  });
  it('between concentric circles is the circle of the mean radius, closed', () => {
    const circle = (r: number): Point[] =>
      Array.from({ length: 240 }, (_, k) => [r * Math.cos((k * Math.PI) / 120), r * Math.sin((k * Math.PI) / 120)]);
    const lines = middleLines([bank(circle(20), 1), bank(circle(23), 2)], 3, 5);
    for (const [x, y] of lines.flatMap((l) => l.points)) expect(Math.abs(Math.hypot(x, y) - 21.5)).toBeLessThan(0.03);
    expect(lines).toHaveLength(1);
    expect(lines[0]?.points[0]).toEqual(lines[0]?.points.at(-1));
  });
  it('three channels meet in one joint', () => {
    const lines = middleLines(
      [bank(box(0, 0, 40, 20), 1), bank(box(0, 22, 19, 20), 2), bank(box(21, 22, 19, 20), 3)],
      2,
      3,
    );
    const ends = new Map<string, number>();
    for (const { points: line } of lines)
      for (const end of [line[0], line.at(-1)])
        ends.set(
          (end as Point).map((v) => v.toFixed(2)).join(),
          (ends.get((end as Point).map((v) => v.toFixed(2)).join()) ?? 0) + 1,
        );
    expect([...ends].filter(([, n]) => n === 3)).toEqual([['20.00,21.00', 3]]);
  });
  it('banks of one label have no middle, nor do banks too far apart', () => {
    expect(middleLines([bank(box(0, 0, 30, 40), 1), bank(box(32, 0, 30, 40), 1)], 2, 3)).toEqual([]);
    expect(middleLines([bank(box(0, 0, 30, 40), 1), bank(box(36, 0, 30, 40), 2)], 2, 3)).toEqual([]);
    expect(middleLines([], 2, 3)).toEqual([]);
  });
});
