import { describe, expect, it } from 'vitest';
import { cut, sound } from '../../../test/asks.ts';
import { layOutAsk, strips } from '../../../test/laidOut.ts';
import { drawing, smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import { DEFAULT_ALLOWANCE } from '../../../sizing/index.ts';
import type { DrawnPiece, SheetLaidOut } from '../../index.ts';
import type { PieceId } from '../../../units/index.ts';

const laid = { kind: 'laid' } as const;
const sheet = (s: SmallStudio, id = 'S1') => s.studio.get('stock', id);
const on = (s: SmallStudio, number: number) => s.piece(number).spot?.stockId ?? null;
const code = (refusal: { code: string } | null) => refusal?.code ?? null;

describe('a layout that is kept', () => {
  it('lays pieces on their sheet, with the breaks that take them out; undo lifts them off', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1, 2, 3, 4], 'S1')));
    expect([1, 2, 3, 4, 5].map((n) => on(s, n))).toEqual(['S1', 'S1', 'S1', 'S1', null]);
    expect(s.piece(2).spot).toMatchObject({ rootId: 'S1', x: 50, at: [75, 50], byHand: false });
    expect(sheet(s)).toMatchObject({ areaMm2: 20_000 });
    expect(sheet(s)?.breaks).toHaveLength(3);
    expect(s.back('undo')).toBeNull();
    expect(on(s, 1)).toBeNull();
    expect(sheet(s)?.breaks).toBeNull();
  });

  it('a piece is cut as it lies: what is still to be cut stays together, the rest is waste', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1, 2, 3, 4], 'S1')));
    s.do(cut([1], 'S1', laid));
    // One break was made: 50 × 100 mm came off with piece 1 in it.
    expect(sheet(s)).toMatchObject({ areaMm2: 15_000, widthMm: 150, gone: null, costCents: 150 });
    expect(sheet(s)?.breaks).toHaveLength(2);
    expect([...s.studio.all('moves')].filter((m) => m.stockId === 'S1').map((m) => [m.kind, m.deltaMm2])).toEqual([
      ['received', 20_000],
      ['pieces', -1000],
      ['waste', -4000],
    ]);
    // The place that it was cut from is kept with it.
    expect(s.piece(1)).toMatchObject({ stage: 'cut', from: 'S1' });
    expect(s.piece(1).spot).toMatchObject({ rootId: 'S1', x: 0 });
    s.do(cut([3], 'S1', laid));
    // Pieces 2 and 4 lie on parts of their own now.
    expect([on(s, 2), on(s, 4)].sort()).toEqual(['S1', 'S1-1']);
    expect(s.studio.get('stock', 'S1-1')).toMatchObject({ areaMm2: 5000, rootId: 'S1', breaks: [], parentId: 'S1' });
    s.do({
      kind: 'cut',
      ask: {
        panelId: 'p',
        sources: [2, 4].map((n) => ({ stockId: on(s, n) ?? '', numbers: [n], left: laid })),
      },
    });
    expect(['S1', 'S1-1'].map((id) => sheet(s, id)?.gone)).toEqual(['used up', 'used up']);
    expect(sound(s)).toEqual([]);
    for (let i = 0; i < 4; i++) expect(s.back('undo')).toBeNull();
    expect(sheet(s)).toMatchObject({ areaMm2: 20_000, widthMm: 200, outline: null, breaks: null, gone: null });
    expect(s.studio.get('stock', 'S1-1')).toBeUndefined();
    expect(sound(s)).toEqual([]);
  });

  it('a rest that is worth keeping goes back with its true outline, where it lay on the sheet', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1], 'S1', { widthMm: 60, last: true })));
    s.do(cut([1], 'S1', laid));
    expect(sheet(s)).toMatchObject({ gone: 'used up', areaMm2: 0, breaks: null });
    const offcut = s.studio.get('stock', 'S1-1');
    expect(offcut).toMatchObject({ kind: 'offcut', areaMm2: 14_000, widthMm: 140, heightMm: 100, rootId: 'S1' });
    expect(offcut?.outline).toContainEqual([60, 0]);
    expect(sound(s)).toEqual([]);
  });

  it('cut otherwise than laid out, the sheet is free again and the piece lies nowhere', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1, 2, 3], 'S1')));
    s.do(cut([2], 'S1'));
    expect([1, 2, 3].map((n) => on(s, n))).toEqual([null, null, null]);
    expect(sheet(s)?.breaks).toBeNull();
    expect(sound(s)).toEqual([]);
    const other = smallStudio();
    other.do(layOutAsk(strips([1, 3], 'S1')));
    other.do(cut([1], 'K1'));
    expect([1, 3].map((n) => on(other, n))).toEqual([null, 'S1']);
    expect(sound(other)).toEqual([]);
  });

  it('another glass, another outline, a lost sheet: what they concern lies nowhere any more', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1, 2, 3, 4], 'S1')));
    s.do({ kind: 'choose-glass', ask: { panelId: 'p', numbers: [1], glassId: 'red' } });
    expect([1, 2].map((n) => on(s, n))).toEqual([null, 'S1']);
    const changed = { id: 2 as PieceId, number: 2, label: null, areaMm2: 900, perimeterMm: 120, widthMm: 30 };
    const pieces = [{ ...changed, heightMm: 30, difficulty: 1, isNew: false, changed: true, grew: false }];
    const follows = s.studio.get('panels', 'p')?.cartoonId ?? null;
    const ask = drawing(pieces, 'foil', { cartoonId: 'k2', follows, pieceCount: 20, joints: [] });
    s.do({ kind: 'accept-drawing', ask });
    expect([2, 3].map((n) => on(s, n))).toEqual([null, 'S1']);
    s.do({ kind: 'write-off', ask: { stockId: 'S1', reason: 'dropped' } });
    expect(on(s, 3)).toBeNull();
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect([on(s, 3), sheet(s)?.breaks?.length]).toEqual(['S1', 3]);
    expect(sound(s)).toEqual([]);
  });

  it('pieces that fill a sheet to the last mm² are cut although each was rounded up; more than rounding is too much', () => {
    const filling = (...areas: number[]) => {
      const s = smallStudio();
      const pieces = areas.map((areaMm2, i): DrawnPiece => ({
        ...{ id: (i + 1) as PieceId, number: i + 1, label: null, areaMm2, perimeterMm: 300, widthMm: 50 },
        ...{ heightMm: 100, difficulty: 1, isNew: false, changed: true, grew: false },
      }));
      const follows = s.studio.get('panels', 'p')?.cartoonId ?? null;
      const ask = drawing(pieces, 'foil', { cartoonId: 'k2', follows, pieceCount: 20, joints: [] });
      s.do({ kind: 'accept-drawing', ask });
      s.do(layOutAsk(strips([1, 2, 3, 4], 'S1')));
      return s;
    };
    const s = filling(5001, 5000, 5001, 5000);
    s.do(cut([1, 2, 3, 4], 'S1', laid));
    expect(sheet(s)?.gone).toBe('used up');
    expect([...s.studio.all('moves')].filter((m) => m.stockId === 'S1').map((m) => m.deltaMm2)).toEqual([
      20_000, -20_000,
    ]);
    expect(sound(s)).toEqual([]);
    const over = filling(5001, 5001, 5001, 5001);
    expect(over.try(cut([1, 2, 3, 4], 'S1', laid))?.code).toBe('not-enough');
  });

  it('broken in hand, a piece lies nowhere; broken in cutting as laid, its part is waste', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1, 2, 3], 'S1')));
    s.do(cut([1], 'S1', laid));
    const broke = { panelId: 'p', reason: 'dropped', minutes: 0, recut: null } as const;
    s.do({ kind: 'break', ask: { ...broke, numbers: [1] } });
    expect(s.piece(1).spot).toBeNull();
    s.do({ kind: 'break', ask: { ...broke, numbers: [2], lostFrom: { stockId: 'S1', left: laid } } });
    expect([on(s, 2), on(s, 3)]).toEqual([null, 'S1']);
    expect(sheet(s)).toMatchObject({ areaMm2: 10_000 });
    expect(sound(s)).toEqual([]);
  });

  it('a panel that is put away holds no sheet', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1, 2], 'S1')));
    s.do({ kind: 'put-away', ask: { table: 'panels', id: 'p', as: 'archived' } });
    expect([on(s, 1), sheet(s)?.breaks]).toEqual([null, null]);
  });

  it('what is laid by hand lies beside what is there; lifted off, it is free', () => {
    const s = smallStudio();
    const [byHand] = strips([5], 'S1').pieces;
    if (!byHand) throw new Error('no piece');
    s.do(layOutAsk({ stockId: 'S1', breaks: null, pieces: [{ ...byHand, byHand: true }] }));
    expect(s.piece(5).spot).toMatchObject({ byHand: true, stockId: 'S1' });
    expect(code(s.try(cut([5], 'S1', laid)))).toBe('not-laid');
    s.do({ kind: 'lift-off', ask: { panelId: 'p', numbers: [5, 6] } });
    expect(s.piece(5).spot).toBeNull();
    expect(code(s.try({ kind: 'lift-off', ask: { panelId: 'p', numbers: [5] } }))).toBe('nothing-to-do');
  });

  it('refuses what can not be cut so', () => {
    const s = smallStudio();
    const good = strips([1, 2], 'S1');
    expect(code(s.try(layOutAsk({ ...good, breaks: [] })))).toBe('layout-unsound');
    expect(code(s.try(layOutAsk({ ...good, breaks: [{ from: [50, 0], to: [50, 60] }] })))).toBe('layout-unsound');
    expect(code(s.try(layOutAsk(strips([1, 2], 'S1', { widthMm: 150 }))))).toBe('layout-unsound');
    expect(code(s.try(layOutAsk(strips([1, 20], 'S1'))))).toBe('wrong-glass');
    expect(code(s.try(layOutAsk(good, strips([2], 'K1'))))).toBe('named-twice');
    expect(code(s.try(layOutAsk(strips([1], 'S9'))))).toBe('unknown-stock');
    s.do(cut([1], 'S1'));
    expect(code(s.try(layOutAsk(good)))).toBe('already-in-hand');
    expect(code(s.try(cut([2], 'S1', laid)))).toBe('not-laid');
  });

  it('a sheet is laid out for one panel; two benches that cut from it at once: one is told', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1, 2, 3], 'S1')));
    const basis = s.studio.seq;
    s.do(cut([1], 'S1', laid), { bench: 'bench-1', basis });
    expect(code(s.try(cut([2], 'S1', laid), { bench: 'bench-2', basis }))).toBe('stale');
    s.do(cut([2], 'S1', laid), { bench: 'bench-2' });
    expect(sound(s)).toEqual([]);
  });

  it('pieces of two panels come out of one sheet: each is cut by its own panel, the other stays laid out', () => {
    const s = withSecondPanel();
    const shared = sharedSheet();
    s.do(layOutAsk(shared));
    expect([on(s, 1), on(s, 2), s.studio.get('pieces', 'q/1')?.spot?.stockId]).toEqual(['S1', 'S1', 'S1']);
    expect(s.log.at(-1)?.happening.fact).toMatchObject({ numbers: [1, 2], others: 2 });
    s.do(cut([1], 'S1', laid));
    expect(s.studio.get('pieces', 'q/1')).toMatchObject({ stage: 'to-cut' });
    const stays = s.studio.get('pieces', 'q/1')?.spot?.stockId ?? '';
    const sources = [{ stockId: stays, numbers: [1], left: laid }];
    s.do({ kind: 'cut', ask: { panelId: 'q', sources } });
    expect(s.studio.get('pieces', 'q/1')).toMatchObject({ stage: 'cut' });
    expect(on(s, 2)).not.toBeNull();
    expect(sound(s)).toEqual([]);
    expect(s.back('undo', 'ada', { panelId: 'q' })).toBeNull();
    expect(s.back('undo')).toBeNull();
    expect(s.back('undo')).toBeNull();
    expect([on(s, 1), s.studio.get('pieces', 'q/1')?.spot, sheet(s)?.breaks]).toEqual([null, null, null]);
    expect(sound(s)).toEqual([]);
  });

  it('what another panel has laid out is lifted only by who names that panel', () => {
    const s = withSecondPanel();
    s.do(layOutAsk(sharedSheet()));
    expect(code(s.try(layOutAsk(strips([1, 2, 3], 'S1'))))).toBe('laid-already');
    const [one, ...rest] = sharedSheet().pieces;
    if (!one) throw new Error('no piece');
    s.do(layOutAsk({ ...strips([1, 2, 3, 4], 'S1'), pieces: [one, ...rest.slice(0, 2)] }));
    expect(['q/1', 'q/2'].map((id) => s.studio.get('pieces', id)?.spot ?? null)).toMatchObject([
      { stockId: 'S1' },
      null,
    ]);
    s.do({ kind: 'keep-for', ask: { stockIds: ['S1'], commissionId: 'c' } });
    expect(code(s.try(layOutAsk(sharedSheet())))).toBe('kept-for-other');
  });
});

/** Pieces 1 and 2 of `p`, then 1 and 2 of `q`, beside each other on S1. */
function sharedSheet(): SheetLaidOut {
  const { pieces, ...sheet } = strips([1, 2, 3, 4], 'S1');
  return { ...sheet, pieces: pieces.map((p, i) => (i < 2 ? p : { ...p, number: i - 1, panelId: 'q' })) };
}

/** The small studio with a panel `q` of another job, two pieces of blue. */
function withSecondPanel(): SmallStudio {
  const s = smallStudio();
  s.do({ kind: 'save-commission', ask: { id: 'd', title: 'Other', client: '', due: null, note: '' } });
  const size = { widthMm: 100, heightMm: 100, allowance: DEFAULT_ALLOWANCE.foil };
  s.do({ kind: 'save-panel', ask: { id: 'q', commissionId: 'd', name: 'Other', technique: 'foil', ...size } });
  const piece = (number: number): DrawnPiece => ({
    ...{ id: number as PieceId, number, label: null, areaMm2: 1000, perimeterMm: 130, widthMm: 40, heightMm: 25 },
    ...{ difficulty: 1, isNew: true, changed: true, grew: false },
  });
  s.do({ kind: 'accept-drawing', ask: { ...drawing([piece(1), piece(2)]), panelId: 'q', cartoonId: 'kq' } });
  s.do({ kind: 'choose-glass', ask: { panelId: 'q', numbers: [1, 2], glassId: 'blue' } });
  return s;
}
