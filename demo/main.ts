import { homedir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { randomUUID } from 'node:crypto';
import { seededRandom } from '#core/units';
import { Desk } from '../server/desk.ts';
import { Store } from '../server/store/store.ts';
import { fillDemo } from './fill.ts';

/** Fills an empty folder with the demo studio. The present moment is handed in once, here. */
const folder = process.env.NELVIK_DATA ?? join(homedir(), 'nelvik-demo');
const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const store = new Store(folder, migrations);
const desk = new Desk(store);
if (desk.seq === 0) fillDemo(desk, Date.now(), seededRandom(20), randomUUID);
store.close();
