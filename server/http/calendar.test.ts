import ICAL from 'ical.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { calendarOf } from '../queries/calendar.ts';
import { command, testServer } from '../testServer.ts';
import { paneNet } from '../../core/test/panels.ts';

const NOW = Date.UTC(2026, 10, 28, 9);
let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ clock: () => NOW });
});
afterAll(() => server.stop());

const ok = async (kind: string, ask: unknown) =>
  expect((await server.send('/commands', command(kind, ask))).status, kind).toBe(200);
const events = () => {
  const text = calendarOf(server.desk, NOW, 'http://studio:4180');
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown as string);
  return calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
};

describe('due days and waits as a calendar, read by another program', () => {
  it('is a sound calendar with nothing in it at first', () => {
    expect(events()).toEqual([]);
  });

  it('has each job on its day, whole, whatever its title holds; without a day it is left out', async () => {
    const title = 'Chapel; “north, south”\nlights, ünd more';
    await ok('save-commission', { id: 'c', title: title.replace('\n', ' '), client: '', due: '2027-02-28', note: '' });
    await ok('save-commission', { id: 'd', title: 'No day', client: '', due: null, note: '' });
    const size = { widthMm: 1, heightMm: 1, allowance: DEFAULT_ALLOWANCE.lead };
    for (const [id, job] of [
      ['p', 'c'],
      ['q', 'd'],
    ])
      await ok('save-panel', { id, commissionId: job, name: `Panel ${id}`, technique: 'lead', ...size });
    const [due, ...more] = events();
    expect(more).toEqual([]);
    expect(due?.summary).toBe(`Due: ${title.replace('\n', ' ')}`);
    expect([due?.startDate.isDate, due?.startDate.toString(), due?.endDate.toString()]).toEqual([
      true,
      '2027-02-28',
      '2027-03-01',
    ]);
    expect(due?.description).toBe('Panel p: Bring in the drawing.');
  });

  it('has a wait of pieces until somebody has seen that it is over', async () => {
    await ok('begin-wait', { id: 'glue', panelId: 'q', numbers: [], name: 'glue', minutes: 360 });
    const wait = events().find((event) => event.uid === 'wait-glue@nelvik');
    expect(wait?.summary).toBe('Panel q: glue is over');
    expect(wait?.startDate.toJSDate().getTime()).toBe(NOW + 360 * 60_000);
    await ok('end-wait', { id: 'glue' });
    expect(events().some((event) => event.uid === 'wait-glue@nelvik')).toBe(false);
  });

  it('has a wait of a panel at the minute when it is through', async () => {
    const envelope = { ...command('', null), command: undefined };
    await server.send('/panels/p/cartoon', { ...envelope, source: paneNet(1, 2, 60), sourceName: 'net.svg' });
    await ok('take-in', { panelId: 'p', numbers: [1, 2], as: 'old' });
    await ok('advance', { panelId: 'p', numbers: [1, 2], to: 'leaded' });
    const joints = Array.from({ length: server.desk.state.get('panels', 'p')?.jointCount ?? 0 }, (_, i) => i + 1);
    for (const side of ['front', 'back']) await ok('solder-joints', { panelId: 'p', side, joints });
    for (const step of ['solder-front', 'solder-back', 'cement']) {
      const { status } = await server.send('/commands', command('finish-step', { panelId: 'p', step }));
      expect([200, 409]).toContain(status);
    }
    const wait = events().find(({ summary }) => summary.includes('cement'));
    expect(wait?.summary).toBe('Panel p: cement is through');
    expect(wait?.startDate.toJSDate().getTime()).toBe(NOW + 24 * 60 * 60_000);
    expect(new Set(events().map(({ uid }) => uid)).size).toBe(2);
  });
});
