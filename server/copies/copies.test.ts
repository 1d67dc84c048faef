import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gunzipSync } from 'node:zlib';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { CopiesAnswer, ErrorAnswer, LiveMessage } from '#contract';
import { differences, replay } from '#core/bench';
import { checkStudio } from '../checkStudio.ts';
import { Store } from '../store/store.ts';
import { command, MIGRATIONS, testServer } from '../testServer.ts';
import { nameOf, readName } from './names.ts';

type Server = Awaited<ReturnType<typeof testServer>>;
const FIXTURE = fileURLToPath(new URL('../store/fixtures/2026-11-27.sqlite.gz', import.meta.url));
const DAY_MS = 86_400_000;
const NOON = new Date(2026, 10, 28, 12).getTime();

let server: Server;
let now: number;
/** A studio in which everything has happened once, with its drawings. */
beforeEach(async () => {
  now = NOON;
  const folder = mkdtempSync(join(tmpdir(), 'nelvik-copies-'));
  writeFileSync(join(folder, 'nelvik.sqlite'), gunzipSync(readFileSync(FIXTURE)));
  server = await testServer({ folder, clock: () => now });
});
afterEach(() => server.stop());

let n = 0;
const work = async () => {
  const id = `job-${n++}`;
  const { status } = await server.send(
    '/commands',
    command('save-commission', { id, title: id, client: '', due: null, note: '' }),
  );
  expect(status).toBe(200);
  return id;
};
const has = (id: string) => server.desk.state.get('commissions', id) !== undefined;
const answer = async () => (await server.send('/copies')).body as CopiesAnswer;
const saved = async () => {
  const { body } = await server.send('/copies', {});
  const [first] = (body as CopiesAnswer).copies;
  if (!first) throw new Error('no copy was made');
  return first;
};
const putBack = (name: string) => server.send(`/copies/${name}/put-back`, {});
const bring = async (content: Uint8Array | string) => {
  const response = await fetch(`${server.base}/api/copies`, { method: 'PUT', body: content as never });
  return ((await response.json()) as { name: string }).name;
};

describe('save everything now', () => {
  it('makes one file that opens by itself and holds every command answered before, while work goes on', async () => {
    for (let i = 0; i < 20; i++) await work();
    const before = server.desk.seq;
    const saving = saved();
    const ids = await Promise.all(Array.from({ length: 20 }, work));
    const copy = await saving;
    const other = mkdtempSync(join(tmpdir(), 'nelvik-copied-'));
    copyFileSync(join(server.folder, 'copies', copy.name), join(other, 'nelvik.sqlite'));
    const store = new Store(other, MIGRATIONS);
    expect(store.book.lastSeq()).toBe(copy.entries);
    expect(copy.entries).toBeGreaterThanOrEqual(before);
    expect(checkStudio(store)).toEqual([]);
    expect(store.drawings.ids()).toEqual(server.store.drawings.ids());
    store.close();
    rmSync(other, { recursive: true });
    expect(ids.every(has)).toBe(true);
    expect(readdirSync(join(server.folder, 'copies'))).toEqual([copy.name]);
  });
  it('says where copies lie and how long they are kept', async () => {
    await saved();
    expect(await answer()).toMatchObject({ place: join(server.folder, 'copies'), keptDays: 30, problem: null });
  });
  it('can be taken away as it lies', async () => {
    const copy = await saved();
    const taken = await fetch(`${server.base}/api/copies/${copy.name}`);
    expect(taken.headers.get('content-disposition')).toContain(copy.name);
    const lies = readFileSync(join(server.folder, 'copies', copy.name));
    expect(Buffer.from(await taken.arrayBuffer()).equals(lies)).toBe(true);
    expect((await server.send('/copies/..%2fnelvik.sqlite')).status).toBe(404);
    expect((await server.send('/copies/nelvik.sqlite')).status).toBe(404);
  });
});

describe('put one back', () => {
  it('the studio stands as it stood; what was there is kept; screens hear of another database', async () => {
    const early = await work();
    const copy = await saved();
    const late = await work();
    const was = server.desk.seq;
    const heard = await live();
    expect((await putBack(copy.name)).body).toMatchObject({ entries: copy.entries });
    expect([has(early), has(late), server.desk.seq]).toEqual([true, false, copy.entries]);
    expect(checkStudio(server.store)).toEqual([]);
    const again = await live();
    expect(again.databaseId).not.toBe(heard.databaseId);
    expect(again.seq).toBe(copy.entries);
    // What a screen did on what it saw before is refused, not mixed in.
    const ahead = await server.send(
      '/commands',
      command('save-commission', { id: 'x', title: 'x', client: '', due: null, note: '' }, { basis: was }),
    );
    expect(ahead.status).toBe(409);
    const kept = (await answer()).copies.find((c) => c.reason === 'before');
    expect(kept?.entries).toBe(was);
    await putBack(kept?.name ?? '');
    expect([has(early), has(late), server.desk.seq]).toEqual([true, true, was]);
    expect(checkStudio(server.store)).toEqual([]);
  });
  it('an older studio is brought up to date on its way', async () => {
    const old = fileURLToPath(new URL('../store/fixtures/2026-11-b5a0717.sqlite.gz', import.meta.url));
    const name = await bring(gunzipSync(readFileSync(old)));
    expect((await putBack(name)).status).toBe(200);
    expect(checkStudio(server.store)).toEqual([]);
  });
  it.each<[string, (copy: string) => Uint8Array | string, RegExp]>([
    ['an empty file', () => '', /This file is empty; nothing was changed\./],
    ['a picture', () => Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 1, 2, 3), /is no database/],
    ['a database of something else', () => databaseOf('create table birds (name text)'), /none of a studio/],
    ['one of a newer program', (copy) => changed(copy, `update __drizzle_migrations set created_at = 9e12`), /newer/],
    ['one that is cut', (copy) => readFileSync(copy).subarray(0, -8192), /shorter than it was|damaged/],
    ['one with damaged pages', (copy) => harmed(readFileSync(copy)), /damaged/],
    [
      'one whose rows do not follow from its log',
      (copy) => changed(copy, `update commissions set title = 'Another'`),
      /damaged \(.+\); nothing was changed/,
    ],
    ['some other JSON', () => '{"birds": []}', /none of a studio/],
    ['half a JSON', () => '{"nelvik": 3, "log": [{"seq": 1,', /shorter than it was/],
    ['a newer export', () => '{"nelvik": 99, "log": []}', /newer/],
    ['no JSON at all', () => '{nelvik', /none of a studio/],
    ['an export with a strange entry', () => '{"nelvik": 3, "log": [{"seq": -1}]}', /damaged/],
  ])('%s is refused in one sentence, and nothing changes', async (_, make, words) => {
    const copy = await saved();
    const name = await bring(make(join(server.folder, 'copies', copy.name)));
    const id = server.store.id;
    const { status, body } = await putBack(name);
    expect([status, (body as ErrorAnswer).words]).toEqual([400, expect.stringMatching(words)]);
    expect((body as ErrorAnswer).words.trim()).toMatch(/^[^\n]+\.$/);
    expect(server.store.id).toBe(id);
    expect(existsSync(join(server.folder, 'coming'))).toBe(false);
    await work();
  });
  it('is refused where the copy is gone, and while another is put back', async () => {
    const copy = await saved();
    const { served } = server;
    const [first, second] = await Promise.all([served.putBack(copy.name), served.putBack(copy.name)]);
    expect(first).toMatchObject({ entries: copy.entries });
    expect(second).toEqual({ problem: 'Another copy is being put back; wait until that is done.' });
    rmSync(join(server.folder, 'copies', copy.name));
    expect(((await putBack(copy.name)).body as ErrorAnswer).words).toMatch(/no longer in its place/);
  });
});

describe('the readable export', () => {
  it('is read back on another machine: log, rows, drawings with their sources, hours that were removed', async () => {
    const text = await (await fetch(`${server.base}/api/export`)).text();
    const elsewhere = await testServer();
    try {
      const brought = await fetch(`${elsewhere.base}/api/copies`, { method: 'PUT', body: text });
      const { name } = (await brought.json()) as { name: string };
      expect((await elsewhere.send(`/copies/${name}/put-back`, {})).status).toBe(200);
      expect(checkStudio(elsewhere.store)).toEqual([]);
      expect(differences(server.desk.state, replay(elsewhere.store.book.entries()))).toEqual([]);
      expect(elsewhere.desk.seq).toBe(server.desk.seq);
      const { drawings } = elsewhere.store;
      expect(drawings.ids()).toEqual(server.store.drawings.ids());
      for (const id of drawings.ids()) {
        expect(drawings.reading(id)).toEqual(server.store.drawings.reading(id));
        expect(drawings.source(id)?.content.equals(server.store.drawings.source(id)?.content ?? Buffer.of())).toBe(
          true,
        );
      }
      const removed = [...elsewhere.desk.state.all('hours')].filter((h) => h.removed);
      expect(removed.length).toBe([...server.desk.state.all('hours')].filter((h) => h.removed).length);
      expect(removed.length).toBeGreaterThan(0);
      // And once more: what comes out there says the same, but for the names of the two databases.
      const again = await (await fetch(`${elsewhere.base}/api/export`)).text();
      const plain = (one: string) => ({ ...(JSON.parse(one) as object), databaseId: null });
      expect(sorted(plain(again))).toEqual(sorted(plain(text)));
    } finally {
      await elsewhere.stop();
    }
  });
});

/** Lists in the order of their ids: rows that are made anew may lie in another. */
const sorted = (all: object) =>
  Object.fromEntries(
    Object.entries(all).map(([key, list]) => [
      key,
      Array.isArray(list) ? (list as Named[]).sort(byName) : (list as unknown),
    ]),
  );
interface Named {
  readonly id?: string;
  readonly seq?: number;
  readonly hash?: string;
  readonly ofId?: string;
  readonly told?: { readonly id: string };
}
const nameIn = ({ id, seq, hash, ofId, told }: Named): string => `${id ?? told?.id ?? ofId ?? hash}|${seq}`;
const byName = (a: Named, b: Named): number => (nameIn(a) < nameIn(b) ? -1 : 1);

describe('daily copies', () => {
  it('one a day, of what the days before have left; yesterday can be put back', async () => {
    // Everything in the fixture is from before today.
    await server.served.copies.daily();
    const first = await work();
    now += DAY_MS;
    await server.served.copies.daily();
    const second = await work();
    await server.served.copies.daily();
    expect((await answer()).copies.filter((c) => c.reason === 'daily')).toHaveLength(2);
    now += DAY_MS;
    await server.served.copies.daily();
    const third = await work();
    const { yesterday } = await answer();
    expect(yesterday?.asOf).toBe(now - DAY_MS);
    expect((await putBack(yesterday?.name ?? '')).status).toBe(200);
    expect([first, second, third].map(has)).toEqual([true, true, false]);
    // What was left by putting back is of another course of things: it is not taken for yesterday.
    now += DAY_MS;
    const other = await work();
    now += DAY_MS;
    await server.served.copies.daily();
    const next = (await answer()).yesterday;
    expect((await putBack(next?.name ?? '')).status).toBe(200);
    expect([third, other].map(has)).toEqual([false, true]);
  });
  it('on a day without work before it none is made', async () => {
    await work();
    now += DAY_MS;
    await server.served.copies.daily();
    const before = (await answer()).copies.length;
    now += 5 * DAY_MS;
    await server.served.copies.daily();
    expect((await answer()).copies).toHaveLength(before);
  });
  it('are let go after 30 days, but for the last seven; those that were asked for stay', async () => {
    const asked = await saved();
    for (let day = 0; day < 45; day++) {
      now += DAY_MS;
      await server.served.copies.daily();
      await work();
    }
    const { copies } = await answer();
    const daily = copies.filter((c) => c.reason === 'daily');
    expect(daily.every((c) => now - c.at <= 30 * DAY_MS)).toBe(true);
    expect(daily.length).toBeGreaterThanOrEqual(29);
    expect(copies.some((c) => c.name === asked.name)).toBe(true);
    // The clock of the computer jumps ahead by years: not everything goes at once.
    now += 1000 * DAY_MS;
    server.served.copies.prune();
    expect((await answer()).copies.filter((c) => c.reason === 'daily')).toHaveLength(7);
  });
  it('a clock that ran ahead for a while keeps none from being made afterwards', async () => {
    now += 400 * DAY_MS;
    await work();
    now += DAY_MS;
    await server.served.copies.daily();
    now -= 400 * DAY_MS;
    await work();
    now += DAY_MS;
    const before = (await answer()).copies.length;
    await server.served.copies.daily();
    expect((await answer()).copies.length).toBe(before + 1);
  });
  it('one that cannot be made is told where copies are seen', async () => {
    await work();
    now += DAY_MS;
    writeFileSync(join(server.folder, 'copies'), 'a file where the folder should be');
    await expect(server.served.copies.daily()).rejects.toThrow();
    expect((await answer()).problem).toMatch(/could not be made/);
    rmSync(join(server.folder, 'copies'));
    await server.served.copies.daily();
    expect((await answer()).problem).toBeNull();
  });
});

describe('the file beneath a running server', () => {
  it('is gone: nothing is answered as if it were written; put in its place again, work goes on', async () => {
    const file = join(server.folder, 'nelvik.sqlite');
    renameSync(file, `${file}.away`);
    for (const path of ['/today', '/studio', '/rack']) expect((await server.send(path)).status).toBe(503);
    const lost = command('save-commission', { id: 'lost', title: 'Lost', client: '', due: null, note: '' });
    const { status, body } = await server.send('/commands', lost);
    expect([status, (body as ErrorAnswer).words]).toEqual([503, expect.stringMatching(/no longer in its place/)]);
    renameSync(`${file}.away`, file);
    expect((await server.send('/commands', lost)).status).toBe(200);
    expect(has('lost')).toBe(true);
  });
  it('is another one: the same', async () => {
    const file = join(server.folder, 'nelvik.sqlite');
    renameSync(file, `${file}.away`);
    copyFileSync(`${file}.away`, file);
    expect((await server.send('/today')).status).toBe(503);
    rmSync(file);
    renameSync(`${file}.away`, file);
  });
  it('has no room left: the command is refused in a sentence, nothing is half done, and reading goes on', async () => {
    const { sqlite } = server.store;
    const pages = Number(sqlite.pragma('page_count', { simple: true }));
    sqlite.pragma(`max_page_count = ${pages}`);
    const seq = server.desk.seq;
    let refused: { status: number; body: unknown } | null = null;
    let done = 0;
    for (let i = 0; i < 400 && refused === null; i++) {
      const sent = await server.send(
        '/commands',
        command('save-commission', {
          id: `full-${i}`,
          title: 'Full',
          client: '',
          due: null,
          note: 'y'.repeat(1500),
        }),
      );
      if (sent.status === 200) done++;
      else refused = sent;
    }
    expect(refused?.status).toBe(507);
    expect((refused?.body as ErrorAnswer).words).toMatch(/disk is full, so this was not written/);
    expect(server.desk.seq).toBe(seq + done);
    expect((await server.send('/jobs')).status).toBe(200);
    expect(checkStudio(server.store)).toEqual([]);
    sqlite.pragma('max_page_count = 1073741823');
    await work();
  });
});

it('a file that may not be written: refused in a sentence, and reading goes on', async () => {
  const { sqlite } = server.store;
  sqlite.pragma('query_only = 1');
  const refused = await server.send(
    '/commands',
    command('save-commission', { id: 'ro', title: 'ro', client: '', due: null, note: '' }),
  );
  expect([refused.status, (refused.body as ErrorAnswer).words]).toEqual([
    503,
    expect.stringMatching(/may not be written/),
  ]);
  expect((await server.send('/jobs')).status).toBe(200);
  sqlite.pragma('query_only = 0');
  await work();
});

describe('names of copies', () => {
  it('tell when, why and how much, and come back', () => {
    for (const reason of ['daily', 'asked', 'before'] as const)
      expect(readName(nameOf(NOON, reason, 12))).toEqual({
        name: nameOf(NOON, reason, 12),
        at: NOON,
        reason,
        entries: 12,
      });
    expect(nameOf(NOON, 'asked', 7)).toBe('nelvik-2026-11-28-120000-asked-7.sqlite');
    expect(readName(nameOf(NOON, 'brought', null, 'json'))).toMatchObject({ reason: 'brought', entries: null });
  });
  it.each(['nelvik.sqlite', '../nelvik-2026-11-26-120000-asked-7.sqlite', 'nelvik-2026-11-26-120000-asked.sqlite', ''])(
    '%j is none',
    (name) => expect(readName(name)).toBeNull(),
  );
});

async function live(): Promise<LiveMessage> {
  const response = await fetch(`${server.base}/api/live`);
  const reader = response.body?.getReader();
  const { value } = (await reader?.read()) ?? {};
  await reader?.cancel();
  const data = /data: (.*)/.exec(Buffer.from(value ?? []).toString())?.[1] ?? '{}';
  return JSON.parse(data) as LiveMessage;
}

function databaseOf(...statements: string[]): Buffer {
  const file = join(mkdtempSync(join(tmpdir(), 'nelvik-other-')), 'other.sqlite');
  const sqlite = new Database(file);
  for (const statement of statements) sqlite.exec(statement);
  sqlite.close();
  return readFileSync(file);
}

function changed(copy: string, statement: string): Buffer {
  const file = `${copy}.changed`;
  copyFileSync(copy, file);
  const sqlite = new Database(file);
  sqlite.exec(statement);
  sqlite.close();
  const bytes = readFileSync(file);
  rmSync(file);
  return bytes;
}

/** Every fifth page but the first ones is overwritten. */
function harmed(bytes: Buffer): Buffer {
  for (let at = 8 * 4096; at < bytes.length; at += 5 * 4096) bytes.fill(0x5a, at, at + 4096);
  return bytes;
}
