import { describe, expect, it } from 'vitest';
import { sound, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import { type Command } from '../../index.ts';

describe('clocks', () => {
  const start = (stage: 'cutting' | 'grinding', id: string): Command => ({
    kind: 'start-clock',
    ask: { id, personId: 'ada', panelId: 'p', stage },
  });
  it('one starts, the next stops it, a forgotten one is cut back', () => {
    const s = smallStudio();
    s.do(start('cutting', 'h1'));
    expect(s.try(start('cutting', 'h2'))?.code).toBe('nothing-to-do');
    expect(s.try(start('grinding', 'h1'))?.code).toBe('entry-taken');
    s.do(start('grinding', 'h3'));
    expect(told(s)).toBe('clock started: grinding; cutting stopped for it');
    expect(s.studio.get('hours', 'h1')?.endedAt).toBe(s.studio.get('hours', 'h3')?.startedAt);
    const started = s.studio.get('hours', 'h3')?.startedAt as number;
    expect(s.try({ kind: 'stop-clock', ask: { personId: 'ada', endedAt: started - 1 } })?.code).toBe(
      'ends-before-start',
    );
    s.do({ kind: 'stop-clock', ask: { personId: 'ada', endedAt: started + 30_000 } });
    expect(s.studio.get('hours', 'h3')?.endedAt).toBe(started + 30_000);
    expect(s.try({ kind: 'stop-clock', ask: { personId: 'ada', endedAt: null } })?.code).toBe('clock-runs-not');
    expect(sound(s)).toEqual([]);
  });
  it('entries by hand are kept, corrected and taken out, at the rate of their day', () => {
    const s = smallStudio();
    const ask = {
      id: 'x',
      personId: 'ada',
      panelId: 'p',
      stage: 'foiling' as const,
      startedAt: 0,
      endedAt: 600_000,
      note: '',
    };
    s.do({ kind: 'enter-hours', ask });
    s.do({ kind: 'save-person', ask: { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 9000, active: true } });
    s.do({ kind: 'enter-hours', ask: { ...ask, endedAt: 660_000 } });
    expect(s.studio.get('hours', 'x')).toMatchObject({ endedAt: 660_000, rateCentsPerHour: 3000, byHand: true });
    expect(s.try({ kind: 'enter-hours', ask: { ...ask, startedAt: 9, endedAt: 3 } })?.code).toBe('ends-before-start');
    s.do({ kind: 'remove-hours', ask: { entryId: 'x' } });
    expect(s.try({ kind: 'remove-hours', ask: { entryId: 'x' } })?.code).toBe('unknown-entry');
  });
});
