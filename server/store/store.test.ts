import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { differences, replay, type LogEntry, TABLE_NAMES } from '#core/bench';
import { smallStudio } from '../../core/test/smallStudio.ts';
import { Store } from './store.ts';

const MIGRATIONS = fileURLToPath(new URL('./migrations', import.meta.url));
let folder: string;
let store: Store;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nelvik-store-'));
  store = new Store(folder, MIGRATIONS);
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Writes a studio made in memory, entry by entry, as a server would have. */
function write(entries: readonly LogEntry[]): void {
  for (let i = 0; i < entries.length; i++) {
    const [now, then] = [replay(entries.slice(0, i + 1)), replay(entries.slice(0, i))];
    const { before: _, ...entry } = entries[i] as LogEntry;
    const changes = TABLE_NAMES.flatMap((table) =>
      [...now.all(table)]
        .filter((row) => then.get(table, row.id)?.rev !== row.rev)
        .map((row) => ({ table, id: row.id, before: then.get(table, row.id) ?? null, after: row })),
    );
    store.record(entry, changes as Parameters<Store['record']>[1], 'p');
  }
}

describe('the store', () => {
  it('gives back what was written, after closing too', () => {
    const made = smallStudio();
    made.do({
      kind: 'cut',
      ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1, 2], left: { kind: 'waste' } }] },
    });
    write(made.log);
    store.close();
    store = new Store(folder, MIGRATIONS);
    expect(differences(store.load(), made.studio)).toEqual([]);
    expect(differences(replay(store.entries()), made.studio)).toEqual([]);
    expect(store.lastSeq()).toBe(made.studio.seq);
    expect(store.seqOf('c3')).toBe(3);
    expect(store.seqOf('never')).toBeNull();
  });
  it('a command id is written once only, and a failed write leaves nothing behind', () => {
    const made = smallStudio();
    write(made.log);
    const { before: _, ...again } = made.log[0] as LogEntry;
    const changes = [
      { table: 'people' as const, id: 'zed', before: null, after: { ...made.studio.get('people', 'ada'), id: 'zed' } },
    ];
    expect(() => store.record({ ...again, seq: 9999 }, changes as Parameters<Store['record']>[1], null)).toThrow(
      /UNIQUE/,
    );
    expect(store.load().get('people', 'zed')).toBeUndefined();
    expect(store.lastSeq()).toBe(made.studio.seq);
  });
  it('tells the entries of a bench and of a panel', () => {
    write(smallStudio().log);
    expect(store.entriesOfBench('bench-1', 3).map((e) => e.seq)).toEqual([
      store.lastSeq() - 2,
      store.lastSeq() - 1,
      store.lastSeq(),
    ]);
    expect(store.entriesOfBench('nobody')).toEqual([]);
    expect(store.entriesOfPanel('p', 0, 2).map((e) => e.seq)).toEqual([store.lastSeq(), store.lastSeq() - 1]);
  });
  it('is migrated without losing rows when it is opened again by a newer build', () => {
    const made = smallStudio();
    write(made.log);
    store.close();
    // Forget that the migrations ran, as a build with one more migration would see its own.
    const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] };
    expect(journal.entries.length).toBeGreaterThan(0);
    store = new Store(folder, MIGRATIONS);
    expect([...store.load().all('pieces')]).toHaveLength(20);
  });
  it('keeps a live backup that opens by itself', async () => {
    write(smallStudio().log);
    const copy = join(folder, 'copy.sqlite');
    await store.backup(copy);
    expect(existsSync(copy)).toBe(true);
    const opened = new Database(copy, { readonly: true });
    expect(opened.prepare('select count(*) as n from log').get()).toEqual({ n: store.lastSeq() });
    opened.close();
  });
  it('writes ahead and waits for the disk', () => {
    const opened = new Database(join(folder, 'nelvik.sqlite'));
    expect(opened.pragma('journal_mode', { simple: true })).toBe('wal');
    opened.close();
  });
});
