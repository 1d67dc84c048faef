import { describe, expect, it } from 'vitest';
import type { Ring } from '../geometry/index.ts';
import { stockItem } from '../test/stockItem.ts';
import { areaByWeight, shapeFault, shapeLeft, upright, weightOfGlass } from './index.ts';

describe('what is left of a sheet', () => {
  it('is its measures, its true outline, or a guess by its area', () => {
    expect(shapeLeft(stockItem('A', 300, 400))).toEqual({ outline: upright(300, 400), isGuess: false });
    const outline: Ring = [
      [10, 10],
      [110, 10],
      [60, 110],
    ];
    const item = stockItem('B', 100, 100, { outline, areaMm2: 5000 });
    expect(shapeLeft(item)).toEqual({ outline, isGuess: false });
    // Cut from since without a word of how: as much of its box as the area leaves.
    expect(shapeLeft({ ...item, areaMm2: 2500 })).toEqual({ outline: upright(100, 25), isGuess: true });
    expect(shapeLeft(stockItem('C', 300, 400, { areaMm2: 60_000 })).outline).toEqual(upright(300, 200));
  });

  it('flaws lie on it: over its edge, round a corner of it, inside it', () => {
    const square = upright(100, 100);
    const at = (x: number, y: number, mm: number): Ring => [
      [x, y],
      [x + mm, y],
      [x, y + mm],
    ];
    for (const flaw of [at(10, 10, 5), at(-3, 50, 8), at(-50, -50, 400)]) expect(shapeFault(square, [flaw])).toBeNull();
    expect(shapeFault(square, [at(101, 0, 9)])).toBe('flaw-outside');
  });
});

describe('an offcut on the scale', () => {
  it('3 mm glass weighs 7.5 kg a square metre (EN 572-1), and back again', () => {
    expect(weightOfGlass(1_000_000, 3)).toBeCloseTo(7500, 9);
    expect(areaByWeight(7500, 3)).toBe(1_000_000);
    for (const thicknessMm of [2, 3, 4.2, 6])
      expect(areaByWeight(weightOfGlass(12_345, thicknessMm), thicknessMm)).toBe(12_345);
  });
});
