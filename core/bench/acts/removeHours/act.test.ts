import { describe, expect, it } from 'vitest';
import { brought, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

describe('hours taken out', () => {
  it('stay in the log, and a clock that ran ends where it began', () => {
    const s = smallStudio();
    s.do({ kind: 'start-clock', ask: { id: 'c', personId: 'ada', panelId: 'p', stage: 'cutting' } });
    const began = s.at;
    s.do({ kind: 'remove-hours', ask: { entryId: 'c' } });
    expect(s.studio.get('hours', 'c')).toMatchObject({ removed: true, endedAt: began });
    expect(told(s)).toBe('an entry of hours taken out');
    expect(s.try({ kind: 'stop-clock', ask: { personId: 'ada', endedAt: null } })?.code).toBe('clock-runs-not');
    expect(s.try({ kind: 'remove-hours', ask: { entryId: 'c' } })?.code).toBe('unknown-entry');
    expect(s.back('undo')).toBeNull();
    expect(s.studio.get('hours', 'c')).toMatchObject({ removed: false, endedAt: null });
  });
  it('of an old log are found by their entry, or said to be missing', () => {
    const s = smallStudio();
    s.do({
      kind: 'enter-hours',
      ask: {
        id: 'h',
        personId: 'ada',
        panelId: 'p',
        stage: 'cutting',
        startedAt: s.at - 60_000,
        endedAt: s.at,
        note: '',
      },
    });
    expect(brought(s, 'remove-hours', { entryId: 'h' })).toMatchObject({ entryId: 'h', panelId: 'p' });
    expect(() => brought(s, 'remove-hours', { entryId: 'x' })).toThrow(/never entered/);
  });
});
