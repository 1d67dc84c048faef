import { describe, expect, it } from 'vitest';
import { cut, sound, told } from '../../../test/asks.ts';
import { smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import { SHIPPED_ROUTES } from '../../index.ts';

const begin = (s: SmallStudio, more: object = {}) =>
  s.try({
    kind: 'begin-wait',
    ask: { id: 'w', panelId: 'p', numbers: [3, 4], name: 'glue', minutes: 360, ...more },
  });
const waits = (s: SmallStudio) => [...s.studio.all('waits')];

describe('a wait', () => {
  it('of pieces or of the panel lasts as long as was said, over midnight too, and ends when it is seen', () => {
    const s = smallStudio();
    expect(begin(s)).toBeNull();
    expect(told(s)).toBe('3, 4 wait 6 h: glue');
    expect(waits(s)).toMatchObject([{ numbers: [3, 4], from: s.at, until: s.at + 360 * 60_000, isOver: false }]);
    expect(begin(s, { id: 'v', numbers: [], name: 'sealant', minutes: 1440 })).toBeNull();
    expect(begin(s)?.code).toBe('entry-taken');
    expect(begin(s, { id: 'x', numbers: [99] })?.code).toBe('unknown-pieces');
    s.do({ kind: 'end-wait', ask: { id: 'w' } });
    expect(s.try({ kind: 'end-wait', ask: { id: 'w' } })?.code).toBe('unknown-wait');
    expect(s.back('undo')).toBeNull();
    expect(waits(s).filter((one) => !one.isOver)).toHaveLength(2);
    expect(sound(s)).toEqual([]);
  });
  it('begins by itself at a step of pieces that asks for one, and goes with undo', () => {
    const s = smallStudio();
    const steps = (SHIPPED_ROUTES[0]?.steps ?? []).map((step) =>
      step.code === 'ground' ? { ...step, waitMin: 90, waitName: 'dry' } : step,
    );
    s.do({ kind: 'save-route', ask: { key: 'foil', name: 'Slow', technique: 'foil', steps } });
    s.do({ kind: 'follow-route', ask: { panelId: 'p', route: 'foil' } });
    s.do(cut([1, 2], 'S1'));
    s.do({ kind: 'advance', ask: { panelId: 'p', numbers: [1, 2], to: 'ground' } });
    expect(waits(s)).toMatchObject([{ numbers: [1, 2], name: 'dry', until: s.at + 90 * 60_000 }]);
    expect(s.back('undo')).toBeNull();
    expect(waits(s)).toEqual([]);
  });
});
