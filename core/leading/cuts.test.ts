import { describe, expect, it } from 'vitest';
import { seededRandom } from '../units/index.ts';
import { cutList, fewestLengths, packLengths } from './cuts.ts';

/** The fewest lengths for up to a dozen parts: every subset of parts, and the best that its last length leaves (exact). */
function exactly(parts: readonly number[], stock: number): number {
  const full = 2 ** parts.length;
  // For each set of parts: lengths opened, and the most room left in the last one.
  const best: [number, number][] = [[1, stock]];
  for (let set = 1; set < full; set++) {
    let here: [number, number] = [Infinity, 0];
    parts.forEach((mm, i) => {
      if (!(set & (1 << i))) return;
      const [lengths, room] = best[set ^ (1 << i)] ?? [Infinity, 0];
      const next: [number, number] = room >= mm ? [lengths, room - mm] : [lengths + 1, stock - mm];
      if (next[0] < here[0] || (next[0] === here[0] && next[1] > here[1])) here = next;
    });
    best[set] = here;
  }
  return parts.length === 0 ? 0 : (best[full - 1]?.[0] ?? 0);
}

function sound(parts: readonly number[], stock: number): number {
  const packed = packLengths(parts, stock);
  expect(packed.flatMap((one) => one.parts).sort((a, b) => a - b)).toEqual(parts.map((_, i) => i));
  for (const { parts: list, usedMm } of packed) {
    expect(usedMm).toBeCloseTo(
      list.reduce((sum, i) => sum + (parts[i] ?? 0), 0),
      9,
    );
    expect(usedMm).toBeLessThanOrEqual(stock + 1e-6);
  }
  return packed.length;
}

describe('cuts in lengths as bought', () => {
  it.each(Array.from({ length: 60 }, (_, i) => i))('random parts %d: as few lengths as an exact count', (seed) => {
    const random = seededRandom(seed + 1);
    const [least, most] = seed % 3 === 0 ? [300, 900] : seed % 3 === 1 ? [20, 1800] : [550, 640];
    const parts = Array.from({ length: 4 + (seed % 9) }, () => Math.round(least + (most - least) * random()));
    expect(sound(parts, 1800)).toBe(exactly(parts, 1800));
    expect(fewestLengths(parts, 1800)).toBeLessThanOrEqual(exactly(parts, 1800));
  });

  it('the reels of a paper mill, a published example: 73 of 5,600 mm (Wikipedia, Cutting stock problem; from memory)', () => {
    const orders = [
      [1380, 22],
      [1520, 25],
      [1560, 12],
      [1710, 14],
      [1820, 18],
      [1880, 18],
      [1930, 20],
      [2000, 10],
      [2050, 12],
      [2100, 14],
      [2140, 16],
      [2150, 18],
      [2200, 20],
    ] as const;
    const parts = orders.flatMap(([mm, count]) => Array.from({ length: count }, () => mm));
    expect(parts).toHaveLength(219);
    expect(sound(parts, 5600)).toBe(73);
  });

  it('three to a length, none to spare: triples that fill it to the hair are found (after Falkenauer’s triplets)', () => {
    const random = seededRandom(5);
    const parts = Array.from({ length: 9 }, () => {
      const a = Math.round(380 + 110 * random());
      const b = Math.round(250 + ((1000 - a) / 2 - 250) * random());
      return [a, b, 1000 - a - b];
    }).flat();
    expect(sound(parts, 1000)).toBe(9);
  });

  it('a run that no length holds is spliced of whole lengths and a rest; each part loses a kerf', () => {
    const runs = [
      { lengthMm: 1852.5, isBorder: false },
      { lengthMm: 1798, isBorder: false },
      { lengthMm: 300, isBorder: true },
    ];
    const { lengths, spliced } = cutList(runs, { stockMm: 1800, kerfMm: 2 });
    expect(spliced).toEqual([{ run: 0, partsMm: [1798, 54.5] }]);
    expect(lengths.map((one) => [one.isBorder, one.parts, one.usedMm])).toEqual([
      [true, [{ run: 2, part: null }], 302],
      [false, [{ run: 0, part: 1 }], 1800],
      [false, [{ run: 1, part: null }], 1800],
      [false, [{ run: 0, part: 2 }], 56.5],
    ]);
    expect(cutList([], { stockMm: 1800, kerfMm: 2 })).toEqual({ lengths: [], spliced: [] });
  });
});
