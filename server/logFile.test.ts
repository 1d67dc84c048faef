import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { logFile, noteFault, noteRequests } from './logFile.ts';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nelvik-log-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const written = () =>
  readdirSync(folder)
    .map((name) => readFileSync(join(folder, name), 'utf8'))
    .join('');
const settled = () => new Promise((done) => setTimeout(done, 150));

it('tells of what was sent and what went wrong, and of nothing that is in the studio', async () => {
  const log = logFile(join(folder, 'nelvik.log'));
  const app = express();
  app.use(noteRequests(log));
  app.post('/panels/:id', express.json(), (_req, res) => res.status(409).json({ words: 'Mrs Secret says no' }));
  app.get('/panels/:id', (_req, res) => res.json({}));
  const server = createServer(app);
  await new Promise<void>((up) => server.listen(0, '127.0.0.1', up));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/panels/secret-window?for=secret`;
  const body = JSON.stringify({ client: 'Secret' });
  await fetch(url, { method: 'POST', body, headers: { 'content-type': 'application/json', cookie: 'secret=1' } });
  await fetch(url);
  noteFault(log)(Object.assign(new Error('no column "Secret"'), { code: 'SQLITE_ERROR' }));
  await settled();
  server.close();
  const text = written();
  expect(text).toContain('"method":"POST","route":"/panels/:id","status":409');
  expect(text).toContain('"code":"SQLITE_ERROR"');
  expect(text).toContain('logFile.test');
  expect(text).not.toMatch(/secret/i);
  expect(text.trim().split('\n')).toHaveLength(2);
});

it('is bounded: four files of two megabytes at the most, after twenty were written', async () => {
  const log = logFile(join(folder, 'nelvik.log'));
  const line = { method: 'POST', route: 'x'.repeat(1000), status: 500, ms: 1 };
  for (let part = 0; part < 20; part++) {
    for (let i = 0; i < 1000; i++) log.info(line);
    await settled();
  }
  await settled();
  const files = readdirSync(folder).filter((name) => /\.log/.test(name));
  const bytes = files.reduce((sum, name) => sum + statSync(join(folder, name)).size, 0);
  expect(files.length).toBeLessThanOrEqual(6);
  expect(bytes).toBeLessThan(5 * 2.2 * 1024 * 1024);
}, 20_000);
