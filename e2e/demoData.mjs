// The demo's data for the browser tests: filling it takes ten seconds, so it is filled once in a run, and copied.
import { spawnSync } from 'node:child_process';
import { cpSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const FOLDER = join(tmpdir(), 'nelvik-e2e-demo-filled');
/** Told to all that a run starts: it is there. */
const FILLED = 'NELVIK_E2E_DEMO_FILLED';

/** Filled anew at the beginning of a run: the demo is of the hour in which it is made. */
export function fillDemoOnce() {
  if (process.env[FILLED]) return;
  process.env[FILLED] = 'yes';
  rmSync(FOLDER, { recursive: true, force: true });
  const env = { ...process.env, NELVIK_DATA: FOLDER };
  spawnSync(process.execPath, ['dist/server/demo.mjs'], { env, stdio: ['ignore', 'ignore', 'inherit'] });
}

export const copyDemoTo = (folder) => cpSync(FOLDER, folder, { recursive: true });
