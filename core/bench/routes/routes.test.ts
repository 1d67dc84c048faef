import { describe, expect, it } from 'vitest';
import { brought, told } from '../../test/asks.ts';
import { drawing, smallStudio, type SmallStudio } from '../../test/smallStudio.ts';
import { nextThing, progressOf, tallyOf } from '../../words/index.ts';
import {
  checkRoute,
  buildOf,
  readTally,
  routeOf,
  SHIPPED_ROUTES,
  standingOf,
  vocabularyOf,
  wayOf,
  type PanelRow,
  type StepDefinition,
} from '../index.ts';
import { PIECE } from './shippedSteps.ts';

const FOIL = SHIPPED_ROUTES[0]?.steps ?? [];
const step = (code: string, more: Partial<StepDefinition> = {}): StepDefinition => ({
  ...PIECE,
  code,
  word: code,
  verb: `Do ${code}`,
  calls: [code],
  ...more,
});
/** The foiled route, with two steps after grinding that only some pieces go through. */
const painted: StepDefinition[] = FOIL.flatMap((s) =>
  s.code === 'ground'
    ? [s, step('painted', { onlyAsked: true, verb: 'Paint' }), step('fired', { onlyAsked: true, verb: 'Fire' })]
    : [s],
);
const all = Array.from({ length: 20 }, (_, i) => i + 1);
const save = (s: SmallStudio, steps: readonly StepDefinition[], key = 'foil') =>
  s.try({ kind: 'save-route', ask: { key, name: 'Painted', technique: 'foil', steps } });
const advance = (s: SmallStudio, numbers: number[], to: string) =>
  s.try({ kind: 'advance', ask: { panelId: 'p', numbers, to } });
const panel = (s: SmallStudio) => standingOf(s.studio, s.studio.get('panels', 'p') as PanelRow);
const ask = (s: SmallStudio, numbers: number[], ...steps: string[]) =>
  s.try({ kind: 'ask-steps', ask: { panelId: 'p', numbers, steps } });

const leaveOut = (s: SmallStudio, numbers: number[], ...without: string[]) =>
  s.try({ kind: 'ask-steps', ask: { panelId: 'p', numbers, steps: [], without } });

/** A studio whose panel goes the painted route, all pieces cut and ground; 3 and 4 are painted and fired. */
function atThePaint(): SmallStudio {
  const s = smallStudio();
  expect(save(s, painted, 'painted')).toBeNull();
  const { commissionId, name, widthMm, heightMm, allowance } = panel(s);
  const ask_ = { id: 'p', commissionId, name, technique: 'foil' as const, widthMm, heightMm, allowance };
  s.do({ kind: 'save-panel', ask: { ...ask_, route: 'painted' } });
  expect(ask(s, [3, 4], 'painted', 'fired')).toBeNull();
  const from = (stockId: string, numbers: number[]) => ({ stockId, numbers, left: { kind: 'stays' as const } });
  const sources = [from('S1', all.slice(0, 12)), from('S2', all.slice(12))];
  s.do({ kind: 'cut', ask: { panelId: 'p', sources } });
  expect(advance(s, all, 'ground')).toBeNull();
  return s;
}

describe('a route of the studio', () => {
  it('a new version leaves panels under way on theirs; a new panel goes the new one', () => {
    const s = smallStudio();
    const shorter = FOIL.filter((x) => x.code !== 'wax');
    expect(save(s, shorter)).toBeNull();
    expect(panel(s).routeId).toBe('foil@1');
    expect(routeOf(s.studio, { routeId: 'foil@2' }).panelSteps.map((x) => x.code)).not.toContain('wax');
    const ask_ = { commissionId: 'c', name: 'Next', technique: 'foil' as const, widthMm: 1, heightMm: 1 };
    s.do({ kind: 'save-panel', ask: { id: 'q', ...ask_, allowance: drawing([]).allowance } });
    expect(s.studio.get('panels', 'q')?.routeId).toBe('foil@2');
    // Saved again, a panel keeps the version it has, unless it is moved over.
    s.do({ kind: 'save-panel', ask: { id: 'p', ...ask_, allowance: drawing([]).allowance } });
    expect(panel(s).routeId).toBe('foil@1');
    s.do({ kind: 'save-panel', ask: { id: 'p', ...ask_, route: 'foil', allowance: drawing([]).allowance } });
    expect(panel(s).routeId).toBe('foil@2');
  });
  it('is not changed under glass that is cut, nor to one of the other technique', () => {
    const s = atThePaint();
    const { commissionId, name, widthMm, heightMm, allowance } = panel(s);
    const to = (technique: 'foil' | 'lead', route: string) =>
      s.try({
        kind: 'save-panel',
        ask: { id: 'p', commissionId, name, technique, route, widthMm, heightMm, allowance },
      })?.code;
    expect([to('foil', 'foil'), to('foil', 'lead'), to('lead', 'nowhere')]).toEqual([
      'has-work',
      'unknown-route',
      'unknown-route',
    ]);
  });
  it.each([
    ['nothing that begins it', (r: StepDefinition[]) => r.slice(1)],
    ['no cut', (r: StepDefinition[]) => r.filter((x) => x.code !== 'cut')],
    ['nothing after the cut', (r: StepDefinition[]) => r.filter((x) => x.scope === 'panel' || /cut/.test(x.code))],
    ['no delivery', (r: StepDefinition[]) => r.slice(0, -1)],
    ['a step twice', (r: StepDefinition[]) => [...r.slice(0, 3), r[2] as StepDefinition, ...r.slice(3)]],
    [
      'one word for two steps',
      (r: StepDefinition[]) => r.map((x) => (x.code === 'ground' ? { ...x, calls: ['foiled'] } : x)),
    ],
    [
      'a need that comes later',
      (r: StepDefinition[]) => r.map((x) => (x.code === 'solder-front' ? { ...x, needs: ['wax'] } : x)),
    ],
    [
      'two deliveries',
      (r: StepDefinition[]) => r.map((x) => (x.code === 'wax' ? { ...x, deed: 'delivers' as const } : x)),
    ],
    [
      'a last step for some only',
      (r: StepDefinition[]) => r.map((x) => (x.code === 'in-place' ? { ...x, onlyAsked: true } : x)),
    ],
  ])('with %s is refused', (_, spoil) => {
    expect(checkRoute(FOIL)).toEqual([]);
    expect(checkRoute(spoil([...FOIL])).length).toBeGreaterThan(0);
    const s = smallStudio();
    expect(save(s, spoil([...FOIL]))?.code).toBe('route-unsound');
    expect(s.studio.get('routes', 'foil@2')).toBeUndefined();
  });
  it('the shipped ones are sound', () => {
    for (const { steps } of SHIPPED_ROUTES) expect(checkRoute(steps)).toEqual([]);
  });
});

describe('pieces that go through more than the others', () => {
  it('have a way of their own; hints, words and progress follow it', () => {
    const s = atThePaint();
    const pieces = () => [...s.studio.ask('piecesOfPanel', 'p')];
    expect(wayOf(panel(s).route, s.piece(3)).map((x) => x.code)).toContain('fired');
    expect(wayOf(panel(s).route, s.piece(5)).map((x) => x.code)).not.toContain('fired');
    expect(nextThing(panel(s), pieces())).toMatchObject({ step: { code: 'foiled' } });
    expect(advance(s, [5], 'painted')).toMatchObject({ code: 'not-this-route', numbers: [5] });
    expect(
      advance(
        s,
        all.filter((n) => n !== 3 && n !== 4),
        'in-place',
      ),
    ).toBeNull();
    const next = nextThing(panel(s), pieces());
    expect(next.before + next.strong + next.after).toBe('Paint 2 pieces: 3, 4.');
    expect(advance(s, [3, 4], 'painted')).toBeNull();
    expect(tallyOf(panel(s)).map((t) => `${t.count} ${t.step.word}`)).toContain('2 painted');
    const before = progressOf(panel(s));
    expect(advance(s, [3, 4], 'in-place')).toBeNull();
    expect(progressOf(panel(s))).toBeGreaterThan(before);
  });
  it('go back one step of their own way', () => {
    const s = atThePaint();
    advance(s, [3, 5], 'foiled');
    s.do({ kind: 'send-back', ask: { panelId: 'p', numbers: [3, 5], reason: 'foil lifted' } });
    expect([s.piece(3).stage, s.piece(5).stage]).toEqual(['fired', 'ground']);
    expect(s.back('undo')).toBeNull();
    expect([s.piece(3).stage, s.piece(5).stage]).toEqual(['foiled', 'foiled']);
  });
  it('ask before they are past it, for steps that the route has; a step in hand is not unasked', () => {
    const s = atThePaint();
    expect(ask(s, [1], 'etched')).toMatchObject({ code: 'unknown-step', name: 'etched' });
    expect(ask(s, [1], 'foiled')).toMatchObject({ code: 'unknown-step' });
    advance(s, [1], 'foiled');
    expect(ask(s, [1], 'painted')?.code).toBe('nothing-to-do');
    expect(ask(s, [3], 'painted', 'fired')?.code).toBe('nothing-to-do');
    advance(s, [3], 'painted');
    expect(leaveOut(s, [3], 'painted')?.code).toBe('nothing-to-do');
    expect(ask(s, [4])?.code).toBe('nothing-to-do');
    expect(leaveOut(s, [4], 'painted', 'fired')).toBeNull();
    expect(s.piece(4).asks).toEqual([]);
  });
  it('only what is named changes: pieces that ask for other things keep them, in the order of the route', () => {
    const s = smallStudio();
    const { commissionId, name, widthMm, heightMm, allowance } = panel(s);
    const standing = { id: 'p', commissionId, name, technique: 'foil' as const, widthMm, heightMm, allowance };
    s.do({ kind: 'save-panel', ask: { ...standing, route: 'foil-layered' } });
    expect(ask(s, [1], 'plated')).toBeNull();
    expect(ask(s, [1, 2], 'traced', 'trace-fired')).toBeNull();
    expect(told(s)).toBe('1, 2: to be traced and trace fired');
    expect([s.piece(1).asks, s.piece(2).asks]).toEqual([
      ['traced', 'trace-fired', 'plated'],
      ['traced', 'trace-fired'],
    ]);
    expect(leaveOut(s, [1, 2], 'plated')).toBeNull();
    expect(told(s)).toBe('1: not to be plated');
    expect([s.piece(1).asks, s.piece(2).asks]).toEqual([
      ['traced', 'trace-fired'],
      ['traced', 'trace-fired'],
    ]);
    expect(s.back('undo')).toBeNull();
    expect(s.piece(1).asks).toEqual(['traced', 'trace-fired', 'plated']);
    // In an old log all is named that they go through.
    const old = { panelId: 'p', pieces: ['p/1', 'p/2'], numbers: [1, 2], steps: ['matted'], words: ['matted'] };
    expect(brought(s, 'ask-steps', old)).toMatchObject({
      steps: ['matted'],
      without: ['traced', 'trace-fired', 'plated'],
      withoutWords: ['traced', 'trace fired', 'plated'],
    });
  });
  it('the tally line knows the steps of the panel’s own route by their words', () => {
    const s = atThePaint();
    expect([...vocabularyOf(panel(s).route).pieceSteps.keys()]).toContain('painted');
    expect(readTally('3 4 painted', s.studio, panel(s)).command).toEqual({
      kind: 'advance',
      ask: { panelId: 'p', numbers: [3, 4], to: 'painted' },
    });
    const plain = smallStudio();
    expect(readTally('3 4 painted', plain.studio, panel(plain)).command).toBeNull();
  });
  it('a panel is not soldered while one of them is on its own way', () => {
    const s = atThePaint();
    advance(
      s,
      all.filter((n) => n !== 3),
      'in-place',
    );
    const solder = () => s.try({ kind: 'finish-step', ask: { panelId: 'p', step: 'solder-front' } });
    expect(solder()).toMatchObject({ code: 'not-in-place', numbers: [3] });
    advance(s, [3], 'in-place');
    expect(solder()).toBeNull();
  });
});

it('glasses that lie on each other: all of a pressed panel, elsewhere the pieces that ask for a plate', () => {
  const stepsOf = (key: string) => SHIPPED_ROUTES.find(({ route }) => route.key === key)?.steps ?? [];
  const pieces = [
    { number: 7, asks: ['plated'] },
    { number: 2, asks: ['traced', 'plated'] },
    { number: 1, asks: [] },
  ];
  const built = (key: string, of: typeof pieces) => buildOf({ pieceSteps: stepsOf(key), panelSteps: stepsOf(key) }, of);
  expect(built('pressed', [])).toEqual({ layers: 2, plated: [], sealsSeams: false });
  expect(built('foil-painted', pieces)).toEqual({ layers: 1, plated: [2, 7], sealsSeams: false });
  expect(built('planter', []).sealsSeams).toBe(true);
});
