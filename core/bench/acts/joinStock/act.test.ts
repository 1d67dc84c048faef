import { describe, expect, it } from 'vitest';
import { sound, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import type { Command } from '../../index.ts';

const join = (stockId: string, otherId: string, widthMm = 200, heightMm = 200): Command => ({
  kind: 'join-stock',
  ask: { stockId, otherId, widthMm, heightMm },
});
const half: Command = {
  kind: 'split-stock',
  ask: { stockId: 'S1', at: { from: [120, 0], to: [120, 100] } },
};

describe('two records of one piece of glass', () => {
  it('become one again, with area and worth added up, and part again by undo', () => {
    const s = smallStudio();
    const before = s.studio.get('stock', 'S1');
    s.do(half);
    s.do(join('S1', 'S1-1', 200, 100));
    expect(told(s)).toBe('S1-1 joined to S1');
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 20_000, costCents: before?.costCents, widthMm: 200 });
    expect(s.studio.get('stock', 'S1-1')).toMatchObject({ areaMm2: 0, gone: 'used up' });
    expect(sound(s)).toEqual([]);
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect(s.studio.get('stock', 'S1-1')).toMatchObject({ areaMm2: 8000, gone: null });
    expect(sound(s)).toEqual([]);
  });

  it('are not of two glasses, not one record, not more than the measures hold, not kept for two jobs', () => {
    const s = smallStudio();
    s.do(half);
    expect(s.try(join('S1', 'S2'))?.code).toBe('join-other-glass');
    expect(s.try(join('S1', 'S1'))?.code).toBe('join-itself');
    expect(s.try(join('S1', 'S1-1', 199, 100))?.code).toBe('count-over');
    s.do({ kind: 'keep-for', ask: { stockIds: ['S1-1'], commissionId: 'c' } });
    expect(s.try(join('S1', 'S1-1', 200, 100))?.code).toBe('join-kept-apart');
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 12_000 });
  });
});
