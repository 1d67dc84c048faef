import { describe, expect, it } from 'vitest';
import { cut, sound } from '../../../test/asks.ts';
import { layOutAsk, strips } from '../../../test/laidOut.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

describe('pieces that are not cut here', () => {
  it('are in hand at once, the rack gives nothing, and they go on like the others', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1, 2], 'S1')));
    s.do({ kind: 'take-in', ask: { panelId: 'p', numbers: [1, 20], as: 'bought' } });
    expect(s.piece(1)).toMatchObject({ stage: 'cut', from: null, spot: null });
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(20_000);
    s.do({ kind: 'advance', ask: { panelId: 'p', numbers: [1], to: 'ground' } });
    expect(s.studio.get('panels', 'p')?.counts.stages).toMatchObject({ cut: 1, ground: 1 });
    expect(sound(s)).toEqual([]);
  });
  it('without a glass, one may be said later, once', () => {
    const s = smallStudio();
    s.do({ kind: 'choose-glass', ask: { panelId: 'p', numbers: [1], glassId: null } });
    s.do({ kind: 'take-in', ask: { panelId: 'p', numbers: [1], as: 'bought' } });
    const choose = (glassId: string) => s.try({ kind: 'choose-glass', ask: { panelId: 'p', numbers: [1], glassId } });
    expect(choose('red')).toBeNull();
    expect(s.piece(1)).toMatchObject({ glassId: 'red', stage: 'cut' });
    expect(choose('blue')?.code).toBe('already-in-hand');
  });
  it('what is in hand already is not taken in; what broke may be bought instead', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    const takeIn = (number: number) => s.try({ kind: 'take-in', ask: { panelId: 'p', numbers: [number], as: 'old' } });
    expect(takeIn(1)).toMatchObject({ code: 'already-in-hand', numbers: [1] });
    s.do({ kind: 'break', ask: { panelId: 'p', numbers: [1], reason: 'dropped', minutes: 0, recut: null } });
    expect(takeIn(1)).toBeNull();
    expect(s.piece(1)).toMatchObject({ stage: 'cut', broken: null, recuts: 1 });
    expect(s.back('undo')).toBeNull();
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', broken: 'dropped' });
  });
  it('what was ordered is not waited for any longer once it is taken in; what others wait for is', () => {
    const s = smallStudio();
    const wait = (id: string, numbers: number[]) =>
      s.do({ kind: 'begin-wait', ask: { id, panelId: 'p', numbers, name: 'ordered', minutes: 10_080 } });
    wait('w1', [3, 4]);
    wait('w2', [4, 5]);
    s.do({ kind: 'take-in', ask: { panelId: 'p', numbers: [3, 4], as: 'bought' } });
    expect([...s.studio.ask('waitsOfPanel', 'p')].map((one) => one.id)).toEqual(['w2']);
    expect(s.back('undo')).toBeNull();
    expect([...s.studio.ask('waitsOfPanel', 'p')].map((one) => one.id).sort()).toEqual(['w1', 'w2']);
  });
});
