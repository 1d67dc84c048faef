// Installs what is missing and builds what is stale. Says nothing when there is nothing to do.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const LOCK = join(ROOT, '.setup-lock');
/** Between making the folder and writing the number into it. */
const LOCK_GRACE_MS = 5000;
const BUILT_FROM = [
  'core',
  'contract',
  'server',
  'web',
  'demo',
  'cli',
  'package.json',
  'vite.config.ts',
  'scripts/setUp.mjs',
  'scripts/buildServer.mjs',
];

const say = (words) => process.stderr.write(`${words}\n`);
const hash = (...parts) => parts.reduce((h, part) => h.update(part), createHash('sha256')).digest('hex');
const read = (path) => (existsSync(path) ? readFileSync(path, 'utf8') : '');

/** Nothing can go on; the message is the one line that the user reads. */
class SetUpFailed extends Error {}

process.on('uncaughtException', (error) => {
  say(error instanceof SetUpFailed ? error.message : (error.stack ?? String(error)));
  process.exit(1);
});

/** A lock outlives its holder only when that one was killed: then it says so by its process number. */
function isAbandoned() {
  const holder = Number(read(join(LOCK, 'pid')));
  if (holder > 0) {
    try {
      process.kill(holder, 0);
      return false;
    } catch {
      return true;
    }
  }
  return existsSync(LOCK) && Date.now() - statSync(LOCK).mtimeMs > LOCK_GRACE_MS;
}

/** Two set-ups at once would tear node_modules apart: the second one waits. */
async function withLock(work) {
  for (;;) {
    try {
      mkdirSync(LOCK);
      writeFileSync(join(LOCK, 'pid'), String(process.pid));
      break;
    } catch {
      if (isAbandoned()) rmSync(LOCK, { recursive: true, force: true });
      else await new Promise((done) => setTimeout(done, 500));
    }
  }
  try {
    return await work();
  } finally {
    rmSync(LOCK, { recursive: true, force: true });
  }
}

export async function install() {
  const stamp = join(ROOT, 'node_modules', '.nelvik-stamp');
  const wanted = hash(
    read(join(ROOT, 'package-lock.json')),
    read(join(ROOT, 'package.json')),
    process.platform,
    process.arch,
    process.versions.modules,
  );
  if (read(stamp) === wanted) return;
  await withLock(async () => {
    if (read(stamp) === wanted) return;
    say('Installing packages (once; a few minutes where the database driver has to be compiled) …');
    const env = {
      ...process.env,
      CFLAGS: process.env.CFLAGS ?? '-O1',
      CXXFLAGS: process.env.CXXFLAGS ?? '-O1',
      JOBS: String(cpus().length),
      NODE_ENV: '',
    };
    for (let tries = 1; ; tries++) {
      const { status } = spawnSync('npm', ['ci', '--include=dev', '--no-audit', '--no-fund', '--prefer-offline'], {
        cwd: ROOT,
        env,
        stdio: ['ignore', 2, 2],
      });
      if (status === 0) break;
      if (tries === 3) {
        throw new SetUpFailed('The packages could not be installed; check the network and start again.');
      }
    }
    writeFileSync(stamp, wanted);
  });
}

function* filesUnder(path) {
  if (!existsSync(path)) return;
  if (!statSync(path).isDirectory()) return void (yield path);
  for (const name of readdirSync(path).sort()) yield* filesUnder(join(path, name));
}

export async function build() {
  const h = createHash('sha256');
  for (const part of BUILT_FROM)
    for (const file of filesUnder(join(ROOT, part))) h.update(relative(ROOT, file)).update(readFileSync(file));
  const wanted = h.digest('hex');
  const stamp = join(ROOT, 'dist', '.stamp');
  if (read(stamp) === wanted) return;
  await withLock(async () => {
    if (read(stamp) === wanted) return;
    say('Building …');
    const [{ buildServer }, { build: vite }] = await Promise.all([import('./buildServer.mjs'), import('vite')]);
    rmSync(join(ROOT, 'dist'), { recursive: true, force: true });
    await buildServer(join(ROOT, 'dist/server'), {
      main: 'server/main.ts',
      check: 'server/check.ts',
      drawingWorker: 'server/jobs/drawingWorker.ts',
      copyWorker: 'server/copies/copyWorker.ts',
      paperWorker: 'server/papers/paperWorker.ts',
      copies: 'server/copiesCommand.ts',
      demo: 'demo/main.ts',
      cli: 'cli/main.ts',
    });
    await vite({ root: join(ROOT, 'web'), configFile: join(ROOT, 'vite.config.ts'), logLevel: 'error' });
    writeFileSync(stamp, wanted);
  });
}
