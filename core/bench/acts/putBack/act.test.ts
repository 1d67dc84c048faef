import { describe, expect, it } from 'vitest';
import { advance, back, cut, sound } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

describe('undo and redo', () => {
  it('take back and do again, glass and all; the ledger gains entries and loses none', () => {
    const s = smallStudio();
    s.do(cut([1, 2], 'S1', { kind: 'offcuts', offcuts: [{ widthMm: 50, heightMm: 50 }] }));
    s.do(advance([1, 2], 'ground'));
    const moves = [...s.studio.all('moves')].length;
    expect([back(s, 'undo'), back(s, 'undo')]).toEqual([null, null]);
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', from: null });
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 20_000, gone: null });
    expect(s.studio.get('stock', 'S1-1')).toBeUndefined();
    expect([...s.studio.all('moves')].length).toBeGreaterThan(moves);
    expect(sound(s)).toEqual([]);
    expect([back(s, 'redo'), back(s, 'redo')]).toEqual([null, null]);
    expect(s.piece(2).stage).toBe('ground');
    expect(s.studio.get('stock', 'S1-1')?.areaMm2).toBe(2500);
    expect(sound(s)).toEqual([]);
  });
  it('belong to a bench, and a new act clears what could be redone', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'), { bench: 'bench-2' });
    s.do(cut([2], 'S1'), { bench: 'bench-1' });
    s.do(advance([2], 'ground'), { bench: 'bench-1' });
    expect(back(s, 'undo', 'bench-1')).toBeNull();
    expect(s.piece(2).stage).toBe('cut');
    s.do(advance([2], 'foiled'), { bench: 'bench-1' });
    expect(back(s, 'redo', 'bench-1')?.code).toBe('nothing-to-redo');
    expect(s.piece(1).stage).toBe('cut');
  });
  it('refuse when somebody has worked on from there', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    s.do(advance([1], 'ground'), { bench: 'bench-2' });
    expect(back(s, 'undo')).toMatchObject({ code: 'changed-since', numbers: [1] });
  });
});
