import { expect, it } from 'vitest';
import { checkLedger } from '../../../stock/index.ts';
import { cut, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const right = (s: ReturnType<typeof smallStudio>, ask: object) => {
  const { id, glassId, widthMm, heightMm, place, costCents } = s.studio.get('stock', 'S1') ?? {};
  return {
    kind: 'correct-stock' as const,
    ask: { stockId: id, glassId, widthMm, heightMm, place, costCents, ...ask } as never,
  };
};
const sound = (s: ReturnType<typeof smallStudio>) =>
  expect(checkLedger(s.studio.all('stock'), [...s.studio.all('moves')])).toEqual([]);

it('measures, glass, place and cost are said anew; the ledger follows, and undo gives them back', () => {
  const s = smallStudio();
  const before = s.studio.get('stock', 'S1');
  s.do(right(s, { widthMm: 200, heightMm: 300, glassId: 'red', place: 'slot 4', costCents: 7 }));
  expect(s.studio.get('stock', 'S1')).toMatchObject({
    widthMm: 200,
    heightMm: 300,
    areaMm2: 60_000,
    glassId: 'red',
    place: 'slot 4',
    costCents: 7,
  });
  expect(told(s)).toBe('S1 corrected');
  sound(s);
  expect(s.back('undo', 'ada', 'rack')).toBeNull();
  const { rev: _, ...rest } = before ?? { rev: 0 };
  expect(s.studio.get('stock', 'S1')).toMatchObject(rest);
  sound(s);
});

it('what was cut from it stays cut; it is no other glass then, and no smaller than that', () => {
  const s = smallStudio();
  s.do(cut([1, 2], 'S1'));
  const { areaMm2 = 0, widthMm = 0, heightMm = 0 } = s.studio.get('stock', 'S1') ?? {};
  const cutMm2 = widthMm * heightMm - areaMm2;
  expect(cutMm2).toBeGreaterThan(0);
  s.do(right(s, { widthMm: widthMm + 10 }));
  expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(areaMm2 + 10 * heightMm);
  sound(s);
  const other = s.studio.get('stock', 'S1')?.glassId === 'red' ? 'blue' : 'red';
  expect(s.try(right(s, { glassId: other }))?.code).toBe('stock-begun');
  expect(s.try(right(s, { widthMm: 1, heightMm: 1 }))?.code).toBe('cut-more');
  expect(s.try(right(s, { glassId: 'none' }))?.code).toBe('unknown-glass');
  expect(s.try(right(s, { stockId: 'S7' }))?.code).toBe('unknown-stock');
});
