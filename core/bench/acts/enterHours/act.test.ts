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
