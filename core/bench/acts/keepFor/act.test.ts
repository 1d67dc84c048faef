import { describe, expect, it } from 'vitest';
import { cut, sound, told } from '../../../test/asks.ts';
import { layOutAsk, strips } from '../../../test/laidOut.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import type { Command } from '../../index.ts';

const keep = (commissionId: string | null, ...stockIds: string[]): Command => ({
  kind: 'keep-for',
  ask: { stockIds, commissionId },
});
const job: Command = {
  kind: 'save-commission',
  ask: { id: 'other', title: 'Lantern', client: '', due: null, note: '' },
};

describe('sheets kept for a job', () => {
  it('serve that job alone, with their offcuts, until they are freed', () => {
    const s = smallStudio();
    s.do(job);
    s.do(layOutAsk(strips([1, 2], 'S1')));
    s.do(keep('other', 'S1', 'S2'));
    expect(told(s)).toBe('S1, S2 kept for Lantern');
    expect(s.piece(1).spot).toBeNull();
    expect(s.try(cut([1], 'S1'))).toMatchObject({ code: 'kept-for-other', name: 'S1' });
    expect(s.try(layOutAsk(strips([1, 2], 'S1')))?.code).toBe('kept-for-other');
    s.do(keep('c', 'S1'));
    s.do(cut([1], 'S1', { kind: 'offcuts', offcuts: [{ widthMm: 100, heightMm: 100 }] }));
    expect(s.studio.get('stock', 'S1-1')).toMatchObject({ keptFor: 'c' });
    s.do(keep(null, 'S2', 'S1-1'));
    expect(s.studio.get('stock', 'S2')?.keptFor).toBeNull();
    expect(sound(s)).toEqual([]);
  });

  it('not for a job that is not there or put away, and not twice', () => {
    const s = smallStudio();
    expect(s.try(keep('nowhere', 'S1'))?.code).toBe('unknown-commission');
    s.do(job);
    s.do({ kind: 'put-away', ask: { table: 'commissions', id: 'other', as: 'archived' } });
    expect(s.try(keep('other', 'S1'))?.code).toBe('archived');
    s.do(keep('c', 'S1'));
    expect(s.try(keep('c', 'S1'))?.code).toBe('nothing-changes');
    expect(s.try(keep(null, 'S1', 'S99'))).toMatchObject({ code: 'unknown-stock', name: 'S99' });
    expect(s.studio.get('stock', 'S1')?.keptFor).toBe('c');
  });
});
