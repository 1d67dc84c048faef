import { describe, expect, it } from 'vitest';
import { checkLedger } from '../stock/index.ts';
import type { PieceId } from '../units/index.ts';
import { drawing, smallStudio, type SmallStudio } from '../test/smallStudio.ts';
import { differences, refusalWords, replay, type Command, type PanelRow } from './index.ts';

const cut = (
  numbers: number[],
  stockId: string,
  left: Extract<Command, { kind: 'cut' }>['ask']['sources'][number]['left'] = { kind: 'stays' },
): Command => ({ kind: 'cut', ask: { panelId: 'p', sources: [{ stockId, numbers, left }] } });
const advance = (numbers: number[], to: 'ground' | 'foiled' | 'leaded' | 'in-place'): Command => ({
  kind: 'advance',
  ask: { panelId: 'p', numbers, to },
});
const broke = (numbers: number[], more: Partial<Extract<Command, { kind: 'break' }>['ask']> = {}): Command => ({
  kind: 'break',
  ask: { panelId: 'p', numbers, reason: 'chipped', minutes: 0, recut: null, ...more },
});
const back = (s: SmallStudio, direction: 'undo' | 'redo', bench = 'bench-1') => s.back(direction, bench);
const all = Array.from({ length: 20 }, (_, i) => i + 1);
const sound = (s: SmallStudio) => [
  ...checkLedger(s.studio.all('stock'), s.studio.all('moves')),
  ...differences(s.studio, replay(s.log)),
];

describe('cutting', () => {
  it('takes the glass from the named sheet and marks the pieces', () => {
    const s = smallStudio();
    s.do(cut([1, 2, 3], 'S1'));
    expect(s.piece(2)).toMatchObject({ stage: 'cut', from: 'S1' });
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 17_000, gone: null, costCents: 170 });
    expect(sound(s)).toEqual([]);
  });
  it('what is left becomes an offcut with a label, a place and its share of the cost', () => {
    const s = smallStudio();
    s.do(
      cut([1, 2], 'S1', {
        kind: 'offcuts',
        offcuts: [
          { widthMm: 100, heightMm: 90 },
          { widthMm: 20, heightMm: 20, label: 'odd' },
        ],
      }),
    );
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 0, gone: 'used up' });
    expect(s.studio.get('stock', 'S1-1')).toMatchObject({
      areaMm2: 9000,
      place: 'slot 1',
      parentId: 'S1',
      costCents: 90,
      kind: 'offcut',
    });
    expect([...s.studio.all('moves')].filter((m) => m.stockId === 'S1').map((m) => [m.kind, m.deltaMm2])).toEqual([
      ['received', 20_000],
      ['pieces', -2000],
      ['offcut', -9400],
      ['waste', -8600],
    ]);
    expect(sound(s)).toEqual([]);
  });
  it.each([
    ['more than the offcut holds', cut([1, 2, 3], 'K1'), 'not-enough'],
    ['another glass', cut([1], 'S2'), 'wrong-glass'],
    ['a sheet that is not there', cut([1], 'S9'), 'unknown-stock'],
    ['pieces that are not there', cut([21], 'S1'), 'unknown-pieces'],
    ['the same piece twice', cut([1, 1], 'S1'), 'named-twice'],
    ['no piece', cut([], 'S1'), 'no-pieces'],
    [
      'a label that is taken',
      cut([1], 'S1', { kind: 'offcuts', offcuts: [{ widthMm: 10, heightMm: 10, label: 'K1' }] }),
      'label-taken',
    ],
  ])('refuses %s, and nothing is half done', (_, command, code) => {
    const s = smallStudio();
    const seq = s.studio.seq;
    expect(s.try(command)?.code).toBe(code);
    expect(s.studio.seq).toBe(seq);
    expect(s.piece(1).stage).toBe('to-cut');
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(20_000);
  });
  it('refuses a piece already in hand, and one without glass', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    expect(s.try(cut([1], 'S1'))).toMatchObject({ code: 'already-in-hand', numbers: [1] });
    s.do({ kind: 'choose-glass', ask: { panelId: 'p', numbers: [2], glassId: null } });
    expect(s.try(cut([2], 'S1'))).toMatchObject({ code: 'no-glass', numbers: [2] });
    expect(s.try({ kind: 'choose-glass', ask: { panelId: 'p', numbers: [1], glassId: 'red' } })?.code).toBe(
      'already-in-hand',
    );
  });
});

describe('stages', () => {
  it('moves what can move; the rest stays', () => {
    const s = smallStudio();
    s.do(cut([1, 2, 3, 4], 'S1'));
    s.do(advance([2], 'foiled'));
    s.do(advance([1, 2, 3], 'ground'));
    expect([1, 2, 3, 4].map((n) => s.piece(n).stage)).toEqual(['ground', 'foiled', 'ground', 'cut']);
    expect(s.try(advance([1, 3], 'ground'))?.code).toBe('nothing-to-do');
    expect(s.try(advance([1, 9], 'foiled'))).toMatchObject({ code: 'not-cut', numbers: [9] });
    expect(s.try(advance([1], 'leaded'))?.code).toBe('not-this-route');
  });
  it('goes back one stage with a reason, never before cut', () => {
    const s = smallStudio('lead');
    s.do(cut([1], 'S1'));
    s.do(advance([1], 'leaded'));
    s.do({ kind: 'send-back', ask: { panelId: 'p', numbers: [1], reason: 'taken out again' } });
    expect(s.piece(1).stage).toBe('ground');
    s.do({ kind: 'send-back', ask: { panelId: 'p', numbers: [1], reason: 'rough edge' } });
    expect(s.try({ kind: 'send-back', ask: { panelId: 'p', numbers: [1], reason: 'other' } })?.code).toBe('not-back');
  });
});

describe('breaks and recuts', () => {
  it('a piece may break at any stage, more than once; glass and time are charged each time', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    s.do(advance([1], 'in-place'));
    s.do(broke([1], { reason: 'heat', minutes: 12 }));
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', broken: 'heat', recuts: 1, from: null });
    expect(s.try(broke([1]))?.code).toBe('nothing-to-do');
    s.do(cut([1], 'K1'));
    expect(s.piece(1)).toMatchObject({ stage: 'cut', broken: null, from: 'K1' });
    s.do(broke([1], { minutes: 6, recut: { stockId: 'S1', left: { kind: 'stays' } } }));
    expect(s.piece(1)).toMatchObject({ stage: 'cut', broken: null, recuts: 2, from: 'S1' });
    // 1,000 mm² at 100.00 a m² = 0.10; 12 min at 30.00 an hour = 6.00.
    expect(
      [...s.studio.all('mishaps')].map((m) => [m.reason, m.stage, m.glassCents, m.labourCents, m.recutFrom]),
    ).toEqual([
      ['heat', 'in-place', 10, 600, null],
      ['chipped', 'cut', 10, 300, 'S1'],
    ]);
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(18_000);
    expect(sound(s)).toEqual([]);
  });
  it('a recut that the offcut cannot give leaves everything as it was', () => {
    const s = smallStudio();
    s.do(cut([1, 2, 3], 'S1'));
    expect(s.try(broke([1, 2, 3], { recut: { stockId: 'K1', left: { kind: 'stays' } } }))?.code).toBe('not-enough');
    expect([...s.studio.all('mishaps')]).toEqual([]);
  });
});

describe('the panel as a whole', () => {
  const built = () => {
    const s = smallStudio();
    s.do(cut(all.slice(0, 12), 'S1'));
    s.do(cut(all.slice(12), 'S2'));
    s.do(advance(all, 'in-place'));
    return s;
  };
  it('joints are ticked by side; the last one settles the side', () => {
    const s = built();
    s.do({ kind: 'solder-joints', ask: { panelId: 'p', side: 'front', joints: [1, 2, 3, 4, 5, 6, 7, 8] } });
    expect(s.studio.get('steps', 'p/solder-front')).toBeUndefined();
    s.do({ kind: 'solder-joints', ask: { panelId: 'p', side: 'front', joints: [8, 9] } });
    expect(s.studio.get('steps', 'p/solder-front')?.at).toBe(s.at);
    expect(s.try({ kind: 'solder-joints', ask: { panelId: 'p', side: 'front', joints: [1] } })?.code).toBe(
      'joints-done',
    );
    expect(s.try({ kind: 'solder-joints', ask: { panelId: 'p', side: 'back', joints: [10] } })?.code).toBe(
      'unknown-joints',
    );
  });
  it('steps keep their order; optional ones may be left out', () => {
    const s = built();
    expect(s.try({ kind: 'finish-step', ask: { panelId: 'p', step: 'deliver' } })).toMatchObject({
      code: 'step-order',
      name: 'solder the front',
    });
    for (const step of ['solder-front', 'solder-back', 'deliver'] as const)
      s.do({ kind: 'finish-step', ask: { panelId: 'p', step } });
    expect(s.try({ kind: 'finish-step', ask: { panelId: 'p', step: 'solder-front' } })?.code).toBe('step-done');
    expect(s.try({ kind: 'finish-step', ask: { panelId: 'p', step: 'cement' } })?.code).toBe('not-this-route');
  });
  it('is not soldered while a piece is missing, and its drawing is not replaced while glass is cut', () => {
    const s = built();
    s.do(broke([7]));
    expect(s.try({ kind: 'finish-step', ask: { panelId: 'p', step: 'solder-front' } })).toMatchObject({
      code: 'not-in-place',
      numbers: [7],
    });
    const { pieceCount, ...panel } = s.studio.get('panels', 'p') as PanelRow;
    expect(
      s.try({
        kind: 'accept-drawing',
        ask: drawing([], 'foil', {
          cartoonId: 'k2',
          follows: 'k',
          allowance: panel.allowance,
          pieceCount: 19,
          gone: [1 as PieceId],
        }),
      })?.code,
    ).toBe('has-work');
    expect(pieceCount).toBe(20);
  });
});

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
    s.do(joints([5, 6, 7, 8, 9]), { basis, bench: 'bench-2' });
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

describe('clocks', () => {
  const start = (stage: 'cutting' | 'grinding', id: string): Command => ({
    kind: 'start-clock',
    ask: { id, personId: 'ada', panelId: 'p', stage },
  });
  it('one starts, the next stops it, a forgotten one is cut back', () => {
    const s = smallStudio();
    s.do(start('cutting', 'h1'));
    expect(s.try(start('cutting', 'h2'))?.code).toBe('nothing-to-do');
    expect(s.try(start('grinding', 'h1'))?.code).toBe('entry-taken');
    s.do(start('grinding', 'h3'));
    expect(s.studio.get('hours', 'h1')?.endedAt).toBe(s.studio.get('hours', 'h3')?.startedAt);
    const started = s.studio.get('hours', 'h3')?.startedAt as number;
    expect(s.try({ kind: 'stop-clock', ask: { personId: 'ada', endedAt: started - 1 } })?.code).toBe(
      'ends-before-start',
    );
    s.do({ kind: 'stop-clock', ask: { personId: 'ada', endedAt: started + 30_000 } });
    expect(s.studio.get('hours', 'h3')?.endedAt).toBe(started + 30_000);
    expect(s.try({ kind: 'stop-clock', ask: { personId: 'ada', endedAt: null } })?.code).toBe('clock-runs-not');
    expect(sound(s)).toEqual([]);
  });
  it('entries by hand are kept, corrected and taken out, at the rate of their day', () => {
    const s = smallStudio();
    const ask = {
      id: 'x',
      personId: 'ada',
      panelId: 'p',
      stage: 'foiling' as const,
      startedAt: 0,
      endedAt: 600_000,
      note: '',
    };
    s.do({ kind: 'enter-hours', ask });
    s.do({ kind: 'save-person', ask: { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 9000, active: true } });
    s.do({ kind: 'enter-hours', ask: { ...ask, endedAt: 660_000 } });
    expect(s.studio.get('hours', 'x')).toMatchObject({ endedAt: 660_000, rateCentsPerHour: 3000, byHand: true });
    expect(s.try({ kind: 'enter-hours', ask: { ...ask, startedAt: 9, endedAt: 3 } })?.code).toBe('ends-before-start');
    s.do({ kind: 'remove-hours', ask: { entryId: 'x' } });
    expect(s.try({ kind: 'remove-hours', ask: { entryId: 'x' } })?.code).toBe('unknown-entry');
  });
});
