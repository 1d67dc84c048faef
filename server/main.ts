import { homedir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeApp } from './app.ts';
import { Desk } from './desk.ts';
import { isLoopback } from './http/access.ts';
import { openStore } from './openStore.ts';
import { isNelvikAt, own } from './owner.ts';

const say = (words: string) => process.stdout.write(`${words}\n`);
const stop = (words: string): never => {
  process.stderr.write(`${words}\n`);
  process.exit(1);
};

const port = Number(process.env.PORT ?? 4180);
const host = process.env.HOST ?? '127.0.0.1';
const folder = process.env.NELVIK_DATA ?? join(homedir(), 'nelvik');
// An empty passcode is none; one that can be tried out in an afternoon is none either.
const LEAST_PASSCODE = 6;
const passcode = process.env.NELVIK_PASSCODE?.trim() || null;
if (!Number.isInteger(port) || port < 0 || port > 65_535)
  stop(`PORT must be a number from 1 to 65535, not “${process.env.PORT}”.`);
if (passcode !== null && passcode.length < LEAST_PASSCODE)
  stop(`NELVIK_PASSCODE must have at least ${LEAST_PASSCODE} characters.`);
if (!isLoopback(host) && passcode === null)
  stop('To open Nelvik to other devices set a studio passcode too: NELVIK_PASSCODE=… HOST=0.0.0.0 npm start');

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

const owned = own(folder);
const owner = 'problem' in owned ? stop(owned.problem) : owned;
const opened = openStore(folder, here('./migrations'));
const desk = new Desk('problem' in opened ? stop(opened.problem) : opened.store);
const { app, close } = makeApp({
  desk,
  clock: Date.now,
  drawingWorker: new URL('./drawingWorker.mjs', import.meta.url),
  web: here('../web'),
  passcode,
  report: (error) =>
    process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`),
});
const server = app.listen(port, host, (error?: NodeJS.ErrnoException) => {
  if (error) {
    if (error.code === 'EADDRINUSE') return void portTaken();
    if (error.code === 'EACCES')
      stop(`Port ${port} may not be opened here; choose one above 1024: PORT=4180 npm start`);
    throw error;
  }
  const address = server.address();
  const actual = typeof address === 'object' && address ? address.port : port;
  const url = `http://${host === '0.0.0.0' ? 'localhost' : host}:${actual}`;
  owner.tellAddress(url);
  say(`Nelvik is at ${url}  (data in ${folder})`);
});

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
setInterval(() => desk.store.fold(), FOLD_MS).unref();

// A terminal that is closed (SIGHUP) ends it as properly as a key does.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
  process.on(signal, () => {
    close();
    server.close(() => {
      desk.store.close();
      owner.release();
      process.exit(0);
    });
    server.closeAllConnections();
  });
}
