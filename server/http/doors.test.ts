import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Command } from '#core/bench';
import { seededRandom } from '#core/units';
import { randomWork } from '../../core/test/randomWork.ts';
import { smallStudio } from '../../core/test/smallStudio.ts';
import { checkStudio } from '../checkStudio.ts';
import { Store } from '../store/store.ts';
import { writeStudio } from '../test/writeStudio.ts';
import { command, MIGRATIONS, testServer } from '../testServer.ts';

type Server = Awaited<ReturnType<typeof testServer>>;
/** A server on the studio that random work goes on in. */
async function serverOf(s: ReturnType<typeof smallStudio>): Promise<Server> {
  const folder = mkdtempSync(join(tmpdir(), 'nelvik-doors-'));
  const store = new Store(folder, MIGRATIONS);
  writeStudio(store, s);
  store.close();
  return testServer({ folder });
}

describe('what is no question at all', () => {
  let server: Server;
  beforeAll(async () => {
    server = await testServer();
  });
  afterAll(() => server.stop());
  const JSON_TYPE = { 'content-type': 'application/json' };
  it.each<[string, string, RequestInit]>([
    ['an address that is none', '/api/panels/%E0%A4%A', {}],
    ['half of an object', '/api/commands', { method: 'POST', headers: JSON_TYPE, body: '{' }],
    ['nothing', '/api/commands', { method: 'POST', headers: JSON_TYPE, body: 'null' }],
    ['a list', '/api/put-back', { method: 'POST', headers: JSON_TYPE, body: '[]' }],
    [
      'letters of a tongue nobody speaks',
      '/api/commands',
      { method: 'POST', headers: { 'content-type': 'application/json; charset=klingon' }, body: '{}' },
    ],
    [
      'what says it is packed and is not',
      '/api/commands',
      { method: 'POST', headers: { ...JSON_TYPE, 'content-encoding': 'gzip' }, body: 'xx' },
    ],
    ['a passcode that is none', '/api/enter', { method: 'POST', headers: JSON_TYPE, body: 'null' }],
    ['two periods at once', '/api/reckoning?from=1&from=2&to[]=3', {}],
  ])('%s is answered with one plain sentence, and not as a fault of ours', async (_, path, init) => {
    const response = await fetch(`${server.base}${path}`, init);
    expect(response.status).toBe(400);
    const { error, words } = (await response.json()) as { error: string; words: string };
    expect(error).toBe('bad-input');
    expect(words).toMatch(/^[A-Z].*\.$/);
    expect(server.reported).toEqual([]);
  });
});

/** What nobody means: put in the place of anything a command says. */
const JUNK: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  0.5,
  1e300,
  '',
  ' ',
  'constructor',
  '__proto__',
  'x'.repeat(5000),
  '\u0000',
  '2027-99-99',
  'en-a',
  [],
  [null],
  [7, 7],
  {},
  { id: 'p' },
];

/** Every place of a value that something can be put into. */
function places(value: unknown, path: readonly string[] = []): string[][] {
  if (typeof value !== 'object' || value === null) return [[...path]];
  return [[...path], ...Object.entries(value).flatMap(([key, part]) => places(part, [...path, key]))];
}
function withJunk(value: unknown, [key, ...rest]: readonly string[], junk: unknown): unknown {
  if (key === undefined) return junk;
  const copy = structuredClone(value) as Record<string, unknown>;
  copy[key] = withJunk(copy[key], rest, junk);
  return copy;
}

it.each([1, 2, 3])(
  'commands of all kinds with anything in any place (seed %d): no fault, nothing half done',
  async (seed) => {
    const s = smallStudio();
    const work = randomWork(s, 'foil', seed);
    const server = await serverOf(s);
    const random = seededRandom(seed * 77);
    const answers = new Map<number, number>();
    try {
      for (let i = 0; i < 250; i++) {
        const { kind, ask }: Command = i % 10 < 8 ? work.command() : work.onwards();
        if (kind === 'accept-drawing' || kind === 'put-back') continue;
        const all = places(ask);
        const at = all[Math.floor(random() * all.length)] ?? [];
        const spoiled = i % 5 === 0 ? ask : withJunk(ask, at, JUNK[Math.floor(random() * JUNK.length)]);
        const before = server.desk.seq;
        const { status, body } = await server.send('/commands', command(kind, spoiled));
        answers.set(status, (answers.get(status) ?? 0) + 1);
        expect([200, 400, 409], `${kind} ${JSON.stringify(spoiled).slice(0, 300)} → ${JSON.stringify(body)}`).toContain(
          status,
        );
        expect(server.desk.seq - before).toBe(status === 200 ? 1 : 0);
      }
      expect(server.reported).toEqual([]);
      // A door that lets nothing in, or everything, would pass otherwise.
      for (const status of [200, 400]) expect(answers.get(status) ?? 0, String(status)).toBeGreaterThan(5);
      expect(checkStudio(server.store).filter((wrong) => !/drawing/.test(wrong))).toEqual([]);
      // Every place can still be shown.
      for (const path of [
        '/studio',
        '/today',
        '/jobs',
        '/panels/p',
        '/panels/p/history',
        '/rack',
        '/undo?place=rack&bench=b',
      ])
        expect((await server.send(path)).status, path).toBe(200);
    } finally {
      await server.stop();
    }
  },
);
