import { rmSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { randomUUID } from 'node:crypto';
import { seededRandom } from '#core/units';
import { COPIES_FOLDER } from '../server/copies/names.ts';
import { Desk } from '../server/desk.ts';
import { own } from '../server/owner.ts';
import { Store } from '../server/store/store.ts';
import { fillDemo } from './fill.ts';

/** Fills an empty folder with the demo studio; `--fresh` empties it first. The present moment is handed in once, here. */
const folder = process.env.NELVIK_DATA ?? join(homedir(), 'nelvik-demo');
const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const owner = own(folder);
if ('problem' in owner) {
  process.stderr.write(`${owner.problem}\n`);
  process.exit(1);
}
if (process.argv.includes('--fresh')) {
  rmSync(join(folder, COPIES_FOLDER), { recursive: true, force: true });
  for (const end of ['', '-wal', '-shm']) rmSync(join(folder, `nelvik.sqlite${end}`), { force: true });
}
const store = new Store(folder, migrations);
const desk = new Desk(store);
if (desk.seq === 0) fillDemo(desk, Date.now(), seededRandom(20), randomUUID);
store.close();
owner.release();
