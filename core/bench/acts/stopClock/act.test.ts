import { describe, expect, it } from 'vitest';
import { told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const MINUTE = 60_000;

describe('a clock is stopped', () => {
  it('now, at its beginning or up to now, not before and not later', () => {
    const s = smallStudio();
    const start = (id: string) => {
      s.do({ kind: 'start-clock', ask: { id, personId: 'ada', panelId: null, stage: 'other' } });
      return s.at;
    };
    const stop = (endedAt: number | null) => s.try({ kind: 'stop-clock', ask: { personId: 'ada', endedAt } });
    const began = start('a');
    expect(stop(began - 1)?.code).toBe('ends-before-start');
    expect(stop(s.at + MINUTE + 1)?.code).toBe('in-the-future');
    expect(stop(s.at + MINUTE)).toBeNull();
    expect(s.studio.get('hours', 'a')?.endedAt).toBe(s.at);
    const second = start('b');
    expect(stop(second)).toBeNull();
    expect(s.studio.get('hours', 'b')?.endedAt).toBe(second);
    expect(told(s)).toBe('clock stopped');
  });
});
