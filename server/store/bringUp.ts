import type Database from 'better-sqlite3';
import { eq, sql } from 'drizzle-orm';
import {
  ACTS,
  applied,
  inverseOf,
  isUpToDate,
  shippedRows,
  Studio,
  TABLE_NAMES,
  upToDate,
  type LogEntry,
  type RowChange,
  type UpcastContext,
} from '#core/bench';
import { carryOver, sketchOf, type Cartoon, type Continued } from '#core/cartoon';
import { studyRules, type Study } from '#core/cutting';
import { DEFAULT_LIMITS } from '#core/limits';
import type { LineAllowance } from '#core/sizing';
import { lastingId } from '#core/units';
import type { Db } from './database.ts';
import { DrawingStore, type StoredReading } from './drawingStore.ts';
import { LogBook, piecesIn } from './logBook.ts';
import { fromJson } from './packing.ts';
import { SqliteRows } from './rows.ts';
import { drawings, log, logOriginals, meta, pieceLog, ROW_TABLES } from './schema/index.ts';

/** Counts up when rows come to say the same facts in another way. */
const ROWS_VERSION = 3;

const ROWS_PART = `rows ${ROWS_VERSION}`;

/** What a database in today's way says of itself. */
export const DATA_VERSION = `${ROWS_PART}, ${Object.entries(ACTS)
  .map(([kind, act]) => `${kind} ${act.version}`)
  .join(', ')}`;

/** What a database says of itself whose rows are to be made from its log when it is opened. */
export const ROWS_TO_BE_MADE = 'rows to be made';

export const dataVersion = (db: Db): string | null =>
  db.select({ value: meta.value }).from(meta).where(eq(meta.key, 'data-version')).get()?.value ?? null;

/**
 * Brings a database of any earlier state up to date, in one transaction: every event is said in today's way, with its
 * first wording kept beside it, and the rows are made again from the log.
 */
export function bringUp(sqlite: Database.Database, db: Db): void {
  sqlite
    .transaction(() => {
      const book = new LogBook(db, sqlite);
      if (isSaidInTodaysWay(db, book)) {
        shipMissing(sqlite, db);
        return settle(db);
      }
      const drawn = new OldDrawings(sqlite, db);
      const studio = new Studio();
      db.delete(pieceLog).run();
      for (const { seq } of db.select({ seq: log.seq }).from(log).orderBy(log.seq).all()) {
        const entry = bringUpEntry(db, studio, book, drawn, seq);
        studio.absorb(applied(studio, entry.happening, entry), seq);
      }
      writeRows(sqlite, db, studio);
      drawn.finish();
      settle(db);
    })
    .immediate();
}

/** A newer program may know more acts, and still say all that happened here as it was said. */
function isSaidInTodaysWay(db: Db, book: LogBook): boolean {
  return dataVersion(db)?.split(', ')[0] === ROWS_PART && book.isUpToDate();
}

function settle(db: Db): void {
  const value = DATA_VERSION;
  db.insert(meta).values({ key: 'data-version', value }).onConflictDoUpdate({ target: meta.key, set: { value } }).run();
}

function bringUpEntry(db: Db, studio: Studio, book: LogBook, drawn: OldDrawings, seq: number): LogEntry {
  const row = db.select().from(log).where(eq(log.seq, seq)).get();
  if (!row) throw new Error(`entry ${seq} of the log is gone`);
  const now = { at: row.at, seq, personId: row.personId, bench: row.bench };
  const context: UpcastContext = {
    state: studio,
    now,
    inverseOf: (earlier) => book.inverseOf(earlier),
    drawing: (id, previousId, was) => drawn.named(id, previousId, was),
  };
  const happening = upToDate(row.kind, row.version, row.fact, context);
  const changes = applied(studio, happening, now);
  const inverse = inverseOf(changes);
  if (!isUpToDate(row.kind, row.version)) {
    const original = { seq, kind: row.kind, version: row.version, fact: JSON.stringify(row.fact) };
    db.insert(logOriginals).values(original).onConflictDoNothing().run();
  }
  const { kind, version, fact } = happening;
  db.update(log).set({ kind, version, fact, inverse }).where(eq(log.seq, seq)).run();
  for (const pieceId of piecesIn(inverse)) db.insert(pieceLog).values({ pieceId, seq }).run();
  return { ...now, commandId: row.commandId, happening, inverse };
}

/** The rows as the log tells them, in place of whatever was there. A new studio has the shipped routes alone. */
function writeRows(sqlite: Database.Database, db: Db, studio: Studio): void {
  for (const table of [...TABLE_NAMES].reverse()) db.delete(ROW_TABLES[table]).run();
  const rows = new SqliteRows(sqlite);
  for (const table of TABLE_NAMES) {
    const changes: RowChange[] = [];
    for (const after of studio.all(table)) changes.push({ table, id: after.id, before: null, after });
    rows.write(changes);
  }
}

/** Ways of working that are shipped since a studio was begun. */
function shipMissing(sqlite: Database.Database, db: Db): void {
  const { routes: table } = ROW_TABLES;
  const known = new Set(
    db
      .select({ id: table.id })
      .from(table)
      .all()
      .map(({ id }) => id),
  );
  const { routes, routeSteps } = shippedRows();
  const fresh = routes.filter(({ id }) => !known.has(id));
  const ids = new Set(fresh.map(({ id }) => id));
  new SqliteRows(sqlite).write([
    ...fresh.map((after): RowChange => ({ table: 'routes', id: after.id, before: null, after })),
    ...routeSteps
      .filter(({ routeId }) => ids.has(routeId))
      .map((after): RowChange => ({ table: 'routeSteps', id: after.id, before: null, after })),
  ]);
}

export function newDatabase(sqlite: Database.Database, db: Db): void {
  sqlite
    .transaction(() => {
      shipMissing(sqlite, db);
      settle(db);
      sqlite.exec('drop table if exists old_cartoons');
    })
    .immediate();
}

interface OldCartoon {
  readonly id: string;
  readonly panel_id: string;
  readonly at: number;
  readonly source_name: string;
  readonly source: string;
  readonly reading: string;
}

/** A drawing as it was kept whole with all that follows from it, its pieces named by their numbers. */
interface OldReading extends Study, Omit<StoredReading, 'cartoon'> {
  readonly cartoon: Omit<Cartoon, 'version' | 'joints'> & {
    readonly joints: readonly (Omit<Cartoon['joints'][number], 'id' | 'number'> & { readonly id: number })[];
  };
}

/** Drawings from before their parts had lasting ids: named one by one, in the order in which the log tells of them. */
class OldDrawings {
  readonly #sqlite: Database.Database;
  readonly #store: DrawingStore;
  readonly #db: Db;
  readonly #hasOld: boolean;
  /** Ids given to the parts of a panel's drawings so far. */
  readonly #free = new Map<string, number>();

  constructor(sqlite: Database.Database, db: Db) {
    this.#sqlite = sqlite;
    this.#db = db;
    this.#store = new DrawingStore(db);
    this.#hasOld =
      sqlite.prepare(`select 1 from sqlite_master where type = 'table' and name = 'old_cartoons'`).get() !== undefined;
  }

  /** Gives a drawing its ids, keeps it, and hands it on. */
  named(id: string, previousId: string | null, was: ReadonlyMap<number, number | null>): Cartoon {
    const known = this.#store.reading(id);
    if (known) return known.cartoon;
    const old = this.#sqlite.prepare<[string], OldCartoon>('select * from old_cartoons where id = ?').get(id);
    if (!old) throw new Error(`the drawing ${id} is missing`);
    const { cartoon: drawn, cuts, cuttability, findings, repairs, toleranceMm } = fromJson<OldReading>(old.reading);
    const fresh = freshlyNamed(drawn);
    const previous = previousId === null ? null : this.#store.reading(previousId);
    const freeId = this.#free.get(old.panel_id) ?? 1;
    const continued = fresh.pieces.map(({ number }): Continued => {
      const before = was.has(number) ? (was.get(number) ?? null) : number;
      return { was: before, same: !was.has(number) };
    });
    const { cartoon } = previous
      ? carryOver(previous.cartoon, fresh, { continued, linesStay: false, freeId })
      : { cartoon: fresh };
    this.#free.set(old.panel_id, cartoon.freeId);
    const allowance = this.#allowanceOf(id);
    this.#store.keep({
      id,
      panelId: old.panel_id,
      at: old.at,
      sourceName: old.source_name,
      source: old.source,
      allowance,
      reading: { cartoon, findings, repairs, toleranceMm },
      study: { cuts, cuttability },
      rules: studyRules(DEFAULT_LIMITS),
      sketch: sketchOf(cartoon),
    });
    return cartoon;
  }

  /** What the lines took up stands in the event that accepted the drawing. */
  #allowanceOf(id: string): LineAllowance {
    const found = this.#db
      .select({ fact: log.fact })
      .from(log)
      .where(sql`json_extract(${log.fact}, '$.cartoonId') = ${id}`)
      .get();
    return (found?.fact as { allowance: LineAllowance }).allowance;
  }

  finish(): void {
    if (!this.#hasOld) return;
    const left = this.#sqlite.prepare<[], { n: number }>('select count(*) as n from old_cartoons').get()?.n ?? 0;
    const kept =
      this.#db
        .select({ n: sql<number>`count(*)` })
        .from(drawings)
        .get()?.n ?? 0;
    if (left > kept) throw new Error(`${left - kept} drawings are told of by no entry of the log`);
    this.#sqlite.exec('drop table old_cartoons');
  }
}

/** Ids in the order of a drawing of that time; joints bore their running number as an id. */
function freshlyNamed(old: OldReading['cartoon']): Cartoon {
  const { joints } = old;
  const firstJoint = old.pieces.length + 1;
  const firstLine = firstJoint + joints.length;
  return {
    ...old,
    version: 2,
    pieces: old.pieces.map((p, i) => ({ ...p, id: lastingId(i + 1) })),
    joints: joints.map((j, i) => ({ ...j, number: j.id, id: lastingId(firstJoint + i) })),
    lineIds: old.map.lines.map((_, i) => lastingId(firstLine + i)),
    freeId: firstLine + old.map.lines.length,
  };
}
