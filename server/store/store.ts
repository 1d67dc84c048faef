import { randomUUID } from 'node:crypto';
import { existsSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type Database from 'better-sqlite3';
import { eq } from 'drizzle-orm';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import type { LogEntry, RowChange } from '#core/bench';
import { bringUp, DATA_VERSION, dataVersion, newDatabase } from './bringUp.ts';
import { connect, snapshot, type Db } from './database.ts';
import { DrawingStore, type NewDrawing } from './drawingStore.ts';
import { LogBook } from './logBook.ts';
import { SqliteRows } from './rows.ts';
import { meta } from './schema/index.ts';
import { mustBeStudio, mustBeWhole } from './studioFile.ts';
import { makeFolder } from './folder.ts';

/** The file lies no longer where it was opened: what would be written now would be lost. */
export class StudioGone extends Error {}

/** The one SQLite file of a studio: the log, the files and drawings, and the rows that follow from them. */
export class Store {
  readonly file: string;
  readonly rows: SqliteRows;
  readonly book: LogBook;
  readonly drawings: DrawingStore;
  /** Another one when an older copy is put in its place: screens start afresh then. */
  readonly id: string;
  readonly sqlite: Database.Database;
  readonly db: Db;
  /** Which file of the disk was opened, whatever lies under its name later. */
  readonly #inode: bigint;
  readonly #views = new Set<() => void>();

  /**
   * Opens (or makes) `nelvik.sqlite` in a folder and brings it up to date.
   * @throws StudioFileError where what lies there is no studio that can be opened; nothing in it is changed then
   */
  constructor(folder: string, migrations: string) {
    makeFolder(folder);
    this.file = join(folder, FILE);
    if (!existsSync(this.file)) makeNew(folder, this.file, migrations);
    mustBeStudio(this.file, migrations);
    const { sqlite, db } = connect(this.file);
    this.sqlite = sqlite;
    this.db = db;
    this.#inode = statSync(this.file, { bigint: true }).ino;
    try {
      keepCopy(sqlite, folder);
      migrated(sqlite, db, migrations);
      if (dataVersion(db) !== DATA_VERSION) bringUp(sqlite, db);
      mustBeWhole(sqlite);
      this.id = databaseId(db);
    } catch (error) {
      sqlite.close();
      throw error;
    }
    this.rows = new SqliteRows(sqlite);
    this.book = new LogBook(db, sqlite);
    this.drawings = new DrawingStore(db);
  }

  close(): void {
    for (const leave of this.#views) leave();
    this.fold();
    this.sqlite.close();
  }

  /** Closes with everything in the one file and nothing beside it, so that another file may take its place. */
  closeForGood(): void {
    for (const leave of this.#views) leave();
    if (this.sqlite.pragma('journal_mode = delete', { simple: true }) !== 'delete')
      throw Object.assign(new Error('somebody else reads the file'), { code: 'SQLITE_BUSY' });
    this.sqlite.close();
  }

  /** How much room it takes on the disk. */
  bytes(): number {
    return ['', '-wal'].reduce(
      (sum, end) => sum + (statSync(this.file + end, { throwIfNoEntry: false })?.size ?? 0),
      0,
    );
  }

  /** Whether the file still lies where it was opened. */
  isInPlace(): boolean {
    try {
      return statSync(this.file, { bigint: true }).ino === this.#inode;
    } catch {
      return false;
    }
  }

  /** @throws StudioGone */
  mustBeInPlace(): void {
    if (!this.isInPlace()) throw new StudioGone(`${this.file} is gone`);
  }

  /** Takes what lies in the file beside it into the one file, as far as nobody reads there; waits for nobody. */
  fold(): void {
    this.sqlite.pragma('wal_checkpoint(PASSIVE)');
  }

  /**
   * Runs work in one transaction that nobody else's comes between: all of it or nothing.
   * @throws StudioGone where it would be written to a file that nobody finds again
   */
  atOnce<T>(work: () => T): T {
    this.mustBeInPlace();
    const done = this.sqlite.transaction(work).immediate();
    this.mustBeInPlace();
    return done;
  }

  /** Appends to the log and updates the rows; inside {@link atOnce}. */
  record(entry: LogEntry, changes: readonly RowChange[], panelId: string | null, drawing?: NewDrawing): void {
    if (drawing) this.drawings.keep(drawing);
    this.book.append(entry, panelId);
    this.rows.write(changes);
  }

  /** The studio as it is at this moment, for whatever takes its time to go through all of it. */
  snapshot(): { rows: SqliteRows; book: LogBook; drawings: DrawingStore; close: () => void } {
    const { sqlite, db, close } = snapshot(this.file);
    const leave = () => {
      this.#views.delete(leave);
      close();
    };
    this.#views.add(leave);
    return {
      rows: new SqliteRows(sqlite),
      book: new LogBook(db, sqlite),
      drawings: new DrawingStore(db),
      close: leave,
    };
  }

  /** A live copy of the whole file, safe while work goes on. */
  async backup(file: string): Promise<void> {
    await this.sqlite.backup(file);
  }
}

const FILE = 'nelvik.sqlite';

/** A new studio lies under its name only once it is whole: a first start that is cut off leaves none behind. */
function makeNew(folder: string, file: string, migrations: string): void {
  const draft = join(folder, 'nelvik.new.sqlite');
  const clear = () => {
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(draft + end, { force: true });
  };
  clear();
  const { sqlite, db } = connect(draft);
  try {
    migrated(sqlite, db, migrations);
    newDatabase(sqlite, db);
    databaseId(db);
    sqlite.pragma('wal_checkpoint(TRUNCATE)');
  } catch (error) {
    sqlite.close();
    clear();
    throw error;
  }
  sqlite.close();
  renameSync(draft, file);
}

/** Another name for a database that is put in the place of what stood there: screens start afresh by it. */
export function renewId(sqlite: Database.Database): void {
  sqlite.prepare(`update meta set value = ? where key = 'database-id'`).run(randomUUID());
}

/**
 * Foreign keys are off while tables are rebuilt, or dropping one would take its children along; then they are checked.
 * Where nothing had to be migrated nothing is checked: a start costs the same in the tenth year.
 */
function migrated(sqlite: Database.Database, db: Db, migrations: string): void {
  const before = migrationsRun(sqlite);
  sqlite.pragma('foreign_keys = OFF');
  migrate(db, { migrationsFolder: migrations });
  const broken = migrationsRun(sqlite) === before ? [] : sqlite.prepare('pragma foreign_key_check').all();
  if (broken.length > 0) throw new Error(`the database has ${broken.length} broken references after migrating`);
  sqlite.pragma('foreign_keys = ON');
}

function migrationsRun(sqlite: Database.Database): number {
  const table = `select 1 from sqlite_master where type = 'table' and name = '__drizzle_migrations'`;
  if (!sqlite.prepare(table).get()) return 0;
  return sqlite.prepare<[], { n: number }>('select count(*) as n from __drizzle_migrations').get()?.n ?? 0;
}

function databaseId(db: Db): string {
  const known = db.select({ value: meta.value }).from(meta).where(eq(meta.key, 'database-id')).get();
  if (known) return known.value;
  const value = randomUUID();
  db.insert(meta).values({ key: 'database-id', value }).run();
  return value;
}

/** What is there is kept before it is brought up to date: a whole copy beside it, once for each state. */
function keepCopy(sqlite: Database.Database, folder: string): void {
  const hasTable = (name: string) =>
    sqlite.prepare(`select 1 from sqlite_master where type = 'table' and name = ?`).get(name) !== undefined;
  if (!hasTable('log')) return;
  const version = hasTable('meta')
    ? sqlite.prepare<[], { value: string }>(`select value from meta where key = 'data-version'`).get()?.value
    : undefined;
  if (version === DATA_VERSION) return;
  const seq = sqlite.prepare<[], { seq: number | null }>('select max(seq) as seq from log').get()?.seq ?? 0;
  const copy = join(folder, `nelvik-before-update-${seq}.sqlite`);
  if (!existsSync(copy)) sqlite.prepare('vacuum into ?').run(copy);
}
