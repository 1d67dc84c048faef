import { describe, expect, it } from 'vitest';
import { all, advance, broke, cut, sound } from '../../../test/asks.ts';
import { nth, seededRandom } from '../../../units/index.ts';
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
  it('broken while it was cut and cut again at once, two pieces of glass leave the sheet', () => {
    const s = smallStudio();
    s.do(broke([1], { recut: { stockId: 'S1', left: { kind: 'stays' } } }));
    expect(s.piece(1)).toMatchObject({ stage: 'cut', recuts: 1, from: 'S1' });
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(18_000);
    const moves = [...s.studio.all('moves')].filter((m) => m.stockId === 'S1' && m.kind !== 'received');
    expect(moves.map((m) => [m.kind, m.deltaMm2, m.note])).toEqual([
      ['pieces', -1000, ''],
      ['waste', -1000, 'broke: 1'],
    ]);
    expect(mishapsAgree(s)).toBe(true);
  });
  it('broken while it was cut and still to be cut, it has to be said out of what, and that leaves the rack', () => {
    const s = smallStudio();
    expect(s.try(broke([1]))?.code).toBe('from-what');
    expect([...s.studio.all('mishaps')]).toEqual([]);
    s.do(broke([1], { lostFrom: { stockId: 'S1', left: { kind: 'stays' } } }));
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', broken: 'chipped', recuts: 1, from: null });
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(19_000);
    s.do(cut([1], 'S1'));
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(18_000);
    // Lost out of one sheet, cut again from another.
    s.do(
      broke([2], {
        lostFrom: { stockId: 'K1', left: { kind: 'stays' } },
        recut: { stockId: 'S1', left: { kind: 'stays' } },
      }),
    );
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(17_000);
    expect(mishapsAgree(s)).toBe(true);
    expect(sound(s)).toEqual([]);
    s.back('undo');
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(18_000);
    expect(mishapsAgree(s)).toBe(true);
  });
  it('what is broken leaves the rack once and what is recut once more, whatever happens', () => {
    const random = seededRandom(3);
    const pick = <T>(of: readonly T[]): T => nth(of, Math.floor(random() * of.length));
    for (let round = 0; round < 40; round++) {
      const s = smallStudio();
      for (let step = 0; step < 12; step++) {
        const numbers = [...new Set([pick(all), pick(all)])];
        const sheet = () => ({ stockId: pick(['S1', 'K1', 'S1']), left: { kind: 'stays' } as const });
        const command = pick([
          () => cut(numbers, sheet().stockId),
          () => broke(numbers, { recut: sheet() }),
          () => broke(numbers, { lostFrom: sheet() }),
          () => broke(numbers, { lostFrom: sheet(), recut: sheet() }),
          () => broke(numbers),
        ])();
        s.try(command);
        if (random() < 0.15) s.back('undo');
      }
      expect(mishapsAgree(s)).toBe(true);
      expect(sound(s)).toEqual([]);
    }
  });
});

/** All glass that was ever taken for pieces is in hand, or charged to a break. */
function mishapsAgree(s: ReturnType<typeof smallStudio>): boolean {
  // Nothing is left over here, so all that is not on the rack any more went into pieces, whole or broken.
  const received = [...s.studio.all('moves')].filter((m) => m.kind === 'received');
  const taken =
    received.reduce((sum, m) => sum + m.deltaMm2, 0) -
    [...s.studio.all('stock')].reduce((sum, i) => sum + i.areaMm2, 0);
  const charged = [...s.studio.all('mishaps')].reduce((sum, m) => sum + m.glassMm2, 0);
  const inHand = [...s.studio.all('pieces')].filter((p) => p.stage !== 'to-cut').reduce((sum, p) => sum + p.areaMm2, 0);
  return taken === charged + inHand;
}
