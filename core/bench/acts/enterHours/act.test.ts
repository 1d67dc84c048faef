import { describe, expect, it } from 'vitest';
import { brought, told } from '../../../test/asks.ts';
import { smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';

const MINUTE = 60_000;
const entry = (s: SmallStudio, more: object = {}) => ({
  id: 'h',
  personId: 'ada',
  panelId: 'p' as string | null,
  stage: 'cutting' as const,
  startedAt: s.at - 90 * MINUTE,
  endedAt: s.at,
  note: '',
  ...more,
});

describe('hours entered by hand', () => {
  it('are somebody’s, at the rate of the day, on a panel or on none', () => {
    const s = smallStudio();
    s.do({ kind: 'enter-hours', ask: entry(s) });
    expect(s.studio.get('hours', 'h')).toMatchObject({ rateCentsPerHour: 3000, byHand: true, removed: false });
    expect(told(s)).toBe('hours entered: cutting, 1 h 30');
    expect(s.try({ kind: 'enter-hours', ask: entry(s, { id: 'i', panelId: null }) })).toBeNull();
    expect(s.try({ kind: 'enter-hours', ask: entry(s, { personId: 'bo' }) })?.code).toBe('unknown-person');
    expect(s.try({ kind: 'enter-hours', ask: entry(s, { panelId: 'q' }) })?.code).toBe('unknown-panel');
  });
  it('end no earlier than they began', () => {
    const s = smallStudio();
    expect(s.try({ kind: 'enter-hours', ask: entry(s, { startedAt: 5000, endedAt: 5000 }) })).toBeNull();
    expect(s.try({ kind: 'enter-hours', ask: entry(s, { startedAt: 5001, endedAt: 5000 }) })?.code).toBe(
      'ends-before-start',
    );
  });
  it('are not of the future, but for a minute by which two clocks may differ', () => {
    const s = smallStudio();
    // The small studio's clock goes on by a minute with each act.
    const end = (beyond: number) => ({
      kind: 'enter-hours' as const,
      ask: entry(s, { endedAt: s.at + 2 * MINUTE + beyond }),
    });
    expect(s.try(end(0))).toBeNull();
    expect(s.try(end(1))?.code).toBe('in-the-future');
  });
  it('of an old log take the rate that the entry had, or else the person’s then', () => {
    const s = smallStudio();
    expect(brought(s, 'enter-hours', entry(s))).toEqual({ ...entry(s), rateCentsPerHour: 3000 });
    s.do({ kind: 'enter-hours', ask: entry(s) });
    s.do({ kind: 'save-person', ask: { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 9000, active: true } });
    expect(brought(s, 'enter-hours', entry(s))).toMatchObject({ rateCentsPerHour: 3000 });
    expect(brought(s, 'enter-hours', entry(s, { id: 'j' }))).toMatchObject({ rateCentsPerHour: 9000 });
  });
});

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
    s.do({ kind: 'enter-hours', ask: entry(s) });
    expect(brought(s, 'remove-hours', { entryId: 'h' })).toMatchObject({ entryId: 'h', panelId: 'p' });
    expect(() => brought(s, 'remove-hours', { entryId: 'x' })).toThrow(/never entered/);
  });
});

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
