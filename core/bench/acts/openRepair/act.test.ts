import { describe, expect, it } from 'vitest';
import { advance, all, cut, told } from '../../../test/asks.ts';
import { smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import { REPAIR_MEANINGS, REPAIR_WAYS, repairSteps } from '../../index.ts';

function built(): SmallStudio {
  const s = smallStudio();
  s.do(cut([3], 'S1'));
  for (const to of ['ground', 'foiled', 'in-place'] as const) s.do(advance([3], to));
  return s;
}
const open = (s: SmallStudio, more: object = {}) =>
  s.try({
    kind: 'open-repair',
    ask: { id: 'r', panelId: 'p', number: 3, way: 'bond', words: '', joints: [], ...more },
  });

describe('a crack that is seen after a piece is built in', () => {
  it('each way has what it means, and steps for both techniques', () => {
    for (const way of REPAIR_WAYS) {
      expect(REPAIR_MEANINGS[way].means).toMatch(/\.$/);
      for (const technique of ['foil', 'lead'] as const) {
        const steps = repairSteps(way, technique);
        expect(steps.length === 0).toBe(way === 'leave');
        expect(new Set(steps.map((step) => step.code)).size).toBe(steps.length);
      }
    }
    // Taking a piece out cuts people, and melts lead.
    const cautions = repairSteps('replace', 'foil').flatMap((step) => step.caution ?? []);
    expect(cautions.join()).toMatch(/Eyes.*Fumes.*Lead/);
  });
  it('goes on step by step, and closes with the last', () => {
    const s = built();
    expect(open(s)).toBeNull();
    expect(told(s)).toBe('a crack in 3: bond it');
    expect(open(s, { id: 'other' })?.code).toBe('repair-open');
    for (const { code } of repairSteps('bond', 'foil')) {
      expect(s.studio.get('repairs', 'r')?.closedAt).toBeNull();
      s.do({ kind: 'go-on-repair', ask: { id: 'r', step: code } });
    }
    expect(s.studio.get('repairs', 'r')?.closedAt).not.toBeNull();
    expect(told(s)).toMatch(/; mended$/);
    expect(s.try({ kind: 'go-on-repair', ask: { id: 'r', step: 'looked' } })?.code).toBe('step-done');
    expect(s.try({ kind: 'go-on-repair', ask: { id: 'r', step: 'tapped-out' } })?.code).toBe('not-this-route');
    expect(s.back('undo')).toBeNull();
    expect(s.studio.get('repairs', 'r')?.closedAt).toBeNull();
  });
  it('left as it is, nothing is to be done', () => {
    const s = built();
    expect(open(s, { way: 'leave' })).toBeNull();
    expect(s.studio.get('repairs', 'r')?.closedAt).not.toBeNull();
  });
  it('replaced, its joints are open again on both sides; taken back, they are as they were', () => {
    const s = built();
    for (const n of all.filter((n) => n !== 3)) s.do(cut([n], n > 12 ? 'S2' : 'S1'));
    for (const to of ['ground', 'foiled', 'in-place'] as const)
      s.do(
        advance(
          all.filter((n) => n !== 3),
          to,
        ),
      );
    s.do({ kind: 'solder-joints', ask: { panelId: 'p', side: 'front', joints: [1, 2, 3] } });
    const front = () =>
      [...s.studio.ask('jointsOfPanel', 'p')].flatMap((j) => (j.frontAt === null ? [] : [j.number])).sort();
    expect(open(s, { way: 'replace', joints: [2, 3] })).toBeNull();
    expect(front()).toEqual([1]);
    expect(s.back('undo')).toBeNull();
    expect(front()).toEqual([1, 2, 3]);
  });
  it('is no repair as long as the piece is not built in: that is a break', () => {
    const s = built();
    expect(open(s, { number: 4 })?.code).toBe('not-built-in');
    expect(open(s, { number: 99 })?.code).toBe('unknown-pieces');
    expect(open(s, { panelId: 'q' })?.code).toBe('unknown-panel');
  });
});
