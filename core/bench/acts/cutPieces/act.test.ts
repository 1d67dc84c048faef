import { describe, expect, it } from 'vitest';
import { cut, sound } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

describe('cutting', () => {
  it('takes the glass from the named sheet and marks the pieces', () => {
    const s = smallStudio();
    s.do(cut([1, 2, 3], 'S1'));
    expect(s.piece(2)).toMatchObject({ stage: 'cut', from: 'S1' });
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 17_000, gone: null, costCents: 170 });
    expect(sound(s)).toEqual([]);
  });
  it('what is left becomes an offcut with a label, a place and its share of the cost', () => {
    const s = smallStudio();
    s.do(
      cut([1, 2], 'S1', {
        kind: 'offcuts',
        offcuts: [
          { widthMm: 100, heightMm: 90 },
          { widthMm: 20, heightMm: 20, label: 'odd' },
        ],
      }),
    );
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 0, gone: 'used up' });
    expect(s.studio.get('stock', 'S1-1')).toMatchObject({
      areaMm2: 9000,
      place: 'slot 1',
      parentId: 'S1',
      costCents: 90,
      kind: 'offcut',
    });
    expect([...s.studio.all('moves')].filter((m) => m.stockId === 'S1').map((m) => [m.kind, m.deltaMm2])).toEqual([
      ['received', 20_000],
      ['pieces', -2000],
      ['offcut', -9400],
      ['waste', -8600],
    ]);
    expect(sound(s)).toEqual([]);
  });
  it.each([
    ['more than the offcut holds', cut([1, 2, 3], 'K1'), 'not-enough'],
    ['another glass', cut([1], 'S2'), 'wrong-glass'],
    ['a sheet that is not there', cut([1], 'S9'), 'unknown-stock'],
    ['pieces that are not there', cut([21], 'S1'), 'unknown-pieces'],
    ['the same piece twice', cut([1, 1], 'S1'), 'named-twice'],
    ['no piece', cut([], 'S1'), 'no-pieces'],
    [
      'a label that is taken',
      cut([1], 'S1', { kind: 'offcuts', offcuts: [{ widthMm: 10, heightMm: 10, label: 'K1' }] }),
      'label-taken',
    ],
  ])('refuses %s, and nothing is half done', (_, command, code) => {
    const s = smallStudio();
    const seq = s.studio.seq;
    expect(s.try(command)?.code).toBe(code);
    expect(s.studio.seq).toBe(seq);
    expect(s.piece(1).stage).toBe('to-cut');
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(20_000);
  });
  it('refuses a piece already in hand, and one without glass', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    expect(s.try(cut([1], 'S1'))).toMatchObject({ code: 'already-in-hand', numbers: [1] });
    s.do({ kind: 'choose-glass', ask: { panelId: 'p', numbers: [2], glassId: null } });
    expect(s.try(cut([2], 'S1'))).toMatchObject({ code: 'no-glass', numbers: [2] });
    expect(s.try({ kind: 'choose-glass', ask: { panelId: 'p', numbers: [1], glassId: 'red' } })?.code).toBe(
      'already-in-hand',
    );
  });
});
