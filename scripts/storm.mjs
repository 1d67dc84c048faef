// `npm run storm`: 10,000 commands of all kinds from three tablets on a server that is killed 50 times, with its figures.
import { spawnSync } from 'node:child_process';
import { install, ROOT } from './setUp.mjs';

await install();
const { status } = spawnSync(process.execPath, ['node_modules/vitest/vitest.mjs', 'run', 'server/storm.test.ts'], {
  cwd: ROOT,
  stdio: 'inherit',
  env: { ...process.env, NELVIK_STORM: process.env.NELVIK_STORM ?? '10000,50' },
});
process.exit(status ?? 1);
