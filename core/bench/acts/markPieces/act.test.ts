import { describe, expect, it } from 'vitest';
import { brought, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const mark = (numbers: number[], more: object) => ({ kind: 'mark', ask: { panelId: 'p', numbers, ...more } }) as const;

describe('marks beside pieces', () => {
  it('change only what is given', () => {
    const s = smallStudio();
    s.do(mark([1], { flowDeg: 40, locked: true }));
    s.do(mark([1, 2], { flowDeg: null }));
    expect(s.piece(1)).toMatchObject({ flowDeg: null, locked: true });
    expect(told(s)).toBe('1: flow any way');
    expect(s.try(mark([1], { flowDeg: null }))?.code).toBe('nothing-to-do');
    expect(s.try(mark([1], {}))?.code).toBe('nothing-to-do');
  });
  it('name a section, and rename it though no piece moves', () => {
    const s = smallStudio();
    s.do(mark([1, 2], { section: 'A', sectionName: 'sky' }));
    expect(told(s)).toBe('1, 2: section A “sky”');
    s.do(mark([1], { section: 'A', sectionName: 'water' }));
    expect(s.studio.get('sections', 'p/A')).toMatchObject({ letter: 'A', name: 'water', panelId: 'p' });
    expect(s.try(mark([1], { section: 'A', sectionName: 'water' }))?.code).toBe('nothing-to-do');
    s.do(mark([1], { section: null }));
    expect(s.piece(2).section).toBe('A');
    expect(told(s)).toBe('1: in no section');
  });
  it('are told in words of the bench', () => {
    const s = smallStudio();
    s.do(mark([3], { flowDeg: 12.6, locked: true }));
    expect(told(s)).toBe('3: flow at 13°, number locked');
    s.do(mark([3], { locked: false }));
    expect(told(s)).toBe('3: number unlocked');
  });
  it('of an old log keep what was given and nothing else', () => {
    const s = smallStudio();
    expect(brought(s, 'mark', mark([2], { locked: true, section: undefined }).ask)).toEqual({
      panelId: 'p',
      numbers: [2],
      pieces: ['p/2'],
      marks: { locked: true },
      sectionName: null,
    });
  });
});
