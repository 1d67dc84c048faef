import { describe, expect, it } from 'vitest';
import { brought, cut, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

describe('glass is written off', () => {
  it('what it still held is waste, and it leaves the rack for nothing', () => {
    const s = smallStudio();
    s.do(cut([1, 2], 'S1'));
    s.do({ kind: 'write-off', ask: { stockId: 'S1', reason: 'fell' } });
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 0, costCents: 0, gone: 'written off' });
    const move = [...s.studio.all('moves')].filter((m) => m.stockId === 'S1').at(-1);
    expect(move).toMatchObject({ kind: 'waste', deltaMm2: -18_000, balanceMm2: 0, note: 'fell' });
    expect(told(s)).toBe('S1 written off: fell');
    expect(s.try({ kind: 'write-off', ask: { stockId: 'S1', reason: 'again' } })?.code).toBe('stock-gone');
    expect(s.try({ kind: 'write-off', ask: { stockId: 'S9', reason: 'no' } })?.code).toBe('unknown-stock');
  });
  it('undo brings it back to the millimetre, by an entry of its own', () => {
    const s = smallStudio();
    s.do({ kind: 'write-off', ask: { stockId: 'K1', reason: 'fell' } });
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect(s.studio.get('stock', 'K1')).toMatchObject({ areaMm2: 2000, gone: null });
    expect([...s.studio.all('moves')].filter((m) => m.stockId === 'K1').map((m) => m.balanceMm2)).toEqual([
      2000, 0, 2000,
    ]);
  });
  it('an old entry says what the sheet held then', () => {
    const old = { stockId: 'K1', reason: 'x' };
    expect(brought(smallStudio(), 'write-off', old)).toEqual({ ...old, areaMm2: 2000 });
  });
});
