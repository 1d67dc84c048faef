import { describe, expect, it } from 'vitest';
import { seededRandom } from '../units/index.ts';
import { Meetings, PairTable } from './index.ts';

describe('pairs of integers', () => {
  it('are found again as in a plain map, however the table grows (random pairs, many alike)', () => {
    const random = seededRandom(11);
    const table = new PairTable();
    const plain = new Map<string, number>();
    for (let i = 0; i < 20_000; i++) {
      const a = Math.floor((random() - 0.5) * 200);
      const b = Math.floor((random() - 0.5) * 200);
      const known = plain.get(`${a},${b}`);
      expect(table.getOrSet(a, b, i)).toBe(known ?? i);
      if (known === undefined) plain.set(`${a},${b}`, i);
    }
    expect(plain.size).toBeGreaterThan(10_000);
  });
  it('tells apart what a careless hash would mix up', () => {
    const table = new PairTable(4);
    const pairs = [
      [0, 0],
      [0, 1],
      [1, 0],
      [-1, 0],
      [0, -1],
      [33_000_000, -33_000_000],
      [-33_000_000, 33_000_000],
      [2 ** 31 - 1, -(2 ** 31)],
    ] as const;
    pairs.forEach(([a, b], i) => expect(table.getOrSet(a, b, i)).toBe(i));
    pairs.forEach(([a, b], i) => expect(table.getOrSet(a, b, 99)).toBe(i));
  });
});

describe('segments at vertices', () => {
  it('counts and lists them as a plain count does', () => {
    const random = seededRandom(5);
    const ends = Array.from({ length: 600 }, () => Math.floor(random() * 80));
    const at = new Meetings(ends, 80);
    for (let v = 0; v < 80; v++) {
      const expected = ends.flatMap((end, i) => (end === v ? [i >> 1] : []));
      expect(at.degree(v)).toBe(expected.length);
      expect(Array.from({ length: at.degree(v) }, (_, k) => at.at(v, k))).toEqual(expected);
    }
  });
  it('walks on along a line: the other of two', () => {
    const at = new Meetings([0, 1, 1, 2], 3);
    expect([at.other(1, 0), at.other(1, 1)]).toEqual([1, 0]);
    expect([at.degree(0), at.degree(1), at.degree(2)]).toEqual([1, 2, 1]);
  });
});
