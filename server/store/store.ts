import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { and, desc, eq, gt, sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import {
  inverseOf,
  Studio,
  TABLE_NAMES,
  type LogEntry,
  type RowChange,
  type TableName,
  type Tables,
} from '#core/bench';
import * as schema from './schema.ts';

const LOG_VERSION = 1;
/** Bound parameters a statement may have are 32,766; a row here takes at most four. */
const ROWS_AT_ONCE = 500;

export interface StoredCartoon {
  readonly id: string;
  readonly panelId: string;
  readonly at: number;
  readonly sourceName: string;
  readonly source: string;
  /** The reading as JSON text: it is sent as it is. */
  readonly reading: string;
}

type Db = ReturnType<typeof open>['db'];
type Executor = Pick<Db, 'insert' | 'delete' | 'select'>;

function open(file: string) {
  const sqlite = new Database(file);
  sqlite.pragma('journal_mode = WAL');
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('busy_timeout = 5000');
  return { sqlite, db: drizzle(sqlite, { schema }) };
}

/** The one SQLite file of a studio: the log, the drawings, and the rows that follow from them. */
export class Store {
  readonly #sqlite: Database.Database;
  readonly #db: Db;

  /** Opens (or makes) `nelvik.sqlite` in a folder and brings it up to date. */
  constructor(folder: string, migrations: string) {
    mkdirSync(folder, { recursive: true });
    const { sqlite, db } = open(join(folder, 'nelvik.sqlite'));
    this.#sqlite = sqlite;
    this.#db = db;
    // A rebuilt table inside the migrator's transaction would cascade into its children: keys off, check, keys on.
    sqlite.pragma('foreign_keys = OFF');
    migrate(db, { migrationsFolder: migrations });
    const broken = sqlite.pragma('foreign_key_check') as unknown[];
    if (broken.length > 0) throw new Error(`the database has ${broken.length} broken references after migrating`);
    sqlite.pragma('foreign_keys = ON');
  }

  close(): void {
    this.#sqlite.close();
  }

  /** The studio as its rows tell it: quick; `replay` of {@link entries} must end alike. */
  load(): Studio {
    const studio = new Studio();
    for (const table of TABLE_NAMES) {
      for (const { doc } of this.#db.select({ doc: schema[table].doc }).from(schema[table]).all()) {
        const row = doc as Tables[TableName];
        studio.load(table, row.id, row);
      }
    }
    studio.seq = this.lastSeq();
    return studio;
  }

  lastSeq(): number {
    return (
      this.#db
        .select({ seq: sql<number>`coalesce(max(${schema.log.seq}), 0)` })
        .from(schema.log)
        .get()?.seq ?? 0
    );
  }

  /** Log position of a command that was carried out, or null. */
  seqOf(commandId: string): number | null {
    return (
      this.#db.select({ seq: schema.log.seq }).from(schema.log).where(eq(schema.log.commandId, commandId)).get()?.seq ??
      null
    );
  }

  /** Appends to the log and updates the rows in one transaction: all of it or nothing. */
  record(
    entry: Omit<LogEntry, 'before'>,
    changes: readonly RowChange[],
    panelId: string | null,
    cartoon?: StoredCartoon,
  ): void {
    const before = inverseOf(changes);
    const { happening, ...facts } = entry;
    this.#db.transaction((tx) => {
      tx.insert(schema.log)
        .values({ ...facts, kind: happening.kind, version: LOG_VERSION, panelId, payload: happening.payload, before })
        .run();
      if (cartoon) tx.insert(schema.cartoons).values(cartoon).run();
      for (const table of TABLE_NAMES) {
        const mine = changes.filter((c) => c.table === table);
        if (mine.length > 0) project(tx, table, mine);
      }
    });
  }

  /** The log, oldest first, one entry at a time. */
  *entries(afterSeq = 0): Iterable<LogEntry> {
    const rows = this.#db.select().from(schema.log).where(gt(schema.log.seq, afterSeq)).orderBy(schema.log.seq).all();
    for (const row of rows) yield toEntry(row);
  }

  /** The last entries of one bench, oldest first: enough for undo. */
  entriesOfBench(bench: string, most = 400): LogEntry[] {
    return this.#db
      .select()
      .from(schema.log)
      .where(eq(schema.log.bench, bench))
      .orderBy(desc(schema.log.seq))
      .limit(most)
      .all()
      .reverse()
      .map(toEntry);
  }

  /** The last entries that touched a panel, newest first. */
  entriesOfPanel(panelId: string, afterSeq = 0, most = 1000): LogEntry[] {
    const where = and(eq(schema.log.panelId, panelId), gt(schema.log.seq, afterSeq));
    return this.#db.select().from(schema.log).where(where).orderBy(desc(schema.log.seq)).limit(most).all().map(toEntry);
  }

  cartoonReading(id: string): string | null {
    return (
      this.#db
        .select({ reading: schema.cartoons.reading })
        .from(schema.cartoons)
        .where(eq(schema.cartoons.id, id))
        .get()?.reading ?? null
    );
  }

  cartoonSource(id: string): { sourceName: string; source: string } | null {
    const { sourceName, source } = schema.cartoons;
    return (
      this.#db.select({ sourceName, source }).from(schema.cartoons).where(eq(schema.cartoons.id, id)).get() ?? null
    );
  }

  /** A live copy of the whole file, safe while work goes on. */
  async backup(file: string): Promise<void> {
    await this.#sqlite.backup(file);
  }
}

function toEntry(row: typeof schema.log.$inferSelect): LogEntry {
  const { seq, commandId, at, personId, bench, kind, payload, before } = row;
  return {
    seq,
    commandId,
    at,
    personId,
    bench,
    happening: { kind, payload } as LogEntry['happening'],
    before: before as LogEntry['before'],
  };
}

function project(tx: Executor, table: TableName, changes: readonly RowChange[]): void {
  const target = schema[table];
  const gone = changes.filter((c) => c.after === null);
  for (const { id } of gone) tx.delete(target).where(eq(target.id, id)).run();
  const kept = changes
    .filter((c) => c.after !== null)
    .map(({ id, after }) => ({
      ...columnsOf(after as Tables[TableName]),
      id,
      rev: (after as { rev: number }).rev,
      doc: after,
    }));
  for (let i = 0; i < kept.length; i += ROWS_AT_ONCE) {
    const rows = kept.slice(i, i + ROWS_AT_ONCE);
    // The table's own extra column is in every row of it; Drizzle cannot see that through the union of tables.
    const insert = tx.insert(target as typeof schema.pieces).values(rows as (typeof schema.pieces.$inferInsert)[]);
    insert.onConflictDoUpdate({ target: target.id, set: { rev: sql`excluded.rev`, doc: sql`excluded.doc` } }).run();
  }
}

/** What stands beside the document in columns of its own, to search by. */
function columnsOf(
  row: object,
): Partial<Record<'panelId' | 'commissionId' | 'glassId' | 'stockId' | 'personId', unknown>> {
  const { panelId, commissionId, glassId, stockId, personId } = row as Record<string, unknown>;
  return { panelId, commissionId, glassId, stockId, personId };
}
