import { describe, expect, it } from 'vitest';
import { advance, broke, cut, sound } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

describe('breaks and recuts', () => {
  it('a piece may break at any stage, more than once; glass and time are charged each time', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    s.do(advance([1], 'in-place'));
    s.do(broke([1], { reason: 'heat', minutes: 12 }));
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', broken: 'heat', recuts: 1, from: null });
    expect(s.try(broke([1]))?.code).toBe('nothing-to-do');
    s.do(cut([1], 'K1'));
    expect(s.piece(1)).toMatchObject({ stage: 'cut', broken: null, from: 'K1' });
    s.do(broke([1], { minutes: 6, recut: { stockId: 'S1', left: { kind: 'stays' } } }));
    expect(s.piece(1)).toMatchObject({ stage: 'cut', broken: null, recuts: 2, from: 'S1' });
    // 1,000 mm² at 100.00 a m² = 0.10; 12 min at 30.00 an hour = 6.00.
    expect(
      [...s.studio.all('mishaps')].map((m) => [m.reason, m.stage, m.glassCents, m.labourCents, m.recutFrom]),
    ).toEqual([
      ['heat', 'in-place', 10, 600, null],
      ['chipped', 'cut', 10, 300, 'S1'],
    ]);
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(18_000);
    expect(sound(s)).toEqual([]);
  });
  it('a recut that the offcut cannot give leaves everything as it was', () => {
    const s = smallStudio();
    s.do(cut([1, 2, 3], 'S1'));
    expect(s.try(broke([1, 2, 3], { recut: { stockId: 'K1', left: { kind: 'stays' } } }))?.code).toBe('not-enough');
    expect([...s.studio.all('mishaps')]).toEqual([]);
  });
});
