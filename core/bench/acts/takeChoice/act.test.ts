import { describe, expect, it } from 'vitest';
import { cut, sound, told } from '../../../test/asks.ts';
import { layOutAsk, strips } from '../../../test/laidOut.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import type { Command } from '../../index.ts';

const choice = (kind: 'keep-choice' | 'take-choice' | 'drop-choice', name: string): Command => ({
  kind,
  ask: { panelId: 'p', name },
});
const give = (numbers: number[], glassId: string | null): Command => ({
  kind: 'choose-glass',
  ask: { panelId: 'p', numbers, glassId },
});

describe('choices of glass by name', () => {
  it('one is kept, another tried, the first taken again: what is cut keeps its glass', () => {
    const s = smallStudio();
    s.do(choice('keep-choice', 'Blue sky'));
    s.do(give([1, 2, 3], 'red'));
    s.do(layOutAsk(strips([2, 3], 'S2')));
    s.do(choice('keep-choice', 'Red sky'));
    s.do(cut([1], 'S2'));
    s.do(choice('take-choice', 'blue SKY'));
    expect(told(s)).toBe('choice of glass “Blue sky” taken: 2, 3');
    expect([1, 2, 3].map((n) => s.piece(n).glassId)).toEqual(['red', 'blue', 'blue']);
    // Of another glass it can not lie where it lay.
    expect(s.piece(2).spot).toBeNull();
    expect(sound(s)).toEqual([]);
    expect(s.back('undo')).toBeNull();
    expect([1, 2, 3].map((n) => s.piece(n).glassId)).toEqual(['red', 'red', 'red']);
    expect(sound(s)).toEqual([]);
  });

  it('the same name is replaced; given up it is gone, and comes back', () => {
    const s = smallStudio();
    s.do(choice('keep-choice', 'First'));
    expect(s.try(choice('keep-choice', 'First'))?.code).toBe('nothing-changes');
    s.do(give([4], 'red'));
    s.do(choice('keep-choice', 'first'));
    expect([...s.studio.all('choices')].map((c) => [c.name, c.glasses['p/4']])).toEqual([['first', 'red']]);
    s.do(choice('drop-choice', 'FIRST'));
    expect([...s.studio.all('choices')]).toEqual([]);
    expect(s.try(choice('take-choice', 'first'))?.code).toBe('unknown-choice');
    expect(s.back('undo')).toBeNull();
    expect([...s.studio.all('choices')]).toHaveLength(1);
    expect(sound(s)).toEqual([]);
  });

  it('refuses what changes nothing, and a panel without glass', () => {
    const s = smallStudio();
    s.do(choice('keep-choice', 'As it is'));
    expect(s.try(choice('take-choice', 'As it is'))?.code).toBe('nothing-changes');
    expect(s.try(choice('drop-choice', 'other'))?.code).toBe('unknown-choice');
    const all = Array.from({ length: 20 }, (_, i) => i + 1);
    s.do(give(all, null));
    expect(s.try(choice('keep-choice', 'None'))?.code).toBe('no-glass');
    expect(s.try({ kind: 'keep-choice', ask: { panelId: 'q', name: 'x' } })?.code).toBe('unknown-panel');
  });
});
