import { expect, it } from 'vitest';
import type { Glass } from './types.ts';
import { shoppingList, USUAL_USE } from './shopping.ts';

const glass = (id: string, priceCentsPerM2 = 10_000): Glass => ({
  id,
  code: id,
  name: id,
  colour: '#88aacc',
  second: null,
  texture: 'smooth',
  thicknessMm: 3,
  hiding: 'clear',
  coat: 'none',
  flow: false,
  priceCentsPerM2,
});
const glasses = ['enough', 'short', 'low', 'never'].map((id) => glass(id));
const soldAs = ['enough', 'short', 'low'].map((glassId) => ({ glassId, widthMm: 600, heightMm: 400 }));

it('buys whole sheets of what is short, waste counted in; names what is low; leaves the rest alone', () => {
  const list = shoppingList({
    glasses,
    soldAs,
    stock: [
      { glassId: 'enough', areaMm2: 240_000 },
      { glassId: 'enough', areaMm2: 240_000 },
      { glassId: 'short', areaMm2: 100_000 },
      { glassId: 'low', areaMm2: 90_000 },
    ],
    needs: [
      { glassId: 'enough', mm2: 130_000 },
      // By its bare area this would do; what is lost in cutting makes it short by 300,000 mm².
      { glassId: 'short', mm2: 260_000 },
      { glassId: 'never', mm2: 6500 },
    ],
  });
  expect(list.map((one) => [one.glass.id, one.why, one.sheets, one.shortMm2])).toEqual([
    ['short', 'short', 2, 300_000],
    ['never', 'short', 0, 10_000],
    ['low', 'low', 1, 0],
  ]);
  // Two sheets of 0.24 m² at 100 a m².
  expect(list[0]?.costCents).toBe(4800);
  expect(USUAL_USE).toBeGreaterThan(0.5);
});

it('is empty for a studio that has all it needs', () => {
  expect(shoppingList({ glasses: [glass('never')], soldAs, stock: [], needs: [] })).toEqual([]);
});
