import { describe, expect, it } from 'vitest';
import { back, broke, cut, sound, told } from '../../../test/asks.ts';
import { layOutAsk, strips } from '../../../test/laidOut.ts';
import { drawing, smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import {
  checkLaid,
  effectWords,
  readTally,
  type Command,
  type PanelRow,
  type Reader,
  type SheetLaidOut,
} from '../../index.ts';
import type { PieceId } from '../../../units/index.ts';

const laid = { kind: 'laid' } as const;
const panel = (s: SmallStudio): PanelRow => s.studio.get('panels', 'p') as PanelRow;
const sheet = (s: SmallStudio, id = 'S1') => s.studio.get('stock', id);
const on = (s: SmallStudio, number: number) => s.piece(number).spot?.stockId ?? null;
const behind = (s: SmallStudio, number: number) => s.piece(number).backSpot?.stockId ?? null;
const code = (refusal: { code: string } | null) => refusal?.code ?? null;
const cutBack = (numbers: number[], stockId: string): Command => ({
  kind: 'cut-back',
  ask: { panelId: 'p', sources: [{ stockId, numbers, left: laid }] },
});
const fine = (s: SmallStudio) => [...sound(s), ...checkLaid(s.studio, panel(s))];

/** Pieces as they are called, beside each other: `2b` is the second glass of piece 2. */
function side(names: readonly string[], stockId: string): SheetLaidOut {
  const plain = strips(
    names.map((name) => Number.parseInt(name, 10)),
    stockId,
  );
  const pieces = plain.pieces.map((one, i) => (names[i]?.endsWith('b') ? { ...one, of: 'back' as const } : one));
  return { ...plain, pieces };
}

function pressed(): SmallStudio {
  const s = smallStudio();
  s.do({ kind: 'follow-route', ask: { panelId: 'p', route: 'pressed-pair' } });
  return s;
}

describe('second glasses are laid out like the first', () => {
  it('both glasses of a piece on one sheet: each is cut by itself, the other stays where it lies', () => {
    const s = pressed();
    s.do(layOutAsk(side(['1', '1b', '2', '2b'], 'S1')));
    expect(told(s)).toBe('1, 2 and 1b, 2b laid out on S1');
    expect([on(s, 1), behind(s, 1), behind(s, 3)]).toEqual(['S1', 'S1', null]);
    expect(s.piece(1).backSpot).toMatchObject({ rootId: 'S1', x: 50, at: [75, 50] });
    expect(fine(s)).toEqual([]);
    s.do(cut([1], 'S1', laid));
    expect(s.piece(1)).toMatchObject({ stage: 'cut', backFrom: null, spot: { x: 0 }, backSpot: { stockId: 'S1' } });
    s.do(cutBack([1], 'S1'));
    expect(s.piece(1)).toMatchObject({ stage: 'both-cut', backFrom: 'S1', backSpot: { rootId: 'S1', x: 50 } });
    expect(sheet(s)).toMatchObject({ areaMm2: 10_000, widthMm: 100 });
    // 2b first: the part with 2 gets a label of its own, and 2 is cut from that.
    s.do(cutBack([2], 'S1'));
    expect(s.piece(2)).toMatchObject({ stage: 'to-cut', backFrom: 'S1' });
    s.do(cut([2], on(s, 2) ?? '', laid));
    expect(s.piece(2)).toMatchObject({ stage: 'both-cut' });
    expect(fine(s)).toEqual([]);
    for (let i = 0; i < 5; i++) back(s, 'undo');
    expect([on(s, 1), behind(s, 1), sheet(s)?.breaks, sheet(s)?.areaMm2]).toEqual([null, null, null, 20_000]);
    expect(fine(s)).toEqual([]);
  });

  it('what cannot lie so is found: of another glass, on what is gone, beside the sheet, not to be cut', () => {
    const s = pressed();
    s.do(layOutAsk(side(['1', '1b'], 'S1')));
    const withSheet = (change: object): Reader => ({
      get: (table, id) => {
        const row = s.studio.get(table, id);
        return row && table === 'stock' ? { ...row, ...change } : row;
      },
      ask: (question, key) => s.studio.ask(question, key),
    });
    expect(checkLaid(withSheet({}), panel(s))).toEqual([]);
    const both = (how: string) => ['p/1', 'p/1 b'].map((id) => `${id} is laid out on S1, ${how}`);
    expect(checkLaid(withSheet({ glassId: 'red' }), panel(s))).toEqual(both('which is of another glass'));
    expect(checkLaid(withSheet({ gone: 'dropped' }), panel(s))).toEqual(both('which is gone'));
    expect(checkLaid(withSheet({ widthMm: 5 }), panel(s))).toEqual(both('and lies beside it'));
    const routeId = smallStudio().studio.get('panels', 'p')?.routeId ?? '';
    expect(checkLaid(s.studio, { ...panel(s), routeId })).toEqual(['p/1 b is laid out on S1, and is not to be cut']);
  });

  it('at the bench they are cut as laid out by what is said', () => {
    const s = pressed();
    s.do(layOutAsk(side(['1b', '2b'], 'S1')));
    const ask = { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1, 2], left: laid }] };
    expect(readTally('1b 2b cut', s.studio, panel(s)).command).toEqual({ kind: 'cut-back', ask });
    const mixed = readTally('1b 2b 3b cut', s.studio, panel(s));
    expect([mixed.command, mixed.questions]).toEqual([null, [{ glassId: 'blue', numbers: [1, 2, 3], of: 'back' }]]);
  });

  it('what contradicts it lifts the second glass off, and that alone', () => {
    const s = pressed();
    const plan = () => layOutAsk(side(['1', '1b', '2', '2b'], 'S1'));
    const after = (command: Command) => {
      s.do(plan());
      s.do(command);
      expect(fine(s)).toEqual([]);
      const left = [on(s, 1), behind(s, 1), on(s, 2), behind(s, 2)].map((id) => id !== null);
      back(s, 'undo');
      return left;
    };
    const of1 = { panelId: 'p', numbers: [1] };
    expect(after({ kind: 'choose-back', ask: { ...of1, glassId: 'red' } })).toEqual([true, false, true, true]);
    // Behind a piece of which nothing else is said lies the same glass.
    expect(after({ kind: 'choose-glass', ask: { ...of1, glassId: 'red' } })).toEqual([false, false, true, true]);
    expect(after({ kind: 'take-in', ask: { ...of1, as: 'bought' } })).toEqual([false, false, true, true]);
    expect(after({ kind: 'lift-off', ask: { panelId: 'p', numbers: [2], backs: [1] } })).toEqual([
      ...[true, false, false, true],
    ]);
    expect(after({ kind: 'follow-route', ask: { panelId: 'p', route: 'foil' } })).toEqual([true, false, true, false]);
    expect(after({ kind: 'write-off', ask: { stockId: 'S1', reason: 'dropped' } })).toEqual([
      ...[false, false, false, false],
    ]);
  });

  it('another outline lifts both off; a broken piece takes along what it has in hand', () => {
    const s = pressed();
    s.do(layOutAsk(side(['1', '1b', '2', '2b'], 'S1')));
    const changed = { id: 2 as PieceId, number: 2, label: null, areaMm2: 900, perimeterMm: 120, widthMm: 30 };
    const pieces = [{ ...changed, heightMm: 30, difficulty: 1, isNew: false, changed: true, grew: false }];
    const follows = panel(s).cartoonId;
    const ask = drawing(pieces, 'foil', { cartoonId: 'k2', follows, pieceCount: 20, joints: [] });
    s.do({ kind: 'accept-drawing', ask });
    expect([on(s, 1), behind(s, 1), on(s, 2), behind(s, 2)]).toEqual(['S1', 'S1', null, null]);
    s.do(cut([1], 'S1', laid));
    // The front breaks; the second glass is still to be cut, and lies where it lay.
    s.do(broke([1], { only: 'front' }));
    expect([s.piece(1).stage, s.piece(1).spot, behind(s, 1)]).toEqual(['to-cut', null, 'S1']);
    s.do(cutBack([1], 'S1'));
    s.do(broke([1], { only: 'back' }));
    expect(s.piece(1)).toMatchObject({ backFrom: null, backSpot: null });
    expect(fine(s)).toEqual([]);
  });

  it('refuses what can not be cut so', () => {
    const s = pressed();
    s.do({ kind: 'choose-back', ask: { panelId: 'p', numbers: [3], glassId: 'red' } });
    expect(code(s.try(layOutAsk(side(['3b'], 'S1'))))).toBe('wrong-glass');
    expect(code(s.try(layOutAsk(side(['1b', '1b'], 'S1'))))).toBe('named-twice');
    expect(code(s.try(cutBack([1], 'S1')))).toBe('not-laid');
    s.do(layOutAsk(side(['1', '2b'], 'S1')));
    expect(code(s.try(cutBack([1], 'S1')))).toBe('not-laid');
    s.do(cutBack([2], 'S1'));
    expect(code(s.try(layOutAsk(side(['2b'], 'S1'))))).toBe('already-in-hand');
    expect(code(s.try({ kind: 'lift-off', ask: { panelId: 'p', numbers: [], backs: [2] } }))).toBe('nothing-to-do');
    const single = smallStudio();
    expect(code(single.try(layOutAsk(side(['1b'], 'S1'))))).toBe('one-glass');
    const off: Command = { kind: 'lift-off', ask: { panelId: 'p', numbers: [1], backs: [2] } };
    expect(effectWords(off, s.studio, 'mm')).toBe('piece 1 and 2b lifted off');
  });
});
