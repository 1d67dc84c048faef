import { afterAll, expect, it } from 'vitest';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { paneNet } from '../../core/test/panels.ts';
import { command, testServer } from '../testServer.ts';

const server = await testServer();
afterAll(() => server.stop());
const post = (path: string, more: object) =>
  server.send(path, { ...command('', null), command: undefined, basis: server.desk.seq, ...more });
const sum = (table: string, columns: string): number => {
  const found = server.store.sqlite.prepare(`SELECT sum(${columns}) AS bytes FROM ${table}`).get();
  return (found as { bytes: number | null }).bytes ?? 0;
};
/** Bytes that drawings take: sources, versions, and studies, which can be made again. */
const kept = () => ({
  sources: sum('files', 'length(packed)'),
  versions: sum('drawings', 'length(packed)'),
  studies: sum('studies', 'length(packed) + length(sketch)'),
});

it.each([
  [170, 13, 13, 80],
  [2000, 45, 45, 1000],
])(
  'a change of a panel of about %d pieces keeps its source once and adds one packed version',
  async (_, columns, rows, mostKb) => {
    const id = `p${columns}`;
    await server.send(
      '/commands',
      command('save-commission', { id: 'c', title: 'T', client: '', due: null, note: '' }),
    );
    const size = { widthMm: 100, heightMm: 100 };
    const panel = { id, commissionId: 'c', name: id, technique: 'foil', ...size, allowance: DEFAULT_ALLOWANCE.foil };
    await server.send('/commands', command('save-panel', panel));
    const source = paneNet(columns, rows, 22, { seed: 5, curved: true });
    const taken = await post(`/panels/${id}/cartoon`, { source, sourceName: 'net.svg' });
    expect(taken.status).toBe(200);
    const first = kept();
    const edit = { kind: 'allowance', allowance: { ...DEFAULT_ALLOWANCE.foil, gapMm: 1 } };
    expect((await post(`/panels/${id}/edit`, { edit })).status).toBe(200);
    const second = kept();
    expect(second.sources).toBe(first.sources);
    expect(second.versions - first.versions).toBeGreaterThan(0);
    expect(second.versions - first.versions).toBeLessThan(mostKb * 1000);
    expect(second.studies - first.studies).toBeLessThan(1.5 * mostKb * 1000);
  },
);
