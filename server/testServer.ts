import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeApp } from './app.ts';
import { Desk } from './desk.ts';
import { Store } from './store/store.ts';

export const MIGRATIONS = fileURLToPath(new URL('./store/migrations', import.meta.url));

/** A server on a real SQLite file in a folder of its own, for tests. */
export async function testServer(options: { passcode?: string; folder?: string } = {}) {
  const folder = options.folder ?? mkdtempSync(join(tmpdir(), 'nelvik-test-'));
  const store = new Store(folder, MIGRATIONS);
  const desk = new Desk(store);
  const reported: unknown[] = [];
  const { app, close } = makeApp({
    desk,
    clock: Date.now,
    drawingWorker: null,
    web: null,
    passcode: options.passcode ?? null,
    report: (error) => reported.push(error),
  });
  const server = await new Promise<ReturnType<typeof app.listen>>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const send = async (path: string, body?: unknown, headers: Record<string, string> = {}) => {
    const init =
      body === undefined
        ? { headers }
        : {
            method: 'POST',
            headers: { 'content-type': 'application/json', ...headers },
            body: typeof body === 'string' ? body : JSON.stringify(body),
          };
    const response = await fetch(`${base}/api${path}`, init);
    return { status: response.status, body: (await response.json()) as never, headers: response.headers };
  };
  return {
    desk,
    store,
    folder,
    base,
    send,
    reported,
    async stop(keep = false) {
      close();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      store.close();
      if (!keep) rmSync(folder, { recursive: true, force: true });
    },
  };
}

let n = 0;
/** A command as a screen sends it. */
export const command = (kind: string, ask: unknown, more: Record<string, unknown> = {}) => ({
  commandId: `test-command-${Date.now()}-${n++}`,
  basis: 0,
  personId: null,
  bench: 'bench-a',
  command: { kind, ask },
  ...more,
});
