import { describe, expect, it } from 'vitest';
import { advance, back, cut, sound, told } from '../../../test/asks.ts';
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
  it('belong to a person, and a new act clears what could be redone', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'), { personId: 'bo' });
    s.do(cut([2], 'S1'), { bench: 'bench-2' });
    s.do(advance([2], 'ground'), { bench: 'bench-1' });
    expect(back(s, 'undo')).toBeNull();
    expect(s.piece(2).stage).toBe('cut');
    expect(told(s)).toBe('taken back: 2 ground');
    s.do(advance([2], 'foiled'));
    expect(back(s, 'redo')?.code).toBe('nothing-to-redo');
    expect(s.piece(1).stage).toBe('cut');
  });
  it('refuse when somebody has worked on from there', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    s.do(advance([1], 'ground'), { personId: 'bo' });
    expect(back(s, 'undo')).toMatchObject({ code: 'changed-since', numbers: [1] });
  });
  it('keep to their place: settings, rack and panel each have their own last step', () => {
    const s = smallStudio();
    s.do({ kind: 'change-settings', ask: { studio: 'One' } });
    s.do({ kind: 'change-settings', ask: { studio: 'Two' } });
    s.do({ kind: 'move-stock', ask: { stockId: 'S1', place: 'window' } });
    s.do(cut([1], 'S1'));
    expect(s.back('undo', 'ada', 'setup')).toBeNull();
    expect(s.studio.get('settings', 'studio')?.studio).toBe('One');
    expect(s.studio.get('stock', 'S1')?.place).toBe('window');
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect(s.studio.get('stock', 'S1')).toMatchObject({ place: 'slot 1', areaMm2: 19_000 });
    expect(s.piece(1).stage).toBe('cut');
    expect(s.back('redo', 'ada', 'rack')).toBeNull();
    expect(s.studio.get('stock', 'S1')?.place).toBe('window');
    expect(s.back('undo', 'ada', { panelId: 'other' })?.code).toBe('nothing-to-undo');
    expect(sound(s)).toEqual([]);
  });
  it('a step by step way back and forth ends where it began, however it turns', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    for (const to of ['ground', 'foiled', 'in-place'] as const) s.do(advance([1], to));
    const stages = (ways: string) =>
      [...ways].map((way) => {
        expect(back(s, way === 'u' ? 'undo' : 'redo')).toBeNull();
        return s.piece(1).stage;
      });
    expect(stages('uuruurrru')).toEqual([
      'foiled',
      'ground',
      'foiled',
      'ground',
      'cut',
      'ground',
      'foiled',
      'in-place',
      'foiled',
    ]);
    expect(stages('uuur')).toEqual(['ground', 'cut', 'to-cut', 'cut']);
    expect(sound(s)).toEqual([]);
  });
});

describe('one entry taken back from the list', () => {
  const seqOf = (s: ReturnType<typeof smallStudio>) => s.studio.seq;

  it('a cut by mistake gives its glass back, though others were cut from the sheet since', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    const mistake = seqOf(s);
    s.do(cut([2, 3], 'S1'), { personId: 'bo' });
    expect(s.takeBack(mistake)).toBeNull();
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', from: null, recuts: 0 });
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 18_000, costCents: 180 });
    expect(sound(s)).toEqual([]);
  });
  it('not from a sheet that is gone, nor where its offcut was cut from', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1', { kind: 'offcuts', offcuts: [{ widthMm: 100, heightMm: 100 }] }));
    const first = seqOf(s);
    expect(s.studio.get('stock', 'S1')?.gone).toBe('used up');
    s.do(cut([2], 'S1-1'));
    expect(s.takeBack(first)).toMatchObject({ code: 'changed-since' });
    s.do(cut([3], 'K1'));
    const second = seqOf(s);
    s.do({ kind: 'write-off', ask: { stockId: 'K1', reason: 'broken' } });
    expect(s.takeBack(second)).toMatchObject({ code: 'changed-since', name: 'K1' });
    expect(sound(s)).toEqual([]);
  });
  it('what was itself taken back rests on nothing any more', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    const first = seqOf(s);
    s.do(advance([1], 'ground'), { personId: 'bo' });
    expect(s.takeBack(first)?.code).toBe('changed-since');
    expect(s.back('undo', 'bo')).toBeNull();
    expect(s.takeBack(first)).toBeNull();
    expect(s.piece(1).stage).toBe('to-cut');
  });
  it('done again only as far as the sheet holds', () => {
    const s = smallStudio();
    s.do(cut([1, 2, 3, 4, 5, 6, 7, 8, 9, 10], 'S1'));
    expect(back(s, 'undo')).toBeNull();
    s.do(cut([11, 12], 'S1', { kind: 'offcuts', offcuts: [{ widthMm: 100, heightMm: 90 }] }), { personId: 'bo' });
    expect(back(s, 'redo')).toMatchObject({ code: 'changed-since' });
    expect(sound(s)).toEqual([]);
  });
});
