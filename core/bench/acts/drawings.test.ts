import { describe, expect, it } from 'vitest';
import { drawing, smallStudio, type SmallStudio } from '../../test/smallStudio.ts';
import { happeningWords, refusalWords } from '../../words/index.ts';
import { putBackTarget, replay, differences, type DrawnPiece } from '../index.ts';

const drawn = (number: number, more: Partial<DrawnPiece> = {}): DrawnPiece => ({
  number,
  label: null,
  areaMm2: 700,
  perimeterMm: 110,
  widthMm: 30,
  heightMm: 25,
  difficulty: 2,
  was: number,
  changed: true,
  ...more,
});
const cut = (s: SmallStudio, ...numbers: number[]) =>
  s.do({ kind: 'cut', ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers, left: { kind: 'stays' } }] } });
const redraw = (s: SmallStudio, pieces: DrawnPiece[], more: Parameters<typeof drawing>[2] = {}) =>
  s.try({ kind: 'cartoon', ask: drawing(pieces, 'foil', { cartoonId: 'k2', pieceCount: 20, ...more }) });

describe('a drawing that follows another', () => {
  it('leaves pieces that it does not name as they are', () => {
    const s = smallStudio();
    const before = s.piece(3);
    expect(redraw(s, [drawn(7), drawn(21, { was: null })], { pieceCount: 21 })).toBeNull();
    expect(s.piece(3)).toEqual(before);
    expect(s.piece(7)).toMatchObject({ areaMm2: 700, glassId: 'blue', stage: 'to-cut', recheck: false });
    expect(s.piece(21)).toMatchObject({ glassId: null, stage: 'to-cut' });
    expect(s.studio.get('panels', 'p')).toMatchObject({ cartoonId: 'k2', pieceCount: 21 });
  });
  it('marks glass in hand whose outline changed, until somebody says that it fits', () => {
    const s = smallStudio();
    cut(s, 1, 2);
    expect(redraw(s, [drawn(1), drawn(5)])).toBeNull();
    expect([s.piece(1)?.recheck, s.piece(2)?.recheck, s.piece(5)?.recheck]).toEqual([true, false, false]);
    expect(s.piece(1)?.stage).toBe('cut');
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [1], recheck: false } });
    expect(s.piece(1)?.recheck).toBe(false);
  });
  it('does not drop glass in hand unless it is let go', () => {
    const s = smallStudio();
    cut(s, 4);
    const refusal = redraw(s, [], { gone: [4, 5], pieceCount: 18 });
    expect(refusal).toMatchObject({ code: 'has-work', numbers: [4] });
    expect(refusalWords(refusal as never, 'mm', s.studio)).toContain('cut already (4)');
    expect(redraw(s, [], { gone: [4, 5], letGo: [4], pieceCount: 18 })).toBeNull();
    expect([...s.studio.piecesOf('p')]).toHaveLength(18);
  });
  it.each(['add-line', 'take-line', 'scale', 'fit'] as const)('%s is not for glass that is cut', (origin) => {
    const s = smallStudio();
    cut(s, 4);
    expect(redraw(s, [drawn(4)], { origin })?.code).toBe('has-work');
    expect(redraw(s, [drawn(5)], { origin })).toBeNull();
  });
  it('a piece that broke and waits to be cut again may be divided', () => {
    const s = smallStudio();
    cut(s, 4);
    s.do({ kind: 'break', ask: { panelId: 'p', numbers: [4], reason: 'inside-curve', minutes: 0, recut: null } });
    expect(redraw(s, [drawn(4), drawn(21, { was: null })], { origin: 'add-line', pieceCount: 21 })).toBeNull();
    expect(s.piece(4)).toMatchObject({ broken: 'inside-curve', recuts: 1, areaMm2: 700 });
  });
  it('pieces exchange numbers with all that is known of them', () => {
    const s = smallStudio();
    expect(redraw(s, [drawn(3, { was: 15, changed: false }), drawn(15, { was: 3, changed: false })])).toBeNull();
    expect([s.piece(3)?.glassId, s.piece(15)?.glassId]).toEqual(['red', 'blue']);
    expect([...s.studio.piecesOf('p')]).toHaveLength(20);
  });
  it('is undone whole, and a replay of the log ends alike', () => {
    const s = smallStudio();
    const before = [...s.studio.piecesOf('p')].map((p) => [p.id, p.areaMm2, p.glassId]).sort();
    redraw(s, [drawn(7), drawn(21, { was: null }), drawn(2, { was: 3 }), drawn(3, { was: 2 })], {
      gone: [9],
      origin: 'import',
    });
    const target = putBackTarget(s.log, 'undo');
    s.do({ kind: 'put-back', ask: { target, direction: 'undo' } });
    expect([...s.studio.piecesOf('p')].map((p) => [p.id, p.areaMm2, p.glassId]).sort()).toEqual(before);
    expect(s.studio.get('panels', 'p')?.cartoonId).toBe('k');
    expect(differences(s.studio, replay(s.log))).toEqual([]);
  });
  it('is told by what it did', () => {
    const s = smallStudio();
    const words = (origin: Parameters<typeof drawing>[2]) =>
      happeningWords({ kind: 'cartoon', payload: drawing([drawn(7)], 'foil', origin) }, s.studio);
    expect(words({})).toBe('drawing test.svg taken in: 1 piece');
    expect(words({ origin: 'add-line' })).toBe('line added: piece 7');
    expect(words({ origin: 'scale' })).toContain('true size set');
  });
});

describe('marks beside pieces', () => {
  it('flow, section and lock; only what is asked changes, and what changes nothing is refused', () => {
    const s = smallStudio();
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [1, 2, 3], flowDeg: 90 } });
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [2, 3], section: 'A', sectionName: 'sky' } });
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [3], locked: true } });
    expect(s.piece(3)).toMatchObject({ flowDeg: 90, section: 'A', locked: true });
    expect(s.piece(2)?.locked).toBeUndefined();
    expect(s.studio.get('panels', 'p')?.sections).toEqual({ A: 'sky' });
    expect(s.try({ kind: 'mark', ask: { panelId: 'p', numbers: [1], flowDeg: 90 } })?.code).toBe('nothing-to-do');
    expect(s.try({ kind: 'mark', ask: { panelId: 'p', numbers: [99], flowDeg: 90 } })?.code).toBe('unknown-pieces');
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [1, 2], flowDeg: null } });
    expect(s.piece(1)?.flowDeg).toBeNull();
    const words = happeningWords(
      { kind: 'mark', payload: { panelId: 'p', numbers: [1, 2], flowDeg: 45, section: 'B', locked: false } },
      s.studio,
    );
    expect(words).toBe('1, 2: flow at 45°, section B, number unlocked');
  });
});
