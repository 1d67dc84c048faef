import { describe, expect, it } from 'vitest';
import { brought, cut, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const ask = {
  label: 'N',
  glassId: 'red',
  kind: 'sheet',
  widthMm: 33.3,
  heightMm: 10.07,
  place: 'tray',
  costCents: 7,
} as const;

describe('glass comes in', () => {
  it('with its area to the square millimetre, and a first entry in the ledger', () => {
    const s = smallStudio();
    s.do({ kind: 'receive', ask });
    expect(s.studio.get('stock', 'N')).toMatchObject({ areaMm2: 335, parentId: null, gone: null, costCents: 7 });
    const move = [...s.studio.all('moves')].find((m) => m.stockId === 'N');
    expect(move).toMatchObject({ kind: 'received', deltaMm2: 335, balanceMm2: 335, note: 'tray', numbers: [] });
    expect(told(s)).toBe('sheet N put on the rack');
  });
  it('of a glass that is known only, under a label of its own', () => {
    const s = smallStudio();
    expect(s.try({ kind: 'receive', ask: { ...ask, glassId: 'green' } })?.code).toBe('unknown-glass');
    expect(s.try({ kind: 'receive', ask: { ...ask, label: 'k1' } })).toMatchObject({ code: 'label-taken', name: 'k1' });
    expect(s.studio.get('stock', 'N')).toBeUndefined();
  });
  it('a label stays taken when the sheet is gone, since the ledger names it', () => {
    const s = smallStudio();
    s.do({ kind: 'write-off', ask: { stockId: 'K1', reason: 'fell' } });
    expect(s.try({ kind: 'receive', ask: { ...ask, label: 'K1' } })?.code).toBe('label-taken');
  });
  it('an old entry gets its area from its measures', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    expect(brought(s, 'receive', ask)).toEqual({ ...ask, areaMm2: 335 });
  });
});
