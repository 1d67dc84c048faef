import { expect, it } from 'vitest';
import { checkLedger, ledgerTotals } from '../../../stock/index.ts';
import { cut } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const receive = {
  kind: 'receive' as const,
  ask: { label: 'N9', glassId: 'red', kind: 'sheet' as const, widthMm: 100, heightMm: 80, place: '', costCents: 9 },
};
const withdraw = (stockId: string) => ({ kind: 'withdraw-stock' as const, ask: { stockId } });

it('a receipt entered by mistake is taken out with what it brought, and its label is free again', () => {
  const s = smallStudio();
  const sums = () => ledgerTotals([...s.studio.all('moves')]).received;
  const before = sums();
  s.do(receive);
  s.do(withdraw('N9'));
  expect(s.studio.get('stock', 'N9')).toBeUndefined();
  expect(sums()).toBe(before);
  expect(checkLedger(s.studio.all('stock'), [...s.studio.all('moves')])).toEqual([]);
  expect(s.back('undo', 'ada', 'rack')).toBeNull();
  expect(s.studio.get('stock', 'N9')).toMatchObject({ areaMm2: 8000, costCents: 9 });
  s.do(withdraw('N9'));
  s.do(receive);
  expect(s.studio.get('stock', 'N9')?.areaMm2).toBe(8000);
});

it('not once something was cut from it', () => {
  const s = smallStudio();
  s.do(cut([1], 'S1'));
  expect(s.try(withdraw('S1'))?.code).toBe('stock-begun');
  expect(s.try(withdraw('none'))?.code).toBe('unknown-stock');
});
