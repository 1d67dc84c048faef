import { homedir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { differences, replay } from '#core/bench';
import { checkLedger } from '#core/stock';
import { Store } from './store/store.ts';

/** Replays the log from nothing and holds it against the stored rows; then the ledger. Says what it found. */
const folder = process.env.NELVIK_DATA ?? join(homedir(), 'nelvik');
const store = new Store(folder, fileURLToPath(new URL('./migrations', import.meta.url)));
const stored = store.load();
const replayed = replay(store.entries());
const wrong = [
  ...differences(stored, replayed),
  ...checkLedger(
    stored.all('stock'),
    [...stored.all('moves')].sort((a, b) => a.rev - b.rev || order(a.kind) - order(b.kind)),
  ),
];
store.close();

function order(kind: string): number {
  return ['received', 'pieces', 'offcut', 'waste', 'put back'].indexOf(kind);
}

process.stdout.write(
  wrong.length === 0
    ? `All is well: ${stored.seq} entries replayed, rows and ledger agree.\n`
    : `${wrong.join('\n')}\n`,
);
process.exit(wrong.length === 0 ? 0 : 1);
