import { readFileSync } from 'node:fs';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  ERROR_STATUS,
  type ErrorAnswer,
  type HistoryAnswer,
  type PanelAnswer,
  type RackAnswer,
  type StudioAnswer,
  type UndoAnswer,
} from '#contract';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { checkStudio } from './checkStudio.ts';
import { command, testServer } from './testServer.ts';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeEach(async () => {
  server = await testServer();
});
afterEach(() => server.stop());

const SVG =
  '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100"><g fill="none" stroke="#000"><rect width="100" height="100"/><path d="M50 0V100M0 50H100"/></g></svg>';

async function panelWithGlass(s: Server) {
  const ok = async (kind: string, ask: unknown) =>
    expect((await s.send('/commands', command(kind, ask))).status).toBe(200);
  await ok('save-person', { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 3000, active: true });
  await ok('save-commission', { id: 'c', title: 'Light', client: '', due: null, note: '' });
  await ok('save-panel', {
    id: 'p',
    commissionId: 'c',
    name: 'Light',
    technique: 'foil',
    widthMm: 100,
    heightMm: 100,
    allowance: DEFAULT_ALLOWANCE.foil,
  });
  await ok('save-glass', {
    id: 'g',
    code: 'G-1',
    name: 'green',
    colour: '#338855',
    texture: 'smooth',
    thicknessMm: 3,
    hiding: 'clear',
    flow: false,
    priceCentsPerM2: 9000,
  });
  await ok('receive', {
    label: 'S1',
    glassId: 'g',
    kind: 'sheet',
    widthMm: 300,
    heightMm: 200,
    place: 'slot',
    costCents: 500,
  });
  const { commandId, basis, personId, bench } = command('', null);
  const taken = await s.send('/panels/p/cartoon', {
    commandId,
    basis,
    personId,
    bench,
    source: SVG,
    sourceName: 'light.svg',
  });
  expect(taken.status).toBe(200);
  await ok('choose-glass', { panelId: 'p', numbers: [1, 2, 3, 4], glassId: 'g' });
}
const cut = (numbers: number[], more?: Record<string, unknown>) =>
  command('cut', { panelId: 'p', sources: [{ stockId: 'S1', numbers, left: { kind: 'stays' } }] }, more);
const rack = async () => (await server.send('/rack')).body as RackAnswer;
const seq = async () => ((await server.send('/studio')).body as StudioAnswer).seq;

describe('from drawing to cut pieces', () => {
  it('takes a drawing in, cuts, and answers with what stands', async () => {
    await panelWithGlass(server);
    expect((await server.send('/commands', cut([1, 2]))).status).toBe(200);
    const panel = (await server.send('/panels/p')).body as PanelAnswer;
    expect(panel.pieces.map((p) => p.stage)).toEqual(['cut', 'cut', 'to-cut', 'to-cut']);
    // Two inner edges move in by half the 0.8 mm gap: 49.6² each.
    expect(panel.pieces[0]?.areaMm2).toBe(Math.round(49.6 * 49.6));
    const { lines } = (await server.send('/panels/p/history')).body as HistoryAnswer;
    expect(lines[0]?.words).toBe('1, 2 cut from S1');
    expect((await rack()).stock[0]?.areaMm2).toBe(60_000 - 2 * Math.round(49.6 * 49.6));
    const cartoon = await server.send(`/drawings/${panel.panel.cartoonId}`);
    expect(cartoon.headers.get('cache-control')).toContain('immutable');
  });
  it('gives the drawing back as a download, never as a page', async () => {
    await panelWithGlass(server);
    const { panel } = (await server.send('/panels/p')).body as PanelAnswer;
    const response = await fetch(`${server.base}/api/drawings/${panel.cartoonId}/source`);
    expect(response.headers.get('content-type')).toContain('application/octet-stream');
    expect(response.headers.get('content-disposition')).toContain('attachment');
    expect(await response.text()).toBe(SVG);
  });
});

describe('commands', () => {
  it('sent twice count once', async () => {
    await panelWithGlass(server);
    const twice = cut([1]);
    const first = (await server.send('/commands', twice)).body as { seq: number; again: boolean };
    const second = (await server.send('/commands', twice)).body as { seq: number; again: boolean };
    expect([first.again, second.again, first.seq === second.seq]).toEqual([false, true, true]);
    expect((await rack()).stock[0]?.areaMm2).toBe(60_000 - 2460);
  });
  it('of a screen that has seen more than the log holds are refused: an older copy was put back', async () => {
    await panelWithGlass(server);
    const ahead = await server.send('/commands', { ...cut([1]), basis: (await seq()) + 1 });
    expect(ahead).toMatchObject({ status: 409, body: { refusal: { code: 'ahead' } } });
    expect((await server.send('/commands', { ...cut([1]), basis: await seq() })).status).toBe(200);
  });
  it('made on stale state are refused with what happened meanwhile', async () => {
    await panelWithGlass(server);
    await server.send('/commands', cut([1, 2]));
    const basis = await seq();
    await server.send(
      '/commands',
      command('advance', { panelId: 'p', numbers: [1], to: 'ground' }, { personId: 'ada', bench: 'bench-b', basis }),
    );
    const late = await server.send(
      '/commands',
      command('advance', { panelId: 'p', numbers: [1, 2], to: 'foiled' }, { basis }),
    );
    expect(late.status).toBe(409);
    expect((late.body as ErrorAnswer).words).toMatch(
      /^Piece 1 has changed on another screen since; nothing was done\. Meanwhile: .*1 ground \(Ada\)\./,
    );
    expect(((await server.send('/panels/p')).body as PanelAnswer).pieces.map((p) => p.stage)).toEqual([
      'ground',
      'cut',
      'to-cut',
      'to-cut',
    ]);
  });
  describe('undo and redo', () => {
    const stage = async () => ((await server.send('/panels/p')).body as PanelAnswer).pieces[0]?.stage;
    const put = (more: object) => {
      const { commandId, personId, bench } = command('', null);
      return server.send('/put-back', { commandId, personId, bench, ...more });
    };
    const P = { panelId: 'p' };
    const asked = async (query: string) => (await server.send(`/undo?bench=bench-a&${query}`)).body as UndoAnswer;

    it('belong to whoever did it, on whatever screen, and say what goes', async () => {
      await panelWithGlass(server);
      await server.send('/commands', cut([1]));
      expect(await asked('place=panel&panel=p')).toMatchObject({ undo: '1 cut from S1', redo: null });
      expect(await asked('place=panel&panel=p&person=ada')).toMatchObject({ undo: null });
      expect((await put({ direction: 'undo', place: P, personId: 'ada' })).status).toBe(409);
      expect((await put({ direction: 'undo', place: P, bench: 'bench-z' })).status).toBe(409);
      expect(await put({ direction: 'undo', place: P })).toMatchObject({ body: { of: '1 cut from S1' } });
      expect(await stage()).toBe('to-cut');
      expect(await asked('place=panel&panel=p')).toMatchObject({ redo: '1 cut from S1' });
      expect((await put({ direction: 'redo', place: P })).status).toBe(200);
      expect(await stage()).toBe('cut');
      const { lines } = (await server.send('/panels/p/history')).body as HistoryAnswer;
      expect(lines.slice(0, 2).map((l) => l.words)).toEqual(['done again: 1 cut from S1', 'taken back: 1 cut from S1']);
    });
    it('of pictures: a JPEG is kept once by its content, all else is refused in a sentence', async () => {
      const jpeg = Buffer.concat([Buffer.from('ffd8ffe0', 'hex'), Buffer.alloc(400, 7), Buffer.from('ffd9', 'hex')]);
      const post = (body: Buffer, type = 'image/jpeg') =>
        fetch(`${server.base}/api/pictures`, {
          method: 'POST',
          headers: { 'content-type': type },
          body: new Uint8Array(body),
        });
      const kept = (await (await post(jpeg)).json()) as { hash: string };
      expect(await (await post(jpeg)).json()).toEqual(kept);
      const back = await fetch(`${server.base}/api/pictures/${kept.hash}`);
      expect(back.headers.get('content-type')).toBe('image/jpeg');
      expect(Buffer.from(await back.arrayBuffer()).equals(jpeg)).toBe(true);
      for (const [body, type] of [
        [Buffer.from('<svg onload="alert(1)"/>'.repeat(20)), 'image/jpeg'],
        [jpeg.subarray(0, 200), 'image/jpeg'],
        [jpeg, 'image/png'],
        [Buffer.alloc(0), 'image/jpeg'],
      ] as const) {
        const answer = await post(body, type);
        expect(answer.status).toBe(400);
        expect(((await answer.json()) as { words: string }).words).toMatch(/^This is no picture .*\.$/);
      }
      expect((await post(Buffer.alloc(5_000_000, 7))).status).toBe(413);
      expect((await fetch(`${server.base}/api/pictures/${'0'.repeat(64)}`)).status).toBe(404);
      // A drawing's file is no picture, whoever knows its name.
      const [drawing] = server.desk.store.drawings.fileHashes().filter((hash) => hash !== kept.hash);
      if (drawing !== undefined) expect((await fetch(`${server.base}/api/pictures/${drawing}`)).status).toBe(404);
    });
    it('keep to their place: the rack has its own, and another panel too', async () => {
      await panelWithGlass(server);
      await server.send('/commands', command('move-stock', { stockId: 'S1', place: 'window' }));
      await server.send('/commands', cut([1]));
      expect(await asked('place=rack')).toMatchObject({ undo: expect.stringMatching(/S1.*window/) as string });
      expect((await put({ direction: 'undo', place: { panelId: 'other' } })).status).toBe(409);
      expect((await put({ direction: 'undo', place: 'rack' })).status).toBe(200);
      expect(server.desk.state.get('stock', 'S1')).toMatchObject({ place: 'slot' });
      expect(await stage()).toBe('cut');
    });
    it('name a drawing that came in, and take it back only when told so', async () => {
      await panelWithGlass(server);
      const drawn = server.desk.store.book.ofPanel('p').find((e) => e.happening.kind === 'accept-drawing');
      // Choosing the glass first; then the drawing itself is next.
      expect((await put({ direction: 'undo', place: P })).status).toBe(200);
      const named = await put({ direction: 'undo', place: P });
      expect(named).toMatchObject({ status: 409, body: { refusal: { code: 'asks-first', seq: drawn?.seq } } });
      expect(((await server.send('/panels/p')).body as PanelAnswer).pieces).toHaveLength(4);
      expect((await put({ entry: drawn?.seq })).status).toBe(200);
      expect(((await server.send('/panels/p')).body as PanelAnswer).pieces).toHaveLength(0);
    });
    it('an old entry can be taken back where nothing rests on it: a cut by mistake gives its glass back', async () => {
      await panelWithGlass(server);
      const before = server.desk.state.get('stock', 'S1')?.areaMm2 ?? 0;
      await server.send('/commands', cut([1]));
      const mistake = server.desk.seq;
      await server.send('/commands', cut([2]));
      await server.send('/commands', command('advance', { panelId: 'p', numbers: [2], to: 'ground' }));
      expect((await put({ entry: mistake })).status).toBe(200);
      const { pieces } = (await server.send('/panels/p')).body as PanelAnswer;
      expect(pieces[0]).toMatchObject({ stage: 'to-cut', recuts: 0, from: null });
      expect(pieces[1]).toMatchObject({ stage: 'ground' });
      expect(server.desk.state.get('stock', 'S1')?.areaMm2).toBe(before - (pieces[1]?.areaMm2 ?? 0));
      expect(await put({ entry: mistake })).toMatchObject({ status: 409, body: { refusal: { code: 'taken-back' } } });
      // Piece 2 has been ground since: its cut has something resting on it.
      expect(await put({ entry: mistake + 1 })).toMatchObject({
        status: 409,
        body: { refusal: { code: 'changed-since', numbers: [2] } },
      });
      expect(checkStudio(server.desk.store)).toEqual([]);
    });
    it('an entry that never was, or that undo passes over, is refused in a sentence', async () => {
      await panelWithGlass(server);
      expect(await put({ entry: 99_999 })).toMatchObject({ status: 409, body: { error: 'refused' } });
      expect((await put({ entry: 1 })).status).toBe(409);
      expect((await put({ direction: 'undo', place: 'kitchen' })).status).toBe(400);
      expect((await put({ direction: 'sideways', place: P })).status).toBe(400);
      expect((await server.send('/undo?place=panel')).status).toBe(400);
    });
  });
  it.each([
    [
      'a negative thickness',
      command('save-glass', {
        id: 'g',
        code: 'G',
        name: 'x',
        colour: '#112233',
        texture: 'smooth',
        thicknessMm: -1,
        hiding: 'clear',
        flow: false,
        priceCentsPerM2: 0,
      }),
      /thickness must be more than 0/,
    ],
    [
      'a width of 0',
      command('receive', { label: 'S', glassId: 'g', kind: 'sheet', widthMm: 0, heightMm: 5, place: '', costCents: 0 }),
      /width must be more than 0/,
    ],
    [
      'text for a number',
      command('receive', {
        label: 'S',
        glassId: 'g',
        kind: 'sheet',
        widthMm: 'wide',
        heightMm: 5,
        place: '',
        costCents: 0,
      }),
      /width must be a number/,
    ],
    ['a kind that is none', command('burn', {}), /not understood|nothing was changed/],
    ['no JSON', '{"a":', /not understood/],
    [
      'an empty name',
      command('save-commission', { id: 'c', title: ' ', client: '', due: null, note: '' }),
      /name must not be empty/,
    ],
  ])('%s gets one plain sentence', async (_, body, words) => {
    const { status, body: answer } = await server.send('/commands', body);
    expect(status).toBe(400);
    expect((answer as ErrorAnswer).words).toMatch(words);
    expect(await seq()).toBe(0);
  });
  it.each([
    ['no drawing', 'hello', /not an SVG/],
    ['nothing closed', SVG.replace(/<rect[^>]*>|M0 50H100/g, ''), /closes a region/],
  ])('a file with %s is refused and nothing is kept', async (_, source, words) => {
    await panelWithGlass(server);
    const before = await seq();
    const { status, body } = await server.send('/panels/p/cartoon', {
      ...command('', null),
      command: undefined,
      source,
      sourceName: 'x.svg',
    });
    expect(status).toBe(422);
    expect((body as ErrorAnswer).words).toMatch(words);
    expect(await seq()).toBe(before);
  });
  it('40 MB are turned away', async () => {
    await panelWithGlass(server);
    const { status, body } = await server.send('/panels/p/cartoon', {
      ...command('', null),
      command: undefined,
      source: 'x'.repeat(40_000_000),
      sourceName: 'x.svg',
    });
    expect([status, (body as ErrorAnswer).error]).toEqual([413, 'too-large']);
  });
});

describe('the data', () => {
  it('rows equal a replay of the log, after a restart too', async () => {
    await panelWithGlass(server);
    await server.send('/commands', cut([1, 2, 3]));
    await server.send(
      '/commands',
      command('break', {
        panelId: 'p',
        numbers: [2],
        reason: 'lost',
        minutes: 3,
        recut: { stockId: 'S1', left: { kind: 'waste' } },
      }),
    );
    const { folder } = server;
    await server.stop(true);
    server = await testServer({ folder });
    expect(checkStudio(server.store)).toEqual([]);
    expect(server.desk.state.get('stock', 'S1')).toMatchObject({ areaMm2: 0, gone: 'used up' });
    // What is gone keeps its label, for the ledger speaks of it.
    expect((await server.send('/labels?first=S0&many=2')).body).toEqual({
      first: 'S0',
      isTaken: false,
      next: ['S2', 'S3'],
    });
    expect((await server.send('/labels?first=s1&many=0')).body).toEqual({ first: 's1', isTaken: true, next: [] });
    for (const asked of ['', '?first=%20&many=1', '?first=S1&many=-1', '?first=S1&many=41', '?first=S1&many=x'])
      expect((await server.send(`/labels${asked}`)).status, asked).toBe(400);
  });
  it('a full disk: a plain sentence, nothing changed, and work goes on when there is room', async () => {
    await panelWithGlass(server);
    const { store } = server;
    const record = store.record.bind(store);
    // The page limit of SQLite makes the same error as a full disk (SQLITE_FULL).
    const sqlite = (await import('better-sqlite3')).default;
    store.record = () => {
      throw new sqlite.SqliteError('database or disk is full', 'SQLITE_FULL');
    };
    const before = await seq();
    const full = await server.send('/commands', cut([1]));
    expect([full.status, (full.body as ErrorAnswer).words.includes('disk is full')]).toEqual([507, true]);
    expect(await seq()).toBe(before);
    store.record = record;
    expect((await server.send('/commands', cut([1]))).status).toBe(200);
  });
  it('the export holds every row and the whole log', async () => {
    await panelWithGlass(server);
    const all = (await server.send('/export')).body as { log: unknown[]; pieces: unknown[]; moves: unknown[] };
    expect([all.log.length, all.pieces.length, all.moves.length]).toEqual([await seq(), 4, 1]);
  });
});

describe('access', () => {
  it('turns away other origins and other host names', async () => {
    expect((await server.send('/commands', cut([1]), { origin: 'http://elsewhere.test' })).status).toBe(403);
    const { request } = await import('node:http');
    const port = Number(new URL(server.base).port);
    const status = await new Promise((done) =>
      request({ port, host: '127.0.0.1', path: '/api/studio', headers: { host: 'evil.test' } }, (res) =>
        done(res.statusCode),
      ).end(),
    );
    expect(status).toBe(403);
  });
  it('sends a strict content policy', async () => {
    expect((await server.send('/studio')).headers.get('content-security-policy')).toContain("script-src 'self'");
  });
  it('an open studio asks for the passcode, and a cookie keeps it', async () => {
    const open = await testServer({ passcode: 'salt' });
    try {
      expect((await open.send('/studio')).status).toBe(401);
      expect((await open.send('/enter', { passcode: 'pepper' })).status).toBe(401);
      const entered = await open.send('/enter', { passcode: 'salt' });
      const cookie = entered.headers.get('set-cookie') ?? '';
      expect(cookie).toMatch(/HttpOnly.*SameSite=Strict/);
      expect((await open.send('/studio', undefined, { cookie: cookie.split(';')[0] as string })).status).toBe(200);
    } finally {
      await open.stop();
    }
  });
});

it('another screen hears of a change within a second', async () => {
  const controller = new AbortController();
  const response = await fetch(`${server.base}/api/live`, { signal: controller.signal });
  const reader = (response.body as ReadableStream<Uint8Array>).getReader();
  await reader.read();
  const start = performance.now();
  const heard = reader.read();
  await server.send(
    '/commands',
    command('save-person', { id: 'mo', name: 'Mo', initial: 'M', rateCentsPerHour: 1, active: true }),
  );
  const text = new TextDecoder().decode((await heard).value);
  expect(performance.now() - start).toBeLessThan(1000);
  expect(text).toContain('"seq":1');
  controller.abort();
});

it('the table of error codes is the one that the sources use', () => {
  const used = new Set<string>();
  for (const file of ['http/api.ts', 'http/queries.ts', 'http/access.ts', 'http/errors.ts']) {
    for (const [, code] of readFileSync(new URL(file, import.meta.url), 'utf8').matchAll(
      /sendError\(\s*res,\s*'([a-z-]+)'/g,
    ))
      used.add(code as string);
  }
  expect([...used].sort()).toEqual(Object.keys(ERROR_STATUS).sort());
});
