import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync } from 'node:fs';
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

  /** Opens (or makes) `nelvik.sqlite` in a folder and brings it up to date. */
  constructor(folder: string, migrations: string) {
    mkdirSync(folder, { recursive: true });
    this.file = join(folder, 'nelvik.sqlite');
    const isNew = !existsSync(this.file);
    const { sqlite, db } = connect(this.file);
    this.sqlite = sqlite;
    this.db = db;
    try {
      if (!isNew) keepCopy(sqlite, folder);
      migrated(sqlite, db, migrations);
      if (isNew) newDatabase(sqlite, db);
      else if (dataVersion(db) !== DATA_VERSION) bringUp(sqlite, db);
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
    this.fold();
    this.sqlite.close();
  }

  /** Takes what lies in the file beside it into the one file, as far as nobody reads there; waits for nobody. */
  fold(): void {
    this.sqlite.pragma('wal_checkpoint(PASSIVE)');
  }

  /** Runs work in one transaction that nobody else's comes between: all of it or nothing. */
  atOnce<T>(work: () => T): T {
    return this.sqlite.transaction(work).immediate();
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
    return { rows: new SqliteRows(sqlite), book: new LogBook(db, sqlite), drawings: new DrawingStore(db), close };
  }

  /** A live copy of the whole file, safe while work goes on. */
  async backup(file: string): Promise<void> {
    await this.sqlite.backup(file);
  }
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
