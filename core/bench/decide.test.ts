import { describe, expect, it } from 'vitest';
import { advance, all, back, cut, sound } from '../test/asks.ts';
import { smallStudio } from '../test/smallStudio.ts';
import { refusalWords, type Command } from './index.ts';

describe('stale commands', () => {
  it('decided on what another bench has changed since are refused by name; others pass', () => {
    const s = smallStudio();
    s.do(cut([1, 2], 'S1'));
    const basis = s.studio.seq;
    s.do(advance([1], 'ground'), { bench: 'bench-2' });
    const refusal = s.try(advance([1, 2], 'foiled'), { basis });
    expect(refusal).toMatchObject({ code: 'stale', numbers: [1] });
    expect(s.piece(2).stage).toBe('cut');
    expect(refusalWords({ ...refusal, code: 'stale', meanwhile: ['10:12 1 ground (Mo).'] }, 'mm')).toBe(
      'Piece 1 has changed on another screen since; nothing was done. Meanwhile: 10:12 1 ground (Mo). Look again, then repeat it.',
    );
    expect(s.try(advance([2], 'foiled'), { basis })).toBeNull();
    expect(s.try(advance([1], 'foiled'), { basis: basis + 1 })).toBeNull();
  });
  it('what the same bench did last is never stale to it: two commands in a queue', () => {
    const s = smallStudio();
    const basis = s.studio.seq;
    s.do(cut([1], 'S1'), { basis });
    s.do(advance([1], 'ground'), { basis });
    s.do(cut([2], 'S1'), { basis });
    expect([s.piece(1).stage, s.piece(2).stage]).toEqual(['ground', 'cut']);
  });
  it('two people cut from one sheet, as long as it lasts', () => {
    const s = smallStudio();
    const basis = s.studio.seq;
    s.do(cut([1], 'S1'), { basis });
    s.do(cut([2], 'S1'), { basis, bench: 'bench-2' });
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(18_000);
    s.do({ kind: 'write-off', ask: { stockId: 'S1', reason: 'fell' } }, { bench: 'bench-2' });
    expect(s.try(cut([3], 'S1'), { basis })?.code).toBe('stock-gone');
    expect(sound(s)).toEqual([]);
  });
  it('two people tick different joints of one side', () => {
    const s = smallStudio();
    s.do(cut(all.slice(0, 12), 'S1'));
    s.do(cut(all.slice(12), 'S2'));
    s.do(advance(all, 'in-place'));
    const basis = s.studio.seq;
    const joints = (numbers: number[]): Command => ({
      kind: 'solder-joints',
      ask: { panelId: 'p', side: 'back', joints: numbers },
    });
    s.do(joints([1, 2, 3, 4]), { basis });
    s.do(joints([5, 6, 7, 8, 9]), { basis, bench: 'bench-2', personId: 'bo' });
    expect(s.studio.get('steps', 'p/solder-back')?.at).toBe(s.at);
    // One's undo leaves the other's joints soldered.
    expect(back(s, 'undo')).toBeNull();
    expect([...s.studio.ask('jointsOfPanel', 'p')].filter((j) => j.backAt !== null).map((j) => j.number)).toEqual([
      5, 6, 7, 8, 9,
    ]);
  });
  it('fields that an act does not look at do not make it stale, and undo leaves them alone', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    const basis = s.studio.seq;
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [1], flowDeg: 30 } }, { bench: 'bench-2' });
    s.do(advance([1], 'ground'), { basis });
    expect(back(s, 'undo')).toBeNull();
    expect(s.piece(1)).toMatchObject({ stage: 'cut', flowDeg: 30 });
    expect(sound(s)).toEqual([]);
  });
});
