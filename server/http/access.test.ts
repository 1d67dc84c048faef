import { mkdtempSync } from 'node:fs';
import { request } from 'node:http';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { ErrorAnswer, OpeningAnswer } from '#contract';
import { testServer } from '../testServer.ts';
import { Sessions } from './sessions.ts';
import { pauseAfter } from './tries.ts';

const PASSCODE = 'lantern7';
const DAY_MS = 86_400_000;
type Server = Awaited<ReturnType<typeof testServer>>;

let folder: string;
let server: Server;
let now: number;
const open = (passcode = PASSCODE) =>
  testServer({ folder, passcode, clock: () => now, isOnNetwork: true, names: ['glass.example'] });
beforeEach(async () => {
  now = Date.now();
  folder = mkdtempSync(join(tmpdir(), 'nelvik-access-'));
  server = await open();
});
afterEach(() => server.stop());

const enter = (passcode: unknown, headers?: Record<string, string>) => server.send('/enter', { passcode }, headers);
const cookieOf = (answer: { headers: Headers }) => (answer.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
const comeIn = async () => ({ cookie: cookieOf(await enter(PASSCODE)) });
const statusOf = async (cookie: { cookie: string }) => (await server.send('/studio', undefined, cookie)).status;
const opening = async (cookie: { cookie: string }) =>
  (await server.send('/opening', undefined, cookie)).body as OpeningAnswer;

describe('a session', () => {
  it('outlives a restart of the server', async () => {
    const cookie = await comeIn();
    await server.stop(true);
    server = await open();
    expect(await statusOf(cookie)).toBe(200);
  });
  it('ends with another passcode, and with the cookie of nobody', async () => {
    const cookie = await comeIn();
    await server.stop(true);
    server = await open('candle-88');
    expect(await statusOf(cookie)).toBe(401);
    expect(await statusOf({ cookie: 'nelvik_session=made-up' })).toBe(401);
    expect(await statusOf({ cookie: '' })).toBe(401);
  });
  it('ends after 14 days without use, and after 90 in all', async () => {
    const cookie = await comeIn();
    now += 13.9 * DAY_MS;
    expect(await statusOf(cookie)).toBe(200);
    now += 14.1 * DAY_MS;
    expect(await statusOf(cookie)).toBe(401);
    const daily = await comeIn();
    for (let day = 0; day < 10; day++) {
      now += 9 * DAY_MS - 1;
      expect(await statusOf(daily)).toBe(200);
    }
    now += DAY_MS;
    expect(await statusOf(daily)).toBe(401);
  });
  it('is listed, with its kind of device, and can be ended from another', async () => {
    const here = await comeIn();
    const tablet = { cookie: cookieOf(await enter(PASSCODE, { 'user-agent': 'Something Mobile Touch' })) };
    const { sessions } = await opening(here);
    expect(sessions.map((s) => [s.device, s.isThis]).sort()).toEqual([
      ['desk', true],
      ['hand', false],
    ]);
    const other = sessions.find((s) => !s.isThis);
    const live = await fetch(`${server.base}/api/live`, { headers: tablet });
    const reader = live.body?.getReader();
    await reader?.read();
    await server.send(`/sessions/${other?.id}/end`, {}, here);
    expect(await statusOf(tablet)).toBe(401);
    // Its line to the studio ends too, and nothing more is heard on it.
    expect((await reader?.read())?.done).toBe(true);
    expect(await statusOf(here)).toBe(200);
  });
  it('ends by logging out', async () => {
    const cookie = await comeIn();
    await server.send('/leave', {}, cookie);
    expect(await statusOf(cookie)).toBe(401);
  });
  it('cannot be made from what lies in the file', async () => {
    const cookie = await comeIn();
    const token = cookie.cookie.split('=')[1] ?? '';
    const { default: Database } = await import('better-sqlite3');
    const file = new Database(join(folder, 'access.sqlite'), { readonly: true });
    const all = JSON.stringify([
      file.prepare('select * from sessions').all(),
      file.prepare('select * from facts').all(),
    ]);
    file.close();
    expect(token.length).toBeGreaterThan(20);
    expect(all).not.toContain(token);
    expect(all).not.toContain(PASSCODE);
  });
});

describe('wrong tries', () => {
  it('slow down for longer and longer, across a restart, and are forgotten when the right one comes', async () => {
    const waits: number[] = [];
    for (let i = 0; i < 9; i++) {
      const answer = await enter('wrong-one');
      if (answer.status === 429) {
        const seconds = Number(answer.headers.get('retry-after'));
        waits.push(seconds);
        // The right one is not looked at either meanwhile.
        expect((await enter(PASSCODE)).status).toBe(429);
        expect((answer.body as ErrorAnswer).words).toMatch(/^Too many wrong tries; the next one is taken in \d/);
        await server.stop(true);
        server = await open();
        expect((await enter(PASSCODE)).status).toBe(429);
        now += seconds * 1000;
        expect((await enter('wrong-again')).status).toBe(401);
      }
    }
    expect(waits.length).toBeGreaterThanOrEqual(3);
    expect(waits.every((wait, i) => i === 0 || wait >= 2 * (waits[i - 1] ?? 0))).toBe(true);
    now += 60 * 60_000;
    expect((await enter(PASSCODE)).status).toBe(200);
    expect((await enter('a-slip')).status).toBe(401);
    expect((await enter('a-slip')).status).toBe(401);
  });
  it.each([
    [0, 0],
    [4, 0],
    [5, 10_000],
    [6, 20_000],
    [9, 160_000],
    [40, 3_600_000],
  ])('after %i the pause is %i ms', (wrong, ms) => expect(pauseAfter(wrong)).toBe(ms));
  it('from many addresses slow down together', () => {
    const sessions = new Sessions(':memory:', PASSCODE, () => now);
    for (let i = 0; i < 40; i++) sessions.wrong(`192.0.2.${i}`);
    expect(sessions.waitOf('198.51.100.7')).toBe(0);
    sessions.wrong('192.0.2.99');
    expect(sessions.waitOf('198.51.100.7')).toBe(10_000);
    now += 2 * DAY_MS;
    sessions.wrong('192.0.2.1');
    expect(sessions.waitOf('198.51.100.7')).toBe(0);
    sessions.close();
  });
  it('a clock that was set back locks nobody out for longer than the pause', () => {
    const sessions = new Sessions(':memory:', PASSCODE, () => now);
    for (let i = 0; i < 5; i++) sessions.wrong('192.0.2.1');
    now -= 400 * DAY_MS;
    expect(sessions.waitOf('192.0.2.1')).toBe(10_000);
    sessions.close();
  });
});

describe('names under which it answers', () => {
  const asked = (host: string, server: Server) =>
    new Promise<number>((done, failed) => {
      const { port } = new URL(server.base);
      request({ host: '127.0.0.1', port, path: '/api/enter', method: 'POST', headers: { host } }, (res) => {
        res.resume();
        done(res.statusCode ?? 0);
      })
        .on('error', failed)
        .end();
    });
  it.each([
    ['127.0.0.1:4180', true],
    ['localhost', true],
    [`${hostname()}:4180`, true],
    [`${hostname()}.local`, true],
    ['glass.example', true],
    ['GLASS.example:443', true],
    ['evil.example', false],
    ['glass.example.evil.example', false],
    ['203.0.113.9', false],
  ])('open to the network: %s is answered: %s', async (host, isAnswered) =>
    expect((await asked(host, server)) === 403).toBe(!isAnswered),
  );
  it('on this computer alone nothing but this computer', async () => {
    const alone = await testServer({ names: ['glass.example'], isOnNetwork: true });
    for (const host of [hostname(), 'glass.example', '203.0.113.9']) expect(await asked(host, alone)).toBe(403);
    expect(await asked('127.0.0.1', alone)).toBe(200);
    await alone.stop();
  });
  it('behind a proxy for HTTPS: the cookie is for HTTPS alone, and its pages may write', async () => {
    const proxied = {
      'x-forwarded-proto': 'https',
      'x-forwarded-host': 'glass.example',
      'x-forwarded-for': '192.0.2.44',
      origin: 'https://glass.example',
    };
    const answer = await enter(PASSCODE, proxied);
    expect(answer.status).toBe(200);
    expect(answer.headers.get('set-cookie')).toMatch(/; Secure/);
    const { sessions } = await opening({ cookie: cookieOf(answer) });
    expect(sessions[0]?.address).toBe('192.0.2.44');
    expect((await enter(PASSCODE, { ...proxied, origin: 'https://evil.example' })).status).toBe(403);
  });
});

it('what is said of the opening names addresses to scan, HTTPS first', async () => {
  const { isOpen, addresses } = await opening(await comeIn());
  expect(isOpen).toBe(true);
  expect(addresses[0]).toBe('https://glass.example');
  expect(addresses.slice(1).every((one) => /^http:\/\/\d+\.\d+\.\d+\.\d+:\d+$/.test(one))).toBe(true);
});
