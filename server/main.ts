import { createServer } from 'node:http';
import { homedir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { isLoopback } from './http/access.ts';
import { Sessions } from './http/sessions.ts';
import { logFile, noteFault, noteRequests } from './logFile.ts';
import { isNelvikAt, own } from './owner.ts';
import { Served } from './served.ts';
import { isFull, makeFolder } from './store/folder.ts';

const say = (words: string) => process.stdout.write(`${words}\n`);
const stop = (words: string): never => {
  process.stderr.write(`${words}\n`);
  process.exit(1);
};

const port = Number(process.env.PORT ?? 4180);
const host = process.env.HOST ?? '127.0.0.1';
const folder = process.env.NELVIK_DATA ?? join(homedir(), 'nelvik');
/** Names of a proxy that one has, under which the studio is reached. */
const names = (process.env.NELVIK_NAMES ?? '')
  .toLowerCase()
  .split(',')
  .map((name) => name.trim())
  .filter((name) => name !== '');
// An empty passcode is none; one that can be tried out in an afternoon is none either.
const LEAST_PASSCODE = 6;
const passcode = process.env.NELVIK_PASSCODE?.trim() || null;
const isOnNetwork = !isLoopback(host);
if (!Number.isInteger(port) || port < 0 || port > 65_535)
  stop(`PORT must be a number from 1 to 65535, not “${process.env.PORT}”.`);
if (passcode !== null && passcode.length < LEAST_PASSCODE)
  stop(`NELVIK_PASSCODE must have at least ${LEAST_PASSCODE} characters.`);
if ((isOnNetwork || names.length > 0) && passcode === null)
  stop('To open Nelvik to other devices set a studio passcode too: NELVIK_PASSCODE=… HOST=0.0.0.0 npm start');

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

const owned = own(folder);
const owner = 'problem' in owned ? stop(owned.problem) : owned;
const log = logFile(join(folder, 'nelvik.log'));
const report = noteFault(log);
const opened = Served.open({
  folder,
  migrations: here('./migrations'),
  copiesFolder: process.env.NELVIK_COPIES,
  clock: Date.now,
  drawingWorker: new URL('./drawingWorker.mjs', import.meta.url),
  paperWorker: new URL('./paperWorker.mjs', import.meta.url),
  copyWorker: new URL('./copyWorker.mjs', import.meta.url),
  web: here('../web'),
  opening: { passcode, sessions: passcode === null ? null : sessionsIn(folder, passcode), names, isOnNetwork },
  note: noteRequests(log),
  report,
});
const served = 'problem' in opened ? stop(opened.problem) : opened;
/** A connection that a screen keeps open is not cut under its next request. */
const KEPT_OPEN_MS = 65_000;
const server = createServer({ keepAliveTimeout: KEPT_OPEN_MS }, served.handle);
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE') return void portTaken();
  if (error.code === 'EACCES') stop(`Port ${port} may not be opened here; choose one above 1024: PORT=4180 npm start`);
  if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND')
    stop(`HOST=${host} is no address of this computer; use 127.0.0.1, or 0.0.0.0 for the whole network.`);
  throw error;
});
server.listen(port, host, () => {
  const address = server.address();
  const actual = typeof address === 'object' && address ? address.port : port;
  const url = `http://${host === '0.0.0.0' ? 'localhost' : host}:${actual}`;
  owner.tellAddress(url);
  say(`Nelvik is at ${url}  (data in ${folder})`);
});

function sessionsIn(data: string, code: string): Sessions {
  try {
    makeFolder(data);
    return new Sessions(join(data, 'access.sqlite'), code, Date.now);
  } catch (error) {
    return stop(
      isFull(data, error)
        ? `The disk that holds ${data} is full; make room and start again.`
        : `${join(data, 'access.sqlite')} cannot be used; delete it, and devices enter the passcode anew.`,
    );
  }
}

async function portTaken(): Promise<void> {
  const url = `http://127.0.0.1:${port}`;
  const other = `choose another port: PORT=${port + 1} npm start`;
  stop(
    (await isNelvikAt(url))
      ? `Another Nelvik, on other data, is at ${url} already; open that one, or ${other}`
      : `Port ${port} is in use; stop what runs there or ${other}`,
  );
}

/** Whoever copies the one file of a studio finds in it what was done until a moment ago. */
const FOLD_MS = 30_000;
/** Soon after the turn of a day, or after a start. */
const DAILY_MS = 60_000;

const quietly = (work: () => unknown) => () => {
  try {
    Promise.resolve(work()).catch(report);
  } catch (error) {
    report(error);
  }
};
setInterval(
  quietly(() => served.desk.store.fold()),
  FOLD_MS,
).unref();
const daily = quietly(() => served.copies.daily());
setInterval(daily, DAILY_MS).unref();
setTimeout(daily, 1000).unref();

// A terminal that is closed (SIGHUP) ends it as properly as a key does.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
  process.on(signal, () => {
    served.letGo();
    server.close(() => {
      served.close();
      owner.release();
      process.exit(0);
    });
    server.closeAllConnections();
  });
}
