import { homedir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { checkStudio } from './checkStudio.ts';
import { openStore } from './openStore.ts';

/** `npm run check`: says whether everything that is stored agrees with itself. */
const folder = process.env.NELVIK_DATA ?? join(homedir(), 'nelvik');
const opened = openStore(folder, fileURLToPath(new URL('./migrations', import.meta.url)));
if ('problem' in opened) {
  process.stderr.write(`${opened.problem}\n`);
  process.exit(1);
}
const { store } = opened;
const wrong = checkStudio(store);
const entries = store.book.lastSeq();
store.close();
process.stdout.write(
  wrong.length === 0
    ? `All is well: ${entries} entries replayed; rows, ledger, drawings and files agree.\n`
    : `${wrong.join('\n')}\n`,
);
process.exit(wrong.length === 0 ? 0 : 1);
