import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
import { checkStudio } from './checkStudio.ts';
import { Store } from './store/store.ts';
import { command } from './testServer.ts';

const MAIN = fileURLToPath(new URL('../.cache/test-server/main.mjs', import.meta.url));
const MIGRATIONS = fileURLToPath(new URL('./store/migrations', import.meta.url));

function start(folder: string): Promise<{ child: ChildProcess; base: string }> {
  const child = spawn(process.execPath, [MAIN], {
    env: { ...process.env, NELVIK_DATA: folder, PORT: '0', HOST: '127.0.0.1' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.stdout?.on('data', (text: Buffer) => {
      const address = /http:\/\/[\d.]+:\d+/.exec(text.toString());
      if (address) resolve({ child, base: address[0] });
    });
    child.once('exit', () => reject(new Error('the server stopped before it was up')));
  });
}

it('killed in a burst of commands, three times over: every acknowledged one is there, and the log equals the rows', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'nelvik-crash-'));
  const acknowledged: string[] = [];
  const post = async (base: string, body: ReturnType<typeof command>) => {
    const response = await fetch(`${base}/api/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (response.ok) acknowledged.push(body.commandId);
  };
  try {
    for (let round = 0; round < 3; round++) {
      const { child, base } = await start(folder);
      if (round === 0)
        await post(
          base,
          command('save-glass', {
            id: 'g',
            code: 'G',
            name: 'g',
            colour: '#112233',
            texture: 'smooth',
            thicknessMm: 3,
            hiding: 'clear',
            flow: false,
            priceCentsPerM2: 0,
          }),
        );
      const burst = Array.from({ length: 400 }, (_, i) =>
        post(
          base,
          command('receive', {
            label: `R${round}-${i}`,
            glassId: 'g',
            kind: 'offcut',
            widthMm: 100,
            heightMm: 50,
            place: '',
            costCents: 0,
          }),
        ).catch(() => undefined),
      );
      const enough = acknowledged.length + 60;
      while (acknowledged.length < enough) await new Promise((done) => setTimeout(done, 2));
      const dead = new Promise((done) => child.once('exit', done));
      child.kill('SIGKILL');
      await dead;
      await Promise.all(burst);
    }
    const store = new Store(folder, MIGRATIONS);
    const lost = acknowledged.filter((id) => store.book.seqOf(id) === null);
    const wrong = checkStudio(store);
    store.close();
    expect(acknowledged.length).toBeGreaterThanOrEqual(180);
    expect(lost).toEqual([]);
    expect(wrong).toEqual([]);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}, 90_000);

it.each([
  [
    'a port that Nelvik has already, on other data',
    async (folder: string) => {
      const { child, base } = await start(folder);
      const said = await outcome({
        NELVIK_DATA: mkdtempSync(join(tmpdir(), 'nelvik-port-')),
        PORT: new URL(base).port,
      });
      child.kill();
      return said;
    },
    /Another Nelvik, on other data, is at http:\/\/127\.0\.0\.1:\d+ already; open that one, or choose another port/,
  ],
  [
    'a port that something else has',
    async (folder: string) => {
      const other = createServer((_req, res) => res.end('hello')).listen(0, '127.0.0.1');
      await new Promise((up) => other.once('listening', up));
      const { port } = other.address() as AddressInfo;
      const said = await outcome({ NELVIK_DATA: folder, PORT: String(port) });
      other.closeAllConnections();
      other.close();
      return said;
    },
    /Port \d+ is in use; stop what runs there or choose another/,
  ],
  [
    'data that a Nelvik runs on already',
    async (folder: string) => {
      const { child } = await start(folder);
      const said = await outcome({ NELVIK_DATA: folder });
      child.kill();
      await new Promise((gone) => child.once('exit', gone));
      return said;
    },
    /Nelvik already runs on this data, at http:\/\/127\.0\.0\.1:\d+; open that one, or stop it first/,
  ],
  [
    'a folder that cannot be written',
    () => outcome({ NELVIK_DATA: join(MAIN, 'below-a-file') }),
    /cannot write to .*set NELVIK_DATA/,
  ],
  [
    'a folder of a system that is read only',
    () => outcome({ NELVIK_DATA: '/proc/self/nelvik' }),
    /cannot write to .*set NELVIK_DATA/,
  ],
  [
    'a first start on a full disk',
    (folder: string) => outcome({ NELVIK_DATA: folder }, 60),
    /The disk that holds .* is full; make room and start again/,
  ],
  ['a name for a proxy without a passcode', () => outcome({ NELVIK_NAMES: 'glass.example' }), /set a studio passcode/],
  [
    'an address that is not of this computer',
    () => outcome({ HOST: '203.0.113.7', NELVIK_PASSCODE: 'lantern7' }),
    /is no address of this computer/,
  ],
  ['an open address without a passcode', () => outcome({ HOST: '0.0.0.0' }), /set a studio passcode/],
  [
    'an empty passcode, which is none',
    () => outcome({ HOST: '0.0.0.0', NELVIK_PASSCODE: '  ' }),
    /set a studio passcode/,
  ],
  ['a passcode too short', () => outcome({ NELVIK_PASSCODE: '12345' }), /must have at least 6 characters/],
  ['a port that is no number', () => outcome({ PORT: 'many' }), /PORT must be a number/],
])('%s is told in one line', async (_, run, words) => {
  const folder = mkdtempSync(join(tmpdir(), 'nelvik-start-'));
  const { code, text } = await run(folder);
  rmSync(folder, { recursive: true, force: true });
  expect(code).toBe(1);
  expect(text.trim().split('\n')).toHaveLength(1);
  expect(text).toMatch(words);
});

it('the owner of a folder is gone with its process, however that ended; nothing is left in the way', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'nelvik-owner-'));
  try {
    for (const end of ['SIGKILL', 'SIGTERM', 'SIGKILL'] as const) {
      const { child } = await start(folder);
      const gone = new Promise((done) => child.once('exit', done));
      child.kill(end);
      await gone;
    }
    const { child, base } = await start(folder);
    expect((await fetch(`${base}/api/studio`)).status).toBe(200);
    child.kill();
    await new Promise((done) => child.once('exit', done));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}, 60_000);

it('the terminal is closed: the one file, copied by itself, holds every acknowledged command', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'nelvik-hangup-'));
  const copy = mkdtempSync(join(tmpdir(), 'nelvik-copy-'));
  try {
    const { child, base } = await start(folder);
    const gone = new Promise((done) => child.once('exit', done));
    const ids: string[] = [];
    for (let i = 0; i < 100; i++) {
      const body = command('save-commission', { id: `c${i}`, title: `Job ${i}`, client: '', due: null, note: '' });
      const { ok } = await fetch(`${base}/api/commands`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      if (ok) ids.push(body.commandId);
    }
    child.kill('SIGHUP');
    expect(await gone).toBe(0);
    copyFileSync(join(folder, 'nelvik.sqlite'), join(copy, 'nelvik.sqlite'));
    const store = new Store(copy, MIGRATIONS);
    expect(ids).toHaveLength(100);
    expect(ids.filter((id) => store.book.seqOf(id) === null)).toEqual([]);
    expect(checkStudio(store)).toEqual([]);
    store.close();
  } finally {
    for (const one of [folder, copy]) rmSync(one, { recursive: true, force: true });
  }
}, 60_000);

/** @param mostKib no file may grow beyond it, as on a disk that is full */
function outcome(env: Record<string, string>, mostKib?: number): Promise<{ code: number | null; text: string }> {
  const command =
    mostKib === undefined
      ? [process.execPath]
      : ['/bin/bash', '-c', `ulimit -f ${mostKib}; exec "$0" "$@"`, process.execPath];
  const [program = '', ...args] = [...command, MAIN];
  const child = spawn(program, args, {
    env: { ...process.env, PORT: '0', NELVIK_DATA: mkdtempSync(join(tmpdir(), 'nelvik-outcome-')), ...env },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let text = '';
  child.stderr.on('data', (part: Buffer) => (text += part.toString()));
  return new Promise((done) => child.once('exit', (code) => done({ code, text })));
}
