import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createServer } from 'node:http';
import { Sessions } from './http/sessions.ts';
import { Served } from './served.ts';

export const MIGRATIONS = fileURLToPath(new URL('./store/migrations', import.meta.url));

/** A server on a real SQLite file in a folder of its own, for tests. */
export async function testServer(
  options: { passcode?: string; folder?: string; clock?: () => number; names?: string[]; isOnNetwork?: boolean } = {},
) {
  const folder = options.folder ?? mkdtempSync(join(tmpdir(), 'nelvik-test-'));
  const reported: unknown[] = [];
  const clock = options.clock ?? Date.now;
  const passcode = options.passcode ?? null;
  const sessions = passcode === null ? null : new Sessions(join(folder, 'access.sqlite'), passcode, clock);
  const served = Served.open({
    folder,
    migrations: MIGRATIONS,
    copyWorker: null,
    clock,
    note: (_req, _res, next) => next(),
    drawingWorker: null,
    paperWorker: null,
    web: null,
    opening: { passcode, sessions, names: options.names ?? [], isOnNetwork: options.isOnNetwork ?? false },
    report: (error) => reported.push(error),
  });
  if ('problem' in served) throw new Error(served.problem);
  const server = createServer(served.handle);
  await new Promise<void>((up) => server.listen(0, '127.0.0.1', up));
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
    served,
    get desk() {
      return served.desk;
    },
    get store() {
      return served.desk.store;
    },
    folder,
    base,
    send,
    reported,
    async stop(keep = false) {
      served.letGo();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      served.close();
      sessions?.close();
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
