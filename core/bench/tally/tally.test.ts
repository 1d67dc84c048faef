import { describe, expect, it } from 'vitest';
import { smallStudio } from '../../test/smallStudio.ts';
import { effectWords, parseTally, readTally, routeOf, vocabularyOf, type PanelRow } from '../index.ts';

const FOIL = vocabularyOf(routeOf(smallStudio().studio, { routeId: 'foil@1' }));

const numbers = (text: string) => {
  const line = parseTally(text, FOIL);
  return 'picks' in line ? line.picks : [];
};

describe('reading a line', () => {
  it.each([
    ['12-18 31 cut', { kind: 'cut', from: null }],
    ['12 – 18, 31 cut from B7', { kind: 'cut', from: 'B7' }],
    ['41 broke inside curve', { kind: 'break', reason: 'inside-curve' }],
    ['41 broke inside 12 min', { kind: 'break', minutes: 12 }],
    ['41 recut from B7', { kind: 'recut', from: 'B7', reason: null }],
    ['41 recut chipped from b7-3 24min', { kind: 'recut', from: 'b7-3', reason: 'chipped', minutes: 24 }],
    ['sky foiled', { kind: 'advance', to: 'foiled' }],
    ['3 in place', { kind: 'advance', to: 'in-place' }],
    ['joints 3-9 back', { kind: 'joints', side: 'back' }],
    ['undo', { kind: 'undo' }],
    ['REDO', { kind: 'redo' }],
    ['4 return rough edge', { kind: 'return', reason: 'rough edge' }],
    ['4 returned other', { kind: 'return', reason: 'other' }],
    ['7-9 glass R-118', { kind: 'glass', code: 'r-118' }],
    ['solder front', { kind: 'step', step: 'solder-front' }],
    ['', { kind: 'empty' }],
    ['12', { kind: 'typing' }],
    ['12-', { kind: 'typing' }],
    ['12 gro', { kind: 'typing' }],
    ['41 broke', { kind: 'typing' }],
    ['41 recut', { kind: 'typing' }],
    ['cut', { kind: 'problem' }],
    ['1-99999 cut', { kind: 'problem' }],
    ['15-11', { kind: 'typing', picks: [{ kind: 'range', from: 15, to: 15 }] }],
    ['15-11 ground', { kind: 'problem', problem: '15–11 runs backwards; say 11-15, or mend the slip.' }],
    ['joints 9-3 front', { kind: 'problem', problem: /backwards/ }],
    ['all ground', { kind: 'advance', picks: [{ kind: 'all' }] }],
    ['rest cut', { kind: 'cut', picks: [{ kind: 'rest' }] }],
    ['all but 3 7-9 ground', { kind: 'advance', picks: [{ kind: 'all' }, { kind: 'but', picks: [{}, {}] }] }],
    ['sky except 4 foiled', { kind: 'advance', picks: [{ kind: 'group' }, { kind: 'but' }] }],
    ['but 4 foiled', { kind: 'advance', picks: [{ kind: 'all' }, { kind: 'but' }] }],
    ['all but foiled', { kind: 'problem', problem: 'Say which are left out: “all but 3 7 foiled”.' }],
    ['all but 9-3 foiled', { kind: 'problem', problem: /backwards/ }],
    ['all sky ground', { kind: 'advance', picks: [{ kind: 'group', word: 'sky' }] }],
    ['all gro', { kind: 'typing', picks: [{ kind: 'all' }] }],
    ['all 12 ground', { kind: 'problem', problem: 'Say “all”, or say numbers; not both.' }],
    ['12 back rough edge', { kind: 'problem', problem: /returned/ }],
    ['12 constructor', { kind: 'typing' }],
    ['12 toString', { kind: 'typing' }],
    [`12 ${'x'.repeat(2000)}`, { kind: 'problem', problem: /too long/ }],
  ])('%s', (text, meaning) => {
    const { problem, ...rest } = meaning as { kind: string; problem?: string | RegExp };
    const line = parseTally(text, FOIL);
    expect(line).toMatchObject(rest);
    if (problem) expect(line.kind === 'problem' ? line.problem : '').toMatch(problem);
  });
  it.each([',', ' ', '-', ' -', '1-', '\u2013 ', 'all ', '1,'])(
    'a line of nothing but “%s” holds nobody up',
    (part) => {
      const start = performance.now();
      for (const length of [1000, 100_000]) parseTally(part.repeat(length), FOIL);
      parseTally(part.repeat(Math.floor(1999 / part.length)), FOIL);
      expect(performance.now() - start).toBeLessThan(200);
    },
  );
  it('names ranges and single pieces', () => {
    expect(numbers('12-14 31 cut')).toEqual([
      { kind: 'range', from: 12, to: 14 },
      { kind: 'range', from: 31, to: 31 },
    ]);
  });
});

describe('held against a panel', () => {
  const s = smallStudio();
  s.do({
    kind: 'cut',
    ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1, 2, 3], left: { kind: 'stays' } }] },
  });
  s.do({ kind: 'advance', ask: { panelId: 'p', numbers: [2], to: 'ground' } });
  const panel = s.studio.get('panels', 'p') as PanelRow;
  const read = (text: string) => readTally(text, s.studio, panel);
  it('lights up what is meant while it is typed', () => {
    expect(read('1-3').numbers).toEqual([1, 2, 3]);
    expect(read('sky').numbers).toEqual([5]);
    expect(read('b-1 gr').numbers).toHaveLength(12);
  });
  it('sections are called by letter or name, also where the name has several words', () => {
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [7, 8], section: 'L', sectionName: 'Left wing' } });
    s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [9], section: 'W', sectionName: 'Left' } });
    expect(read('left wing ground').numbers).toEqual([7, 8]);
    expect(read('left ground').numbers).toEqual([9]);
    expect(read('l w 1 ground').numbers).toEqual([1, 7, 8, 9]);
    expect(read('left wing sky').numbers).toEqual([5, 7, 8]);
    expect(read('all left wing cut').numbers).toEqual([7, 8]);
    expect(read('wing ground').problem).toMatch(/“wing” is no piece, glass, section or group/);
  });
  it('states the effect', () => {
    const { command } = read('1-3 ground');
    expect(command && effectWords(command, s.studio, 'mm')).toBe('2 pieces: 1, 3 go from cut to ground · 2 stays');
  });
  it('asks from which sheet, one question for each glass', () => {
    expect(read('4 12 13 cut')).toMatchObject({
      command: null,
      questions: [
        { glassId: 'blue', numbers: [4, 12] },
        { glassId: 'red', numbers: [13] },
      ],
    });
    expect(read('4 cut from s1').command).toEqual({
      kind: 'cut',
      ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [4], left: { kind: 'stays' } }] },
    });
  });
  it('a recut needs a reason unless the piece is broken', () => {
    expect(read('1 recut from S1').problem).toMatch(/why/);
    expect(read('1 recut dropped from S1 5 min').command).toMatchObject({
      kind: 'break',
      ask: { reason: 'dropped', minutes: 5, recut: { stockId: 'S1' } },
    });
  });
  it.each([
    ['99 cut', /no piece 99/],
    ['18-25 cut', /no piece 25/],
    ['moon foiled', /moon/],
    ['1 cut', /cut already/],
    ['1 glass zz', /zz/],
  ])('explains %s', (text, words) => {
    expect(read(text).problem).toMatch(words);
  });
});

describe('the rest, and all but some', () => {
  const meant = (text: string, s = smallStudio()) => {
    const panel = s.studio.get('panels', 'p') as PanelRow;
    const { numbers: list, problem } = readTally(text, s.studio, panel);
    return problem ?? list;
  };
  const upTo = (n: number) => Array.from({ length: n }, (_, i) => i + 1);
  it('all but some are the others; of a glass too; what is left out has to be there', () => {
    expect(meant('all but 3 7-9 ground')).toEqual(upTo(20).filter((n) => ![3, 7, 8, 9].includes(n)));
    expect(meant('B-1 but 2 cut')).toEqual(upTo(12).filter((n) => n !== 2));
    expect(meant('all but B-1 cut')).toEqual([13, 14, 15, 16, 17, 18, 19, 20]);
    expect(meant('all but 30 cut')).toBe('There is no piece 30 in this panel; it has 20.');
    expect(meant('all but owls cut')).toMatch(/“owls” is no piece/);
  });
  it('the rest is what the verb has not been done to', () => {
    const s = smallStudio();
    s.do({
      kind: 'cut',
      ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1, 2, 3], left: { kind: 'stays' } }] },
    });
    s.do({ kind: 'advance', ask: { panelId: 'p', numbers: [1], to: 'ground' } });
    expect(meant('rest cut', s)).toEqual(upTo(20).slice(3));
    // What is not cut can not be ground yet.
    expect(meant('rest ground', s)).toEqual([2, 3]);
    expect(meant('rest but 3 ground', s)).toEqual([2]);
    s.do({ kind: 'choose-glass', ask: { panelId: 'p', numbers: [19, 20], glassId: null } });
    expect(meant('rest glass R-1', s)).toEqual([19, 20]);
  });
});

describe('who did it', () => {
  const s = smallStudio();
  const person = { rateCentsPerHour: 0, active: true };
  for (const [id, name, initial] of [
    ['ada', 'Ada', 'A'],
    ['bo', 'Bo Åkesson', 'B'],
    ['gone', 'Cy', 'C'],
  ] as const)
    s.do({ kind: 'save-person', ask: { id, name, initial, ...person, active: id !== 'gone' } });
  const panel = s.studio.get('panels', 'p') as PanelRow;
  const read = (text: string, more: object = {}) => readTally(text, s.studio, panel, more);
  it.each([
    ['3 wait glue 1 h by Ada', 'ada'],
    ['3 wait glue 1 h by ADA', 'ada'],
    ['3 wait glue 1 h by b', 'bo'],
    ['3 wait glue 1 h by Bo Åkesson', 'bo'],
    ['3 wait glue 1 h', null],
  ])('%s', (text, personId) => expect(read(text)).toMatchObject({ personId, problem: null }));
  it.each(['3 wait glue 1 h by Cy', '3 wait glue 1 h by Zed'])('%s: nobody at work is called so', (text) => {
    const { problem, at } = read(text);
    expect(problem).toMatch(/^Nobody here is called/);
    expect(text.slice(...(at ?? [0, 0]))).toMatch(/Cy|Zed/);
  });
  it('a clock is somebody’s: of who says so, else of who works here', () => {
    expect(read('clock grinding').problem).toMatch(/^Say who works/);
    const id = { newId: () => 'h1' };
    expect(read('clock grinding by Ada', id).command).toEqual({
      kind: 'start-clock',
      ask: { id: 'h1', personId: 'ada', panelId: 'p', stage: 'grinding' },
    });
    expect(read('stop clock', { personId: 'bo' }).command).toMatchObject({
      kind: 'stop-clock',
      ask: { personId: 'bo' },
    });
  });
  it('a note is about one piece or the panel; what is wrong in a line is known by its place', () => {
    expect(read('7 note too pale').command).toMatchObject({
      kind: 'write-note',
      ask: { about: 'piece', aboutId: 'p/7' },
    });
    expect(read('note too pale').command).toMatchObject({ ask: { about: 'panel', aboutId: 'p' } });
    expect(read('7 8 note too pale').problem).toMatch(/one piece, or about the panel/);
    for (const [text, wrong] of [
      ['3 99 ground', '99'],
      ['3-25 ground', '3-25'],
      ['moon ground', 'moon'],
      ['3 glass zz', 'zz'],
    ] as const) {
      const { at } = read(text);
      expect(text.slice(...(at ?? [0, 0])), text).toBe(wrong);
    }
  });
});
