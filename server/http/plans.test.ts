import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type {
  DayAnswer,
  ErrorAnswer,
  PlansAnswer,
  ReckoningAnswer,
  SuppliesAnswer,
  TodayAnswer,
  WaitsAnswer,
} from '#contract';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { paneNet } from '../../core/test/panels.ts';
import { command, testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
const ask = (kind: string, what: unknown, more: object = {}) =>
  server.send('/commands', command(kind, what, more as Record<string, unknown>));
const ok = async (kind: string, what: unknown, more: object = {}) => {
  const { status, body } = await ask(kind, what, more);
  expect(status, JSON.stringify(body)).toBe(200);
};
const answer = async <T>(path: string): Promise<T> => (await server.send(path)).body as T;

beforeAll(async () => {
  server = await testServer();
  await ok('save-person', { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 3600, active: true });
  await ok('save-commission', { id: 'c', title: 'Job', client: '', due: null, note: '' });
  const glass = { colour: '#336655', texture: 'smooth', thicknessMm: 3, hiding: 'clear', flow: false };
  await ok('save-glass', { id: 'g', code: 'G-1', name: 'g', ...glass, priceCentsPerM2: 10_000 });
  const size = { widthMm: 1, heightMm: 1, allowance: DEFAULT_ALLOWANCE.lead };
  await ok('save-panel', { id: 'p', commissionId: 'c', name: 'Light', technique: 'lead', ...size });
  const envelope = { ...command('', null), command: undefined };
  await server.send('/panels/p/cartoon', { ...envelope, source: paneNet(2, 2, 60), sourceName: 'net.svg' });
  await ok('choose-glass', { panelId: 'p', numbers: [1, 2, 3, 4], glassId: 'g' });
  const sheet = { glassId: 'g', kind: 'sheet', widthMm: 500, heightMm: 300, place: '', costCents: 1 };
  await ok('receive', { label: 'S', ...sheet });
});
afterAll(() => server.stop());

describe('what is decided on a panel beside its pieces', () => {
  it('is one answer; of a panel that is not there is none', async () => {
    expect(await answer<PlansAnswer>('/panels/p/plans')).toMatchObject({ finish: null, leadMarks: null, waits: [] });
    await ok('plan-finish', { panelId: 'p', plan: { hold: 'fitted', bars: [60] } });
    await ok('mark-lead', { panelId: 'p', cut: { name: '0,60 120,60', isCut: true } });
    await ok('begin-wait', { id: 'w', panelId: 'p', numbers: [], name: 'sealant', minutes: 30 });
    await ok('hand-tray', { panelId: 'p', letter: 'A', personId: 'ada' });
    const plans = await answer<PlansAnswer>('/panels/p/plans');
    expect(plans.finish).toMatchObject({ hold: 'fitted', bars: [60], spreadDeg: 60 });
    expect(plans.leadMarks?.cut).toEqual(['0,60 120,60']);
    expect(plans.waits).toMatchObject([{ name: 'sealant', isOver: false }]);
    expect(plans.trays).toMatchObject([{ letter: 'A', personId: 'ada' }]);
    expect((await server.send('/panels/none/plans')).status).toBe(404);
  });
  it('lights of one opening are told with each of them, by their rows', async () => {
    const size = { widthMm: 120, heightMm: 120, allowance: DEFAULT_ALLOWANCE.lead };
    await ok('save-panel', { id: 'p2', commissionId: 'c', name: 'Rose', technique: 'lead', ...size });
    await ok('plan-finish', { panelId: 'p2', plan: { tier: 1 }, measured: { widthMm: 118.5, heightMm: 120 } });
    expect((await answer<PlansAnswer>('/panels/p/plans')).lights).toMatchObject([
      { id: 'p2', tier: 1, widthMm: 118.5 },
    ]);
    await ok('plan-finish', { panelId: 'p', plan: { tier: 2 } });
    expect((await answer<PlansAnswer>('/panels/p2/plans')).lights.map(({ id }) => id)).toEqual(['p', 'p2']);
    await ok('plan-finish', { panelId: 'p', plan: { tier: null } });
    expect((await answer<PlansAnswer>('/panels/p2/plans')).lights.map(({ id }) => id)).toEqual(['p2']);
  });
  it('pieces are laid in the order that was set, by their ids; one that is not there is refused', async () => {
    await ok('mark-lead', { panelId: 'p', laid: [3, 1, 4, 2] });
    const { leadMarks } = await answer<PlansAnswer>('/panels/p/plans');
    expect(leadMarks?.laid).toEqual(['p/3', 'p/1', 'p/4', 'p/2']);
    expect(leadMarks?.cut).toEqual(['0,60 120,60']);
    await ok('mark-lead', { panelId: 'p', laid: null });
    expect((await answer<PlansAnswer>('/panels/p/plans')).leadMarks?.laid).toEqual([]);
    expect((await ask('mark-lead', { panelId: 'p', laid: [77] })).status).toBe(409);
  });
  it('what waits stands on today until it is seen; little of a supply too', async () => {
    expect((await answer<WaitsAnswer>('/waits')).waits).toMatchObject([{ id: 'w', panelName: 'Light' }]);
    await ok('end-wait', { id: 'w' });
    const spool = { id: 's', kind: 'solder', name: 'Spool', sort: '60/40', code: '', packAmount: 500, packCents: 2000 };
    await ok('save-supply', { ...spool, low: 100, place: '' });
    expect((await answer<WaitsAnswer>('/waits')).waits).toEqual([]);
    expect((await answer<TodayAnswer>('/today')).low).toEqual([{ supplyId: 's', name: 'Spool' }]);
  });
  it('supplies tell their latest entries, and Setup brings back one that was deleted', async () => {
    const move = { supplyId: 's', panelId: null, reckoned: null };
    await ok('move-supply', { ...move, id: 'm1', kind: 'bought', amount: 500 });
    await ok('move-supply', { ...move, id: 'm2', kind: 'used', amount: 20, panelId: 'p' });
    const { supplies, moves } = await answer<SuppliesAnswer>('/supplies');
    expect(supplies).toMatchObject([{ id: 's', amount: 480 }]);
    expect(moves.map((one) => one.id)).toEqual(['m2', 'm1']);
    expect((await answer<PlansAnswer>('/panels/p/plans')).used).toMatchObject([{ id: 'm2', delta: -20 }]);
    await ok('put-away', { table: 'supplies', id: 's', as: 'deleted' });
    expect((await answer<SuppliesAnswer>('/supplies')).supplies).toEqual([]);
    expect(await answer<{ items: unknown[] }>('/away')).toMatchObject({
      items: [{ table: 'supplies', name: 'Spool' }],
    });
  });
});

describe('a day', () => {
  it('has the hours that began in it, and whether they are signed; a question out of order is refused', async () => {
    const [from, to] = [Date.UTC(2026, 2, 3), Date.UTC(2026, 2, 4)];
    const entry = { personId: 'ada', panelId: 'p', stage: 'leading', note: '' };
    await ok('enter-hours', { ...entry, id: 'h1', startedAt: from + 1000, endedAt: from + 3_601_000 });
    await ok('enter-hours', { ...entry, id: 'h2', startedAt: to + 1000, endedAt: to + 61_000 });
    await ok('sign-day', { personId: 'ada', day: '2026-03-03', minutes: 60 });
    const day = await answer<DayAnswer>(`/days?from=${from}&to=${to}&first=2026-03-03&last=2026-03-03`);
    expect(day.hours).toMatchObject([{ id: 'h1', panelName: 'Light' }]);
    expect(day.sheets).toMatchObject([{ minutes: 60, day: '2026-03-03' }]);
    for (const query of [
      '',
      `from=${to}&to=${from}&first=2026-03-03&last=2026-03-03`,
      'from=0&to=9e15&first=x&last=y',
    ]) {
      const { status, body } = await server.send(`/days?${query}`);
      expect([status, (body as ErrorAnswer).words]).toEqual([400, expect.stringMatching(/a month at most/)]);
    }
  });
});

it('breaks are counted by glass, step, person and difficulty; each way they sum to the same', async () => {
  const ada = { personId: 'ada' };
  await ok('cut', { panelId: 'p', sources: [{ stockId: 'S', numbers: [1, 2], left: { kind: 'stays' } }] }, ada);
  await ok('break', { panelId: 'p', numbers: [1], reason: 'own:kiln door', minutes: 5, recut: null }, ada);
  await ok('break', { panelId: 'p', numbers: [2], reason: 'dropped', minutes: 0, recut: null });
  const { reasons, broke } = await answer<ReckoningAnswer>(`/reckoning?from=0&to=${Date.now() + 1000}`);
  expect(reasons.map((one) => one.reason).sort()).toEqual(['dropped', 'own:kiln door']);
  const of = (by: string) => broke.filter((one) => one.by === by);
  expect(of('glass')).toMatchObject([{ name: 'G-1', count: 2 }]);
  expect(of('step')).toMatchObject([{ name: 'cut', count: 2 }]);
  expect(
    of('person')
      .map(({ name, count }) => [name, count])
      .sort(),
  ).toEqual([
    ['', 1],
    ['Ada', 1],
  ]);
  const sum = reasons.reduce((all, one) => all + one.cents, 0);
  for (const by of ['glass', 'step', 'person', 'difficulty'])
    expect(of(by).reduce((all, one) => all + one.cents, 0)).toBe(sum);
});
