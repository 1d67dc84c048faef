import { describe, expect, it } from 'vitest';
import { advance, broke, sound, told } from '../../../test/asks.ts';
import { drawing, smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import type { PieceId } from '../../../units/index.ts';
import { differences, happeningWords, refusalWords, replay, type DrawnPiece } from '../../index.ts';

const drawn = (number: number, more: Partial<DrawnPiece> = {}): DrawnPiece => ({
  id: number as PieceId,
  number,
  label: null,
  grew: false,
  areaMm2: 700,
  perimeterMm: 110,
  widthMm: 30,
  heightMm: 25,
  difficulty: 2,
  isNew: false,
  changed: true,
  ...more,
});
const cut = (s: SmallStudio, ...numbers: number[]) =>
  s.do({ kind: 'cut', ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers, left: { kind: 'stays' } }] } });
const redraw = (s: SmallStudio, pieces: DrawnPiece[], more: Parameters<typeof drawing>[2] = {}) =>
  s.try({
    kind: 'accept-drawing',
    ask: drawing(pieces, 'foil', { cartoonId: 'k2', follows: inForce(s), joints: [], pieceCount: 20, ...more }),
  });
const inForce = (s: SmallStudio) => s.studio.get('panels', 'p')?.cartoonId ?? null;
const ids = (...numbers: number[]) => numbers as PieceId[];

describe('a drawing that follows another', () => {
  it('leaves pieces that it does not name as they are', () => {
    const s = smallStudio();
    const before = s.piece(3);
    expect(redraw(s, [drawn(7), drawn(21, { isNew: true })], { pieceCount: 21 })).toBeNull();
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
    const refusal = redraw(s, [], { gone: ids(4, 5), pieceCount: 18 });
    expect(refusal).toMatchObject({ code: 'has-work', numbers: [4] });
    expect(refusalWords(refusal as never, 'mm', s.studio)).toContain('cut already (4)');
    expect(redraw(s, [], { gone: ids(4, 5), letGo: [4], pieceCount: 18 })).toBeNull();
    expect([...s.studio.ask('piecesOfPanel', 'p')]).toHaveLength(18);
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
    expect(redraw(s, [drawn(4), drawn(21, { isNew: true })], { origin: 'add-line', pieceCount: 21 })).toBeNull();
    expect(s.piece(4)).toMatchObject({ broken: 'inside-curve', recuts: 1, areaMm2: 700 });
  });
  it('pieces exchange numbers with all that is known of them', () => {
    const s = smallStudio();
    expect(
      redraw(s, [drawn(3, { id: 15 as PieceId, changed: false }), drawn(15, { id: 3 as PieceId, changed: false })]),
    ).toBeNull();
    // Rows keep their names: it is the numbers that changed places.
    expect([s.piece(3), s.piece(15)]).toMatchObject([
      { number: 15, glassId: 'blue' },
      { number: 3, glassId: 'red' },
    ]);
    expect([...s.studio.ask('piecesOfPanel', 'p')]).toHaveLength(20);
  });
  it('is undone whole, and a replay of the log ends alike', () => {
    const s = smallStudio();
    const before = [...s.studio.ask('piecesOfPanel', 'p')].map((p) => [p.id, p.areaMm2, p.glassId]).sort();
    redraw(s, [drawn(7), drawn(21, { isNew: true }), drawn(2, { id: 3 as PieceId }), drawn(3, { id: 2 as PieceId })], {
      gone: ids(9),
      origin: 'import',
    });
    expect(s.back('undo')).toBeNull();
    expect([...s.studio.ask('piecesOfPanel', 'p')].map((p) => [p.id, p.areaMm2, p.glassId]).sort()).toEqual(before);
    expect(s.studio.get('panels', 'p')?.cartoonId).toBe('k');
    expect(differences(s.studio, replay(s.log))).toEqual([]);
  });
  it('made from a drawing that is not in force any more, it is refused', () => {
    const s = smallStudio();
    redraw(s, [drawn(7)]);
    expect(redraw(s, [drawn(8)], { cartoonId: 'k3', follows: 'k' })?.code).toBe('changed-since');
    expect(s.studio.get('panels', 'p')?.cartoonId).toBe('k2');
  });
  it('is told by what it did', () => {
    const s = smallStudio();
    const words = (origin: Parameters<typeof drawing>[2]) => {
      redraw(s, [drawn(7)], origin);
      return happeningWords(s.log.at(-1)?.happening as Parameters<typeof happeningWords>[0], s.studio);
    };
    expect(words({})).toBe('drawing test.svg taken in: 20 pieces');
    expect(words({ origin: 'add-line' })).toBe('line added: piece 7');
    expect(words({ origin: 'scale' })).toContain('true size set');
  });
  it('tells what it pushed: glass to be held against it, glass too small for it, pieces new and gone', () => {
    const s = smallStudio();
    cut(s, 1, 2, 3);
    redraw(s, [
      drawn(1, { areaMm2: 1400, changed: true, grew: true }),
      drawn(2, { areaMm2: 900, changed: true }),
      drawn(21, { isNew: true }),
    ]);
    expect(told(s)).toBe(
      'drawing test.svg taken in: 20 pieces, 1 new; 1 too small for it now; 2 to be held against it',
    );
  });
});

describe('what the drawing has no more', () => {
  it('a piece that nothing tells of goes; one that broke stays out of sight, and undo brings both back', () => {
    const s = smallStudio();
    cut(s, 4);
    s.do({ kind: 'break', ask: { panelId: 'p', numbers: [4], reason: 'lost', minutes: 0, recut: null } });
    expect(redraw(s, [], { gone: ids(4, 5), pieceCount: 18 })).toBeNull();
    expect(s.studio.get('pieces', 'p/4')).toMatchObject({ drawn: false, recuts: 1 });
    expect(s.studio.get('pieces', 'p/5')).toBeUndefined();
    expect(s.studio.get('panels', 'p')?.counts).toEqual({ stages: { 'to-cut': 18 }, broken: 0 });
    // The number is free again for another piece.
    expect(redraw(s, [drawn(4, { id: 250 as PieceId, isNew: true })], { cartoonId: 'k3', pieceCount: 19 })).toBeNull();
    expect([s.back('undo'), s.back('undo')]).toEqual([null, null]);
    expect(s.piece(4)).toMatchObject({ drawn: true, broken: 'lost' });
    expect(s.piece(5).glassId).toBe('blue');
    expect(s.studio.get('panels', 'p')?.counts).toEqual({ stages: { 'to-cut': 20 }, broken: 1 });
    expect(differences(s.studio, replay(s.log))).toEqual([]);
  });
  it('ids are not counted back when a drawing is taken back', () => {
    const s = smallStudio();
    redraw(s, [drawn(21, { isNew: true })], { pieceCount: 21, freeId: 300 });
    s.back('undo');
    expect(s.studio.get('panels', 'p')).toMatchObject({ cartoonId: 'k', freeId: 300 });
  });
  it('measured and drawn are one wish: a new light of a set comes with its drawing, and goes with it', () => {
    const s = smallStudio();
    const panel = {
      id: 'q',
      commissionId: 'c',
      name: 'Upper light',
      technique: 'foil' as const,
      widthMm: 200,
      heightMm: 100,
      allowance: drawing([]).allowance,
    };
    const ask = { ...drawing([drawn(1, { isNew: true })], 'foil', { cartoonId: 'k9' }), panelId: 'q', panel };
    s.do({ kind: 'accept-drawing', ask });
    expect(s.studio.get('panels', 'q')).toMatchObject({ name: 'Upper light', cartoonId: 'k9', routeId: 'foil@1' });
    expect(s.back('undo', 'ada', { panelId: 'q' })).toBeNull();
    expect(s.studio.get('panels', 'q')).toBeUndefined();
    expect([...s.studio.ask('piecesOfPanel', 'q')]).toEqual([]);
  });
});

describe('marks beside pieces', () => {
  it('flow, section and lock; only what is asked changes, and what changes nothing is refused', () => {
    const s = smallStudio();
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [1, 2, 3], flowDeg: 90 } });
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [2, 3], section: 'A', sectionName: 'sky' } });
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [3], locked: true } });
    expect(s.piece(3)).toMatchObject({ flowDeg: 90, section: 'A', locked: true });
    expect(s.piece(2)?.locked).toBe(false);
    expect(s.studio.get('sections', 'p/A')?.name).toBe('sky');
    expect(s.try({ kind: 'mark', ask: { panelId: 'p', numbers: [1], flowDeg: 90 } })?.code).toBe('nothing-to-do');
    expect(s.try({ kind: 'mark', ask: { panelId: 'p', numbers: [99], flowDeg: 90 } })?.code).toBe('unknown-pieces');
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [1, 2], flowDeg: null } });
    expect(s.piece(1)?.flowDeg).toBeNull();
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [1, 2], flowDeg: 45, section: 'B', locked: false } });
    const words = happeningWords(s.log.at(-1)?.happening as Parameters<typeof happeningWords>[0], s.studio);
    expect(words).toBe('1, 2: flow at 45°, section B, number unlocked');
  });
  it('a piece that grew over its glass is too small: told, held back, and of the old area until it is cut anew', () => {
    const s = smallStudio();
    cut(s, 1, 2, 3);
    const grown = drawn(1, { areaMm2: 1400, changed: true, grew: true });
    const other = drawn(2, { areaMm2: 900, changed: true });
    s.do({ kind: 'accept-drawing', ask: drawing([grown, other], 'foil', { cartoonId: 'k2', follows: 'k' }) });
    expect(s.piece(1)).toMatchObject({ recheck: true, tooSmall: true, areaMm2: 1400, glassMm2: 1000 });
    expect(s.piece(2)).toMatchObject({ recheck: true, tooSmall: false, areaMm2: 900, glassMm2: 1000 });
    expect(s.piece(3)).toMatchObject({ recheck: false, tooSmall: false, glassMm2: null });
    const refusal = s.try(advance([1, 3], 'ground'));
    expect(refusal).toMatchObject({ code: 'too-small', numbers: [1] });
    expect(s.piece(3)?.stage).toBe('cut');
    s.do(advance([2, 3], 'ground'));
    // Broken, it costs what it was; cut anew, it takes what the drawing wants.
    const before = s.studio.get('stock', 'S1')?.areaMm2 ?? 0;
    s.do(broke([1]));
    expect([...s.studio.all('mishaps')].map((m) => m.glassMm2)).toEqual([1000]);
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', recheck: false, tooSmall: false, glassMm2: null });
    cut(s, 1);
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(before - 1400);
    s.do(advance([1], 'ground'));
    expect(sound(s)).toEqual([]);
    for (let k = 0; k < 3; k++) s.back('undo');
    expect(s.piece(1)).toMatchObject({ stage: 'cut', tooSmall: true, glassMm2: 1000 });
    // Said to fit all the same, it may go on.
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [1], recheck: false } });
    expect(s.piece(1)).toMatchObject({ tooSmall: false, recheck: false });
    s.do(advance([1], 'ground'));
    expect(sound(s)).toEqual([]);
  });
});
