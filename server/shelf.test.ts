import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { InWorkAnswer, SuppliesAnswer, TodayAnswer } from '#contract';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { doc } from '../core/test/panels.ts';
import { checkStudio } from './checkStudio.ts';
import { command, testServer } from './testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
const send = (kind: string, ask: unknown) => server.send('/commands', command(kind, ask));
const ok = async (kind: string, ask: unknown) => {
  const { status, body } = await send(kind, ask);
  expect(status, JSON.stringify(body)).toBe(200);
};
const inWork = async () => ((await server.send('/in-work')).body as InWorkAnswer).inWork;
const book = async (id: string) =>
  ((await server.send('/supplies')).body as SuppliesAnswer).supplies.find((one) => one.id === id)?.amount;
const moves = async () => ((await server.send('/supplies')).body as SuppliesAnswer).moves;
const supply = (id: string, kind: string, sort: string, packAmount: number, low = 0) => ({
  ...{ id, kind, name: id, sort, code: '', packAmount, packCents: 2000, low, place: '' },
});
const counted = (id: string, supplyId: string, amount: number) =>
  ok('move-supply', { id, supplyId, kind: 'counted', amount, panelId: null, reckoned: null });

/** Four squares of 60 mm. */
const FOUR = doc(120, 120, '<path d="M0 0H120V120H0Z"/><path d="M60 0V120"/><path d="M0 60H120"/>');

beforeAll(async () => {
  server = await testServer();
  await ok('save-commission', { id: 'c', title: 'Job', client: '', due: null, note: '' });
  await ok('save-person', { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 3600, active: true });
  const glass = { colour: '#336655', texture: 'smooth', thicknessMm: 3, hiding: 'clear', flow: false };
  await ok('save-glass', { id: 'g', code: 'G-1', name: 'g', ...glass, priceCentsPerM2: 10_000 });
  const sheet = { glassId: 'g', kind: 'sheet', widthMm: 900, heightMm: 900, place: '', costCents: 1 };
  await ok('receive', { label: 'S', ...sheet });
  const size = { widthMm: 1, heightMm: 1, allowance: DEFAULT_ALLOWANCE.foil };
  for (const id of ['p', 'q']) {
    await ok('save-panel', { id, commissionId: 'c', name: `Light ${id}`, technique: 'foil', ...size });
    const envelope = { ...command('', null), command: undefined, basis: server.desk.seq };
    const source = FOUR;
    expect((await server.send(`/panels/${id}/cartoon`, { ...envelope, source, sourceName: 'net.svg' })).status).toBe(
      200,
    );
    await ok('choose-glass', { panelId: id, numbers: [1, 2, 3, 4], glassId: 'g' });
    await ok('cut', { panelId: id, sources: [{ stockId: 'S', numbers: [1, 2, 3, 4], left: { kind: 'stays' } }] });
  }
  await ok('save-supply', supply('roll', 'foil', '7/32 in', 33_000));
  await ok('save-supply', supply('spool', 'solder', '60/40', 500, 490));
  await counted('m1', 'roll', 10_000);
  await counted('m2', 'spool', 500);
});
afterAll(() => server.stop());

describe('supplies are counted down by the work itself', () => {
  it('nothing goes before anything is done; then by length of edge, with no press', async () => {
    expect(await inWork()).toEqual([]);
    await ok('advance', { panelId: 'p', numbers: [1, 2], to: 'foiled' });
    // Two squares of four, each with foil round 240 mm and a lap.
    const [one] = await inWork();
    expect(one).toMatchObject({ supplyId: 'roll', panelId: 'p', panelName: 'Light p' });
    expect(one?.amount).toBeGreaterThan(2 * 240);
    expect(one?.amount).toBeLessThan(2 * 240 * 1.2);
    await ok('advance', { panelId: 'p', numbers: [3, 4], to: 'foiled' });
    expect((await inWork())[0]?.amount).toBeCloseTo(2 * (one?.amount ?? 0), 2);
    // The book is as it was.
    expect(await book('roll')).toBe(10_000);
  });
  it('a mark that is taken back takes it back', async () => {
    await ok('advance', { panelId: 'q', numbers: [1], to: 'foiled' });
    expect((await inWork()).map((one) => one.panelId)).toEqual(['p', 'q']);
    const { basis: _, command: __, ...who } = command('', null);
    await server.send('/put-back', { ...who, direction: 'undo', place: { panelId: 'q' } });
    expect((await inWork()).map((one) => one.panelId)).toEqual(['p']);
  });
  it('solder goes by the joint, and Today hears of a spool that runs low before it is booked', async () => {
    expect(((await server.send('/today')).body as TodayAnswer).low).toEqual([]);
    await ok('advance', { panelId: 'p', numbers: [1, 2, 3, 4], to: 'in-place' });
    await ok('finish-step', { panelId: 'p', step: 'solder-front' });
    const half = (await inWork()).find((one) => one.supplyId === 'spool')?.amount ?? 0;
    await ok('finish-step', { panelId: 'p', step: 'solder-back' });
    const all = (await inWork()).find((one) => one.supplyId === 'spool')?.amount ?? 0;
    expect(all).toBeCloseTo(2 * half, 2);
    expect(all).toBeGreaterThan(10);
    expect(((await server.send('/today')).body as TodayAnswer).low).toEqual([{ supplyId: 'spool', name: 'spool' }]);
  });
  it('what is booked by hand is not taken again', async () => {
    const before = (await inWork()).find((one) => one.supplyId === 'spool')?.amount ?? 0;
    const used = { supplyId: 'spool', kind: 'used', panelId: 'p', reckoned: null };
    await ok('move-supply', { id: 'm3', ...used, amount: 10 });
    expect((await inWork()).find((one) => one.supplyId === 'spool')?.amount).toBeCloseTo(before - 10, 2);
  });
  it('what is counted has lost it already: it goes into the book first', async () => {
    const gone = (await inWork()).find((one) => one.supplyId === 'roll')?.amount ?? 0;
    await counted('m4', 'roll', 8000);
    expect((await inWork()).some((one) => one.supplyId === 'roll')).toBe(false);
    expect(await book('roll')).toBe(8000);
    const [last, before] = await moves();
    expect(last).toMatchObject({ id: 'm4', kind: 'counted', balance: 8000 });
    expect(before).toMatchObject({ kind: 'used', panelId: 'p', delta: -gone });
  });
  it('what is refused books nothing along with it', async () => {
    await ok('advance', { panelId: 'q', numbers: [1], to: 'foiled' });
    const before = { book: await book('roll'), seq: server.desk.seq, inWork: await inWork() };
    const again = { id: 'm4', supplyId: 'roll', kind: 'counted', amount: 5, panelId: null, reckoned: null };
    expect((await send('move-supply', again)).status).toBe(409);
    expect({ book: await book('roll'), seq: server.desk.seq, inWork: await inWork() }).toEqual(before);
    expect(before.inWork.some((one) => one.supplyId === 'roll')).toBe(true);
  });
  it('weighed for one panel, what another took of it is not that panel’s', async () => {
    await ok('advance', { panelId: 'q', numbers: [1, 2, 3, 4], to: 'in-place' });
    await ok('finish-step', { panelId: 'q', step: 'solder-front' });
    const lines = (await inWork()).filter((one) => one.supplyId === 'spool');
    expect(lines.map((one) => one.panelId).sort()).toEqual(['p', 'q']);
    const ofQ = lines.find((one) => one.panelId === 'q')?.amount ?? 0;
    const used = { supplyId: 'spool', kind: 'used', panelId: 'p', amount: 30, reckoned: 30 };
    await ok('move-supply', { id: 'm5', ...used });
    expect((await moves()).slice(0, 2)).toMatchObject([{ id: 'm5' }, { kind: 'used', panelId: 'q', delta: -ofQ }]);
    expect((await inWork()).some((one) => one.supplyId === 'spool' && one.panelId === 'q')).toBe(false);
  });
  it('what leaves is booked with it, once, and stays booked when the delivery is taken back', async () => {
    await counted('m6', 'roll', 6000);
    await ok('save-supply', supply('black', 'patina', '', 250));
    await counted('m7', 'black', 200);
    for (const step of ['rim', 'wash', 'patina', 'wax']) await ok('finish-step', { panelId: 'p', step });
    const open = (await inWork()).filter((one) => one.panelId === 'p');
    expect(open.length).toBeGreaterThan(0);
    const was = new Map(await Promise.all(open.map(async ({ supplyId }) => [supplyId, await book(supplyId)] as const)));
    const deliver = command('finish-step', { panelId: 'p', step: 'deliver' });
    expect((await server.send('/commands', deliver)).status).toBe(200);
    // The answer got lost: the same step comes again.
    expect((await server.send('/commands', deliver)).status).toBe(200);
    for (const { supplyId, amount } of open)
      expect(await book(supplyId)).toBeCloseTo((was.get(supplyId) ?? 0) - amount, 3);
    expect((await inWork()).some((one) => one.panelId === 'p')).toBe(false);
    const { basis: _, command: __, ...who } = command('', null);
    await server.send('/put-back', { ...who, direction: 'undo', place: { panelId: 'p' } });
    expect(server.desk.state.get('panels', 'p')?.deliveredAt).toBeNull();
    expect((await inWork()).some((one) => one.panelId === 'p')).toBe(false);
    expect(checkStudio(server.store)).toEqual([]);
  });
  it('a panel that is put away takes with it what went into it', async () => {
    await ok('finish-step', { panelId: 'q', step: 'solder-back' });
    const open = (await inWork()).filter((one) => one.panelId === 'q');
    expect(open.length).toBeGreaterThan(0);
    await ok('put-away', { table: 'panels', id: 'q', as: 'archived' });
    expect(await inWork()).toEqual([]);
    expect((await moves())[0]).toMatchObject({ kind: 'used', panelId: 'q' });
  });
});
