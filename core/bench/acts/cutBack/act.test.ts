import { describe, expect, it } from 'vitest';
import { back, broke, cut, sound, told } from '../../../test/asks.ts';
import { smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import { effectWords, readTally, refusalWords, type Command } from '../../index.ts';

/** The small studio's panel, of pieces that are pressed between two glasses. */
function pressed(): SmallStudio {
  const s = smallStudio();
  s.do({ kind: 'follow-route', ask: { panelId: 'p', route: 'pressed-pair' } });
  return s;
}
const cutBack = (numbers: number[], stockId: string): Command => ({
  kind: 'cut-back',
  ask: { panelId: 'p', sources: [{ stockId, numbers, left: { kind: 'stays' } }] },
});
const chooseBack = (numbers: number[], glassId: string | null): Command => ({
  kind: 'choose-back',
  ask: { panelId: 'p', numbers, glassId },
});
const advance = (numbers: number[], to: string): Command => ({ kind: 'advance', ask: { panelId: 'p', numbers, to } });
const left = (s: SmallStudio, id: string): number => s.studio.get('stock', id)?.areaMm2 ?? 0;

describe('two glasses, one behind the other', () => {
  it('each takes its own glass from the rack; of the same as the front unless said otherwise', () => {
    const s = pressed();
    s.do(cut([1, 2], 'S1'));
    expect(left(s, 'S1')).toBe(18_000);
    s.do(cutBack([1], 'S1'));
    expect(told(s)).toBe('1b cut from S1');
    expect(left(s, 'S1')).toBe(17_000);
    expect(s.piece(1)).toMatchObject({ stage: 'both-cut', from: 'S1', backFrom: 'S1' });
    expect(s.piece(2)).toMatchObject({ stage: 'cut', backFrom: null });
    expect([...s.studio.all('moves')].at(-1)).toMatchObject({ kind: 'pieces', numbers: [1], note: 'second glass' });
    expect(sound(s)).toEqual([]);
    back(s, 'undo');
    expect(left(s, 'S1')).toBe(18_000);
    expect(s.piece(1)).toMatchObject({ stage: 'cut', backFrom: null });
    back(s, 'redo');
    expect(s.piece(1).stage).toBe('both-cut');
    expect(sound(s)).toEqual([]);
  });
  it('the one behind may be of another glass, as long as it is not cut', () => {
    const s = pressed();
    s.do(chooseBack([1, 2], 'red'));
    expect(told(s)).toBe('1b, 2b: glass R-1');
    expect(s.try(chooseBack([1], 'red'))?.code).toBe('nothing-to-do');
    expect(s.try(chooseBack([1], 'green'))?.code).toBe('unknown-glass');
    s.do(cut([1, 2], 'S1'));
    expect(s.try(cutBack([1], 'S1'))).toMatchObject({ code: 'wrong-glass', numbers: [1] });
    s.do(chooseBack([2], null));
    s.do(cutBack([2], 'S1'));
    expect(s.try(chooseBack([2], 'red'))).toMatchObject({ code: 'already-in-hand', numbers: [2] });
  });
  it('is not passed over: what has one glass only is not ground', () => {
    const s = pressed();
    s.do(cut([1, 2], 'S1'));
    const refusal = s.try(advance([1, 2], 'ground'));
    expect(refusal).toMatchObject({ code: 'back-not-cut', numbers: [1, 2] });
    expect(refusal && refusalWords(refusal, 'mm')).toBe('The second glass of 1, 2 is not cut yet; cut 1b, 2b first.');
    s.do(cutBack([1, 2], 'S1'));
    s.do(advance([1, 2], 'ground'));
    expect(s.try(cutBack([1], 'S1'))?.code).toBe('already-in-hand');
  });
  it('what was bought brings its second glass along', () => {
    const s = pressed();
    s.do({ kind: 'take-in', ask: { panelId: 'p', numbers: [3], as: 'bought' } });
    s.do(advance([3], 'ground'));
    expect(s.piece(3)).toMatchObject({ stage: 'ground', backFrom: null });
  });
  it('on a way of working of one glass there is none behind', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    expect(s.try(cutBack([1], 'S1'))).toMatchObject({ code: 'one-glass', numbers: [1] });
    expect(s.try(chooseBack([1], 'red'))).toMatchObject({ code: 'one-glass', numbers: [1] });
    expect(s.try(broke([1], { only: 'back' }))?.code).toBe('one-glass');
    expect(s.try(broke([1], { only: 'front' }))?.code).toBe('one-glass');
  });
  it('pressed, the glue is waited for: 6 h at the least', () => {
    const s = pressed();
    s.do(cut([1], 'S1'));
    s.do(cutBack([1], 'S1'));
    s.do(advance([1], 'pressed'));
    const [wait] = [...s.studio.all('waits')];
    expect(wait).toMatchObject({ name: 'glue', numbers: [1], until: s.at + 6 * 3_600_000 });
  });
});

describe('one of two glasses breaks', () => {
  const both = (): SmallStudio => {
    const s = pressed();
    s.do(cut([1, 2], 'S1'));
    s.do(cutBack([1, 2], 'S1'));
    return s;
  };
  it('both where nothing is said: twice the glass is lost, and both are cut again', () => {
    const s = both();
    s.do(advance([1], 'ground'));
    s.do(broke([1]));
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', from: null, backFrom: null, recuts: 1 });
    const one = [...s.studio.all('mishaps')].at(-1);
    s.do(broke([2], { only: 'front' }));
    const other = [...s.studio.all('mishaps')].at(-1);
    expect(one?.glassMm2).toBe(2 * (other?.glassMm2 ?? 0));
    expect(one?.glassCents).toBe(2 * (other?.glassCents ?? 0));
    expect(sound(s)).toEqual([]);
  });
  it('that behind alone: it goes back to where its second glass is cut', () => {
    const s = both();
    s.do(advance([1], 'ground'));
    s.do(broke([1], { only: 'back' }));
    expect(told(s)).toMatch(/^1b broke: chipped/);
    expect(s.piece(1)).toMatchObject({ stage: 'cut', from: 'S1', backFrom: null, recuts: 1, broken: null });
    s.do(cutBack([1], 'S1'));
    expect(s.piece(1).stage).toBe('both-cut');
    expect(left(s, 'S1')).toBe(20_000 - 5 * 1000);
    s.do(advance([1], 'ground'));
    s.do(broke([1], { only: 'back', recut: { stockId: 'S1', left: { kind: 'stays' } } }));
    expect(s.piece(1)).toMatchObject({ stage: 'both-cut', backFrom: 'S1', recuts: 2 });
    expect(left(s, 'S1')).toBe(20_000 - 6 * 1000);
    expect(sound(s)).toEqual([]);
  });
  it('that in front alone: cut again, both are in hand at once', () => {
    const s = both();
    s.do(broke([1], { only: 'front' }));
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', from: null, backFrom: 'S1', broken: 'chipped' });
    s.do(cut([1], 'S1'));
    expect(s.piece(1)).toMatchObject({ stage: 'both-cut', broken: null });
    s.do(broke([1], { only: 'front', recut: { stockId: 'S1', left: { kind: 'stays' } } }));
    expect(s.piece(1)).toMatchObject({ stage: 'both-cut', from: 'S1', backFrom: 'S1' });
    expect(sound(s)).toEqual([]);
  });
});

describe('called across the room', () => {
  const say = (s: SmallStudio, line: string) => {
    const panel = s.studio.get('panels', 'p');
    if (!panel) throw new Error('no panel');
    return readTally(line, s.studio, panel);
  };
  const ready = (): SmallStudio => {
    const s = pressed();
    s.do(cut([1, 2, 3], 'S1'));
    return s;
  };
  it.each([
    ['1b cut from S1', { kind: 'cut-back', ask: { sources: [{ stockId: 'S1', numbers: [1] }] } }],
    ['1-3b cut from s1', { kind: 'cut-back', ask: { sources: [{ stockId: 'S1', numbers: [1, 2, 3] }] } }],
    ['1b 3b cut from S1', { kind: 'cut-back', ask: { sources: [{ numbers: [1, 3] }] } }],
    ['rest both from S1', { kind: 'cut-back' }],
    ['1-2 both cut from S1', { kind: 'cut-back', ask: { sources: [{ numbers: [1, 2] }] } }],
    ['4a cut from S1', { kind: 'cut', ask: { sources: [{ numbers: [4] }] } }],
    ['2b glass R-1', { kind: 'choose-back', ask: { numbers: [2], glassId: 'red' } }],
    ['4a glass R-1', { kind: 'choose-glass', ask: { numbers: [4], glassId: 'red' } }],
    ['2a broke dropped', { kind: 'break', ask: { numbers: [2], only: 'front' } }],
    ['2b broke dropped 5 min', { kind: 'break', ask: { numbers: [2], only: 'back', minutes: 5 } }],
    ['2b recut from S1', { kind: 'cut-back', ask: { sources: [{ numbers: [2] }] } }],
    ['1 ground', { kind: 'advance', ask: { to: 'ground' } }],
  ])('%s', (line, command) => {
    expect(say(ready(), line).command).toMatchObject(command);
  });
  it('the sheet is asked for by each glass that lies behind', () => {
    const s = ready();
    s.do(chooseBack([2], 'red'));
    const { questions } = say(s, '1-3b cut');
    expect(questions).toEqual([
      { glassId: 'blue', numbers: [1, 3], of: 'back' },
      { glassId: 'red', numbers: [2], of: 'back' },
    ]);
  });
  it('what both glasses share is said of the piece; one glass at a time', () => {
    const s = ready();
    const mixed = say(s, '1a 2b cut');
    expect(mixed.problem).toBe('Say one of the two glasses at a time: “12b 14b cut”.');
    expect(mixed.at).toEqual([3, 5]);
    expect(say(s, '1b ground').problem).toMatch(/without the “b”/);
    expect(say(s, '1 2b broke dropped').problem).toMatch(/one of the two/);
  });
  it('where a piece has one glass, 1b is no name', () => {
    const s = smallStudio();
    expect(say(s, '1b cut').problem).toMatch(/“1b” is no piece/);
  });
  it('tells beforehand what it would do', () => {
    const s = ready();
    expect(effectWords(cutBack([1, 2], 'S1'), s.studio, 'mm')).toBe('1b, 2b cut from S1: 20 cm² of glass');
  });
});
