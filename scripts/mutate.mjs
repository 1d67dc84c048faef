// `npm run mutate` puts small faults into the core, one at a time, and counts which the core's own tests notice;
// `npm run mutate -- stock bench` does it in some rooms only; `--share 0.1` in a tenth of the lines, picked by chance but
// always the same ones, since all of them take hours. Prints the share killed, room by room.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { install, ROOT } from './setUp.mjs';

await install();
mkdirSync(join(ROOT, '.cache'), { recursive: true });
const { values, positionals: named } = parseArgs({ options: { share: { type: 'string' } }, allowPositionals: true });
const share = Number(values.share ?? 1);
const ROOMS = ['bench', 'cartoon', 'cutting', 'geometry', 'labour', 'limits', 'sizing', 'stock', 'units', 'words'];
const rooms = named.length > 0 ? named : ROOMS;
/** Blocks of lines are taken whole, so that what stands on several lines is met too. */
const BLOCK = 12;

const isMutated = (file) => file.endsWith('.ts') && !/\.test\.ts$|(^|\/)index\.ts$/.test(file);
let seed = 7;
const random = () => (seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
const blocksOf = (file) => {
  const lines = readFileSync(join(ROOT, file), 'utf8').split('\n').length;
  const starts = Array.from({ length: Math.ceil(lines / BLOCK) }, (_, i) => i * BLOCK + 1);
  return starts.filter(() => random() < share).map((from) => `${file}:${from}-${Math.min(lines, from + BLOCK - 1)}`);
};
const files = rooms.flatMap((room) =>
  readdirSync(join(ROOT, 'core', room), { recursive: true })
    .map((name) => `core/${room}/${name.replaceAll('\\', '/')}`)
    .filter(isMutated)
    .sort(),
);
const targets = share < 1 ? files.flatMap(blocksOf) : files;
rmSync(join(ROOT, '.cache', 'mutation.json'), { force: true });
spawnSync(
  process.execPath,
  ['node_modules/@stryker-mutator/core/bin/stryker.js', 'run', '--mutate', targets.join(',')],
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
const told = ({ killed: k, all }) => `${((100 * k) / all).toFixed(1)} % of ${all}`;
const total = [...killed.values()].reduce((a, b) => ({ killed: a.killed + b.killed, all: a.all + b.all }));
for (const [room, sum] of [...killed].sort()) process.stdout.write(`${room.padEnd(16)}${told(sum)}\n`);
process.stdout.write(`${'together'.padEnd(16)}${told(total)}\n`);
