import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ErrorAnswer, HistoryAnswer, PanelAnswer, PanelHoursAnswer, RackAnswer, StudioAnswer } from '#contract';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { paneNet } from '../../core/test/panels.ts';
import { command, testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

const send = async (kind: string, ask: unknown, more?: Record<string, unknown>) =>
  server.send('/commands', command(kind, ask, more));
const ok = async (kind: string, ask: unknown, more?: Record<string, unknown>) =>
  expect((await send(kind, ask, more)).status).toBe(200);
const envelope = () => ({ ...command('', null), command: undefined });

describe('addresses', () => {
  it.each([
    '/nowhere',
    '/panels/none',
    '/drawings/none',
    '/drawings/none/study',
    '/drawings/none/source',
    '/commissions/none',
    '/panels/..%2f..%2fetc',
  ])('%s is answered with a plain sentence', async (path) => {
    const { status, body } = await server.send(path);
    expect(status).toBe(404);
    expect((body as ErrorAnswer).words).toMatch(/\.$/);
  });
  it('an empty studio has nothing, and says so by its shape', async () => {
    const studio = (await server.send('/studio')).body as StudioAnswer;
    expect(studio).toMatchObject({ seq: 0, settings: null, people: [], glasses: [], clocks: [], hasJobs: false });
    expect(studio.routes.filter((r) => ['foil', 'lead'].includes(r.key)).map((r) => r.id)).toEqual([
      'foil@1',
      'lead@1',
    ]);
    expect((await server.send('/today')).body).toEqual({ seq: 0, jobs: [], short: [], low: [] });
    expect((await server.send('/jobs')).body).toEqual({ seq: 0, inHand: [], past: [], hasArchived: false, next: null });
    expect((await server.send('/rack')).body).toEqual({
      seq: 0,
      stock: [],
      photos: [],
      laid: [],
      needs: [],
      soldAs: [],
      totals: {},
    });
  });
});

describe('a panel of 520 pieces over the wire', () => {
  it('is taken in, given its glass and marked in one command each', async () => {
    await ok('save-person', { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 6000, active: true });
    await ok('save-commission', { id: 'c', title: 'Large', client: '', due: null, note: '' });
    await ok('save-panel', {
      id: 'p',
      commissionId: 'c',
      name: 'Large',
      technique: 'lead',
      widthMm: 1,
      heightMm: 1,
      allowance: DEFAULT_ALLOWANCE.lead,
    });
    const glass = { code: 'G-1', name: 'g', colour: '#336655', texture: 'seedy', thicknessMm: 3, hiding: 'clear' };
    await ok('save-glass', { id: 'g', ...glass, flow: false, priceCentsPerM2: 10_000 });
    await ok('receive', {
      label: 'S',
      glassId: 'g',
      kind: 'sheet',
      widthMm: 2000,
      heightMm: 1000,
      place: '',
      costCents: 1,
    });
    const source = paneNet(20, 26, 22, { curved: true, jitterMm: 0.3 });
    const taken = await server.send('/panels/p/cartoon', { ...envelope(), source, sourceName: 'large.svg' });
    expect(taken.status).toBe(200);
    const numbers = Array.from({ length: 520 }, (_, i) => i + 1);
    await ok('choose-glass', { panelId: 'p', numbers, glassId: 'g' });
    await ok('cut', { panelId: 'p', sources: [{ stockId: 'S', numbers, left: { kind: 'stays' } }] });
    const { pieces } = (await server.send('/panels/p')).body as PanelAnswer;
    expect(pieces).toHaveLength(520);
    const { stock } = (await server.send('/rack')).body as RackAnswer;
    expect(stock[0]?.areaMm2).toBe(2_000_000 - pieces.reduce((sum, p) => sum + p.areaMm2, 0));
    expect(server.desk.state.get('panels', 'p')).toMatchObject({
      pieceCount: 520,
      sourceName: 'large.svg',
      counts: { stages: { cut: 520 }, broken: 0 },
    });
  });
  it('its drawing is not replaced any more, and the refusal says why', async () => {
    const { status, body } = await server.send('/panels/p/cartoon', {
      ...envelope(),
      source: paneNet(3, 3, 30),
      sourceName: 'other.svg',
    });
    expect(status).toBe(409);
    expect((body as ErrorAnswer).words).toMatch(/^Glass of Large is cut already/);
  });
  it('the log tells who did what, newest first', async () => {
    await ok('break', { panelId: 'p', numbers: [9], reason: 'dropped', minutes: 10, recut: null }, { personId: 'ada' });
    for (const path of ['/panels/p/history', '/pieces/p/9']) {
      const { lines } = (await server.send(path)).body as HistoryAnswer;
      expect(lines[0]).toMatchObject({ who: 'Ada', numbers: [9], mishap: true });
      expect(lines[0]?.words).toBe('9 broke: broke in the hand or dropped, 10 min');
    }
    const { mishaps } = (await server.send('/panels/p/hours')).body as PanelHoursAnswer;
    // Ten minutes at 60.00 an hour.
    expect(mishaps[0]).toMatchObject({ labourCents: 1000, minutes: 10 });
  });
  it('hours entered by hand carry the rate; taken out they are gone from the answer', async () => {
    const hours = { id: 'h', personId: 'ada', panelId: 'p', stage: 'cutting', startedAt: 0, endedAt: 60_000, note: '' };
    await ok('enter-hours', hours);
    const kept = async () => ((await server.send('/panels/p/hours')).body as PanelHoursAnswer).hours;
    expect((await kept())[0]?.rateCentsPerHour).toBe(6000);
    await ok('remove-hours', { entryId: 'h' });
    expect(await kept()).toEqual([]);
    const late = await send('enter-hours', { ...hours, id: 'i', endedAt: Date.now() + 3_600_000 });
    expect((late.body as ErrorAnswer).words).toBe('It cannot end later than now; check the times.');
  });
});
