// `npm run mutate` puts small faults into the core, one at a time, and counts which the core's own tests notice;
// `npm run mutate -- stock bench` does it in some rooms only. Prints the share killed, room by room.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { install, ROOT } from './setUp.mjs';

await install();
mkdirSync(join(ROOT, '.cache'), { recursive: true });
const rooms = process.argv.slice(2);
const globs = rooms.map((room) => `core/${room}/**/*.ts,!core/${room}/**/*.test.ts,!core/${room}/**/index.ts`);
spawnSync(
  process.execPath,
  ['node_modules/@stryker-mutator/core/bin/stryker.js', 'run', ...(rooms.length ? ['--mutate', globs.join(',')] : [])],
  { cwd: ROOT, stdio: ['ignore', 1, 2] },
);
const report = join(ROOT, '.cache', 'mutation.json');
if (!existsSync(report)) process.exit(1);
const killed = new Map();
for (const [file, { mutants }] of Object.entries(JSON.parse(readFileSync(report, 'utf8')).files)) {
  const room = file.split('/').slice(0, 2).join('/');
  const sum = killed.get(room) ?? { killed: 0, all: 0 };
  for (const { status } of mutants) {
    if (status === 'Ignored' || status === 'CompileError' || status === 'RuntimeError') continue;
    sum.all++;
    if (status === 'Killed' || status === 'Timeout') sum.killed++;
  }
  killed.set(room, sum);
}
const share = ({ killed: k, all }) => `${((100 * k) / all).toFixed(1)} % of ${all}`;
const total = [...killed.values()].reduce((a, b) => ({ killed: a.killed + b.killed, all: a.all + b.all }));
for (const [room, sum] of [...killed].sort()) process.stdout.write(`${room.padEnd(16)}${share(sum)}\n`);
process.stdout.write(`${'together'.padEnd(16)}${share(total)}\n`);
