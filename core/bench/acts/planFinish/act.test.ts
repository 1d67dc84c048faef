import { describe, expect, it } from 'vitest';
import { told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import { USUAL_FINISH } from '../../../finish/index.ts';

describe('what is decided on a panel’s finish', () => {
  it('is kept, each change leaves the rest, and goes back', () => {
    const s = smallStudio();
    s.do({ kind: 'plan-finish', ask: { panelId: 'p', plan: { hold: 'fitted', place: 'door' } } });
    s.do({ kind: 'plan-finish', ask: { panelId: 'p', plan: { bars: [40] } } });
    expect(s.studio.get('finishes', 'p')).toMatchObject({ ...USUAL_FINISH, hold: 'fitted', place: 'door', bars: [40] });
    s.do({ kind: 'plan-finish', ask: { panelId: 'p', plan: {}, measured: { widthMm: 100.4, heightMm: 99 } } });
    expect(told(s)).toBe('finished it measures 100.4 × 99.0 mm');
    expect(s.studio.get('finishes', 'p')?.measured).toMatchObject({ widthMm: 100.4, at: s.at });
    expect(s.back('undo')).toBeNull();
    expect(s.back('undo')).toBeNull();
    expect(s.studio.get('finishes', 'p')).toMatchObject({ bars: [], place: 'door', measured: null });
    expect(s.try({ kind: 'plan-finish', ask: { panelId: 'q', plan: {} } })?.code).toBe('unknown-panel');
  });
  it('trays are handed on, came is marked as cut, days are signed', () => {
    const s = smallStudio();
    for (const id of ['ada', 'bo'])
      s.do({ kind: 'save-person', ask: { id, name: id, initial: id, rateCentsPerHour: 0, active: true } });
    s.do({ kind: 'hand-tray', ask: { panelId: 'p', letter: 'A', personId: 'bo' } });
    expect(told(s)).toMatch(/has tray A$/);
    expect(s.try({ kind: 'hand-tray', ask: { panelId: 'p', letter: 'A', personId: 'bo' } })?.code).toBe(
      'nothing-changes',
    );
    expect(s.try({ kind: 'hand-tray', ask: { panelId: 'p', letter: 'A', personId: 'nobody' } })?.code).toBe(
      'unknown-person',
    );
    s.do({ kind: 'hand-tray', ask: { panelId: 'p', letter: 'A', personId: null } });
    expect([...s.studio.ask('traysOfPanel', 'p')]).toEqual([]);

    const mark = (more: object) => s.try({ kind: 'mark-lead', ask: { panelId: 'p', ...more } });
    mark({ cut: { name: '3', isCut: true } });
    mark({ cut: { name: '5', isCut: true } });
    mark({ through: { joint: '7', deg: 12 } });
    mark({ cut: { name: '3', isCut: false } });
    expect(s.studio.get('leadMarks', 'p')).toMatchObject({ cut: ['5'], through: { 7: 12 } });
    mark({ through: { joint: '7', deg: null } });
    expect(s.studio.get('leadMarks', 'p')).toMatchObject({ cut: ['5'], through: {} });
    expect(mark({})?.code).toBe('nothing-changes');

    s.do({ kind: 'sign-day', ask: { personId: 'ada', day: '2026-03-02', minutes: 312 } });
    s.do({ kind: 'sign-day', ask: { personId: 'ada', day: '2026-03-02', minutes: 330 } });
    expect([...s.studio.all('daySheets')]).toMatchObject([{ minutes: 330, signedBy: 'ada' }]);
  });
});
