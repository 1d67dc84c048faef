import { afterAll, beforeAll, expect, it } from 'vitest';
import { glassStillToCut, routeOf } from '#core/bench';
import { panelSum } from '#core/labour';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import type { PanelAnswer, TodayAnswer } from '#contract';
import { doc } from '../../core/test/panels.ts';
import { glassNeeds } from '../queries/glassNeed.ts';
import { glassCentsOf } from '../queries/glassWorth.ts';
import { command, testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
const send = (kind: string, ask: unknown) => server.send('/commands', command(kind, ask));
const ok = async (kind: string, ask: unknown) => {
  const { status, body } = await send(kind, ask);
  expect(status, JSON.stringify(body)).toBe(200);
};
const left = { kind: 'stays' };
const PRICES = new Map([
  ['thin', 10_000],
  ['clear', 4000],
]);

/** Four squares of 60 mm. */
const FOUR = doc(120, 120, '<path d="M0 0H120V120H0Z"/><path d="M60 0V120"/><path d="M0 60H120"/>');

/** What the database sums up is what the rules say of its rows. */
async function agrees(): Promise<ReadonlyMap<string, number>> {
  const { state } = server.desk;
  const panel = state.get('panels', 'p');
  if (!panel) throw new Error('no panel');
  const pieces = [...state.ask('piecesOfPanel', 'p')];
  const wanted = glassStillToCut(routeOf(state, panel), pieces);
  const told = new Map(glassNeeds(server.desk).map(({ glassId, mm2 }) => [glassId, mm2]));
  expect(told).toEqual(wanted);
  const { glassCents } = panelSum([], [], pieces, (id) => PRICES.get(id) ?? 0, 0);
  expect(glassCentsOf(server.desk, ['p'])).toBe(glassCents);
  const { short } = (await server.send('/today')).body as TodayAnswer;
  for (const { glassId, missingMm2 } of short) {
    const onRack = [...state.ask('stockOfGlass', glassId)].reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
    expect(missingMm2).toBe((wanted.get(glassId) ?? 0) - onRack);
  }
  return wanted;
}

beforeAll(async () => {
  server = await testServer();
  await ok('save-commission', { id: 'c', title: 'Job', client: '', due: null, note: '' });
  const glass = { colour: '#336655', texture: 'smooth', thicknessMm: 1.5, hiding: 'clear', flow: false };
  await ok('save-glass', { id: 'thin', code: 'T-1', name: 'thin', ...glass, priceCentsPerM2: 10_000 });
  await ok('save-glass', { id: 'clear', code: 'C-1', name: 'clear', ...glass, priceCentsPerM2: 4000 });
  const sheet = { kind: 'sheet', place: '', costCents: 900 };
  await ok('receive', { label: 'S', glassId: 'thin', widthMm: 300, heightMm: 300, ...sheet });
  await ok('receive', { label: 'K', glassId: 'clear', widthMm: 70, heightMm: 70, ...sheet });
  const size = { widthMm: 1, heightMm: 1, allowance: DEFAULT_ALLOWANCE.foil };
  await ok('save-panel', { id: 'p', commissionId: 'c', name: 'Leaves', technique: 'foil', ...size });
  const envelope = { ...command('', null), command: undefined, basis: server.desk.seq };
  await server.send('/panels/p/cartoon', { ...envelope, source: FOUR, sourceName: 'leaves.svg' });
  await ok('follow-route', { panelId: 'p', route: 'pressed-pair' });
  await ok('choose-glass', { panelId: 'p', numbers: [1, 2, 3, 4], glassId: 'thin' });
});
afterAll(() => server.stop());

it('two glasses of each piece are wanted from the rack, each until it is cut', async () => {
  const [one, all] = [[...server.desk.state.ask('piecesOfPanel', 'p')][0]?.areaMm2 ?? 0, [1, 2, 3, 4]];
  expect(await agrees()).toEqual(new Map([['thin', 8 * one]]));
  await ok('choose-back', { panelId: 'p', numbers: all, glassId: 'clear' });
  expect(await agrees()).toEqual(
    new Map([
      ['thin', 4 * one],
      ['clear', 4 * one],
    ]),
  );
  await ok('cut', { panelId: 'p', sources: [{ stockId: 'S', numbers: [1, 2, 3], left }] });
  await ok('take-in', { panelId: 'p', numbers: [4], as: 'bought' });
  expect(await agrees()).toEqual(new Map([['clear', 3 * one]]));
  // The clear glass does for one of them alone.
  expect((await send('cut-back', { panelId: 'p', sources: [{ stockId: 'K', numbers: [1, 2], left }] })).status).toBe(
    409,
  );
  await ok('cut-back', { panelId: 'p', sources: [{ stockId: 'K', numbers: [1], left }] });
  expect(await agrees()).toEqual(new Map([['clear', 2 * one]]));
  await ok('break', { panelId: 'p', numbers: [1], reason: 'dropped', minutes: 0, recut: null });
  expect(await agrees()).toEqual(
    new Map([
      ['thin', one],
      ['clear', 3 * one],
    ]),
  );
});

it('a screen hears of it, and a plate is told where a piece asks for one', async () => {
  const { pieces } = (await server.send('/panels/p')).body as PanelAnswer;
  expect(pieces.map(({ backGlassId }) => backGlassId)).toEqual(['clear', 'clear', 'clear', 'clear']);
  const size = { widthMm: 1, heightMm: 1, allowance: DEFAULT_ALLOWANCE.foil };
  await ok('save-panel', { id: 'q', commissionId: 'c', name: 'Sky', technique: 'foil', ...size });
  const envelope = { ...command('', null), command: undefined, basis: server.desk.seq };
  await server.send('/panels/q/cartoon', { ...envelope, source: FOUR, sourceName: 'sky.svg' });
  await ok('follow-route', { panelId: 'q', route: 'foil-layered' });
  const before = new Map(glassNeeds(server.desk).map(({ glassId, mm2 }) => [glassId, mm2]));
  await ok('choose-glass', { panelId: 'q', numbers: [1, 2], glassId: 'thin' });
  expect((await send('choose-back', { panelId: 'q', numbers: [1], glassId: 'clear' })).status).toBe(409);
  await ok('ask-steps', { panelId: 'q', numbers: [1], steps: ['plated'] });
  await ok('choose-back', { panelId: 'q', numbers: [1], glassId: 'clear' });
  const after = new Map(glassNeeds(server.desk).map(({ glassId, mm2 }) => [glassId, mm2]));
  const one = pieces[0]?.areaMm2 ?? 0;
  expect((after.get('thin') ?? 0) - (before.get('thin') ?? 0)).toBe(2 * one);
  expect((after.get('clear') ?? 0) - (before.get('clear') ?? 0)).toBe(one);
});
