import { expect, it } from 'vitest';
import { choiceSum } from './index.ts';

it('what a choice of glass costs, what is undecided, and what the rack lacks for it', () => {
  const glasses = new Map([
    ['a', { priceCentsPerM2: 10_000 }],
    ['b', { priceCentsPerM2: 20_000 }],
  ]);
  const piece = (glassId: string | null, areaMm2: number, isCut = false) => ({ glassId, areaMm2, isCut });
  const pieces = [piece('a', 100_000), piece('a', 50_000, true), piece('b', 10_000), piece(null, 9), piece('gone', 9)];
  const sum = choiceSum(pieces, glasses, (id) => (id === 'a' ? 80_000 : 10_000));
  // By hand: 0.1 and 0.05 m² at 100.00, 0.01 m² at 200.00.
  expect(sum.cents).toBe(1000 + 500 + 200);
  expect(sum.undecided).toBe(2);
  expect(sum.short).toEqual([{ glassId: 'a', missingMm2: 20_000 }]);
});
