import { describe, expect, it } from 'vitest';
import { sound, told } from '../../../test/asks.ts';
import { layOutAsk, strips } from '../../../test/laidOut.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import type { Command } from '../../index.ts';

type Found = Extract<Command, { kind: 'count-stock' }>['ask']['found'];
const count = (...found: Found): Command => ({ kind: 'count-stock', ask: { by: 'counted', place: 'slot 1', found } });

describe('what is really there', () => {
  it('differences are booked, and what is gone is written off; one undo brings all of it back', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1], 'S1')));
    s.do(
      count({ stockId: 'S1', areaMm2: 19_000 }, { stockId: 'K1', areaMm2: null }, { stockId: 'S2', areaMm2: 15_000 }),
    );
    expect(told(s)).toBe('S1 counted, K1 not there (slot 1)');
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 19_000, costCents: 190 });
    expect(s.studio.get('stock', 'K1')).toMatchObject({ areaMm2: 0, gone: 'written off' });
    // Nobody knows any more how the sheet comes apart.
    expect(s.piece(1).spot).toBeNull();
    expect([...s.studio.all('moves')].slice(-2).map((m) => [m.stockId, m.kind, m.deltaMm2, m.note])).toEqual([
      ['S1', 'received', -1000, 'counted'],
      ['K1', 'waste', -2000, 'not there at the count'],
    ]);
    expect(sound(s)).toEqual([]);
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect(s.studio.get('stock', 'K1')).toMatchObject({ areaMm2: 2000, gone: null });
    expect(s.piece(1).spot?.stockId).toBe('S1');
    expect(sound(s)).toEqual([]);
  });

  it.each([
    ['more than its measures hold', [{ stockId: 'S1', areaMm2: 20_001 }], 'count-over'],
    [
      'the same sheet twice',
      [
        { stockId: 'S1', areaMm2: 1 },
        { stockId: 'S1', areaMm2: 2 },
      ],
      'counted-twice',
    ],
    ['what is not there', [{ stockId: 'X9', areaMm2: 1 }], 'unknown-stock'],
    ['a count that agrees', [{ stockId: 'S1', areaMm2: 20_000 }], 'nothing-changes'],
  ] as const)('refuses %s', (_, found, code) => {
    const s = smallStudio();
    expect(s.try(count(...found))?.code).toBe(code);
    expect(sound(s)).toEqual([]);
  });
});
