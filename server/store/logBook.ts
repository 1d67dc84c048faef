import type Database from 'better-sqlite3';
import { and, desc, eq, gt, inArray, isNotNull, lt, ne, sql, type SQL } from 'drizzle-orm';
import { happeningOf, isUpToDate, type ActKind, type History, type LogEntry, type RowInverse } from '#core/bench';
import type { Db } from './database.ts';
import { fromJson } from './packing.ts';
import type { logOriginals } from './schema/index.ts';
import { log, OFF_THE_RACK, pieceLog } from './schema/index.ts';

/** So many entries back it is looked who touched what; what was decided longer ago counts as touched. */
const MOST_BACK = 5000;

/** So many sheets off the rack are looked at. */
const MOST_OFF = 200;

/** The log of the studio: appended to, never changed. */
export class LogBook implements History {
  readonly #db: Db;
  readonly #sqlite: Database.Database;

  constructor(db: Db, sqlite: Database.Database) {
    this.#db = db;
    this.#sqlite = sqlite;
  }

  lastSeq(): number {
    return (
      this.#db
        .select({ seq: sql<number>`coalesce(max(${log.seq}), 0)` })
        .from(log)
        .get()?.seq ?? 0
    );
  }

  /** Log position of a command that was carried out, or null. */
  seqOf(commandId: string): number | null {
    return this.#db.select({ seq: log.seq }).from(log).where(eq(log.commandId, commandId)).get()?.seq ?? null;
  }

  append(entry: LogEntry, panelId: string | null): void {
    const { happening, ...facts } = entry;
    const { kind, version, fact } = happening;
    this.#db
      .insert(log)
      .values({ ...facts, kind, version, fact, panelId })
      .run();
    for (const pieceId of piecesIn(entry.inverse)) this.#db.insert(pieceLog).values({ pieceId, seq: entry.seq }).run();
  }

  othersAfter(seq: number, bench: string): Iterable<Pick<LogEntry, 'inverse'>> | null {
    if (this.lastSeq() - seq > MOST_BACK) return null;
    return this.#db
      .select({ inverse: log.inverse })
      .from(log)
      .where(and(gt(log.seq, seq), ne(log.bench, bench)))
      .all();
  }

  /** The log, oldest first, one entry at a time. */
  *entries(): Iterable<LogEntry> {
    for (const raw of this.#sqlite.prepare<[], RawEntry>('select * from log order by seq').iterate())
      yield fromRaw(raw);
  }

  /** What happened, oldest first, one entry at a time: what a replay needs and no more. */
  *happenings(): Iterable<Omit<LogEntry, 'inverse' | 'commandId'>> {
    const columns = 'seq, at, person_id, bench, kind, version, fact';
    for (const raw of this.#sqlite.prepare<[], RawEntry>(`select ${columns} from log order by seq`).iterate()) {
      const { seq, at, person_id, bench, kind, version, fact } = raw;
      yield { seq, at, personId: person_id, bench, happening: happeningOf(kind, fromJson(fact), version) };
    }
  }

  /** The last log position that tells of each panel. */
  lastSeqs(): ReadonlyMap<string, number> {
    const rows = this.#db
      .select({ panelId: log.panelId, last: sql<number>`max(${log.seq})` })
      .from(log)
      .where(isNotNull(log.panelId))
      .groupBy(log.panelId)
      .all();
    return new Map(rows.map(({ panelId, last }) => [panelId ?? '', last]));
  }

  /** Whether every entry says what happened in today's way. */
  isUpToDate(): boolean {
    const said = this.#db.selectDistinct({ kind: log.kind, version: log.version }).from(log).all();
    return said.every(({ kind, version }) => isUpToDate(kind, version));
  }

  /** Facts as they were first written, where they have been brought up to date since. */
  *originals(): Iterable<LogOriginal> {
    yield* this.#sqlite.prepare<[], LogOriginal>('select seq, kind, version, fact from log_originals').iterate();
  }

  /** The last entry from before an instant. Reads back over what is newer, and no further. */
  lastBefore(at: number): { readonly seq: number; readonly at: number } | null {
    const rows = this.#sqlite.prepare<[], { seq: number; at: number }>('select seq, at from log order by seq desc');
    for (const entry of rows.iterate()) if (entry.at < at) return entry;
    return null;
  }

  /** Entries since an instant that took a sheet off the rack, uncut: written off or taken out. The latest first. */
  offTheRackSince(at: number): LogEntry[] {
    const rows = this.#sqlite.prepare<[number], RawEntry>(
      `select * from log where ${OFF_THE_RACK} and at >= ? order by seq desc limit ${MOST_OFF}`,
    );
    return rows.all(at).map(fromRaw);
  }

  entry(seq: number): LogEntry | null {
    return this.#select(eq(log.seq, seq), 1)[0] ?? null;
  }

  /** All entries after a log position, oldest first; null where that is too far back. */
  after(seq: number): LogEntry[] | null {
    return this.lastSeq() - seq > MOST_BACK ? null : this.#select(gt(log.seq, seq), MOST_BACK).reverse();
  }

  /** Entries of a panel, or of none (the rack's, and setting up), newest first, read as they are gone through. */
  *backwards(panelId: string | null): Generator<LogEntry> {
    const where = panelId === null ? 'panel_id is null' : 'panel_id = ?';
    const rows = this.#sqlite.prepare<string[], RawEntry>(
      `select * from log where ${where} order by seq desc limit ${MOST_BACK}`,
    );
    for (const raw of rows.iterate(...(panelId === null ? [] : [panelId]))) yield fromRaw(raw);
  }

  /** The last entries that touched a panel, newest first. */
  ofPanel(panelId: string, range: { after?: number; before?: number } = {}, most = 100): LogEntry[] {
    const { after = 0, before = Number.MAX_SAFE_INTEGER } = range;
    return this.#select(and(eq(log.panelId, panelId), gt(log.seq, after), lt(log.seq, before)), most);
  }

  /** The last entries that tell of a piece, newest first. */
  ofPiece(pieceId: string, most = 100): LogEntry[] {
    const seqs = this.#db
      .select({ seq: pieceLog.seq })
      .from(pieceLog)
      .where(eq(pieceLog.pieceId, pieceId))
      .orderBy(desc(pieceLog.seq))
      .limit(most)
      .all()
      .map((p) => p.seq);
    return seqs.length === 0 ? [] : this.#select(inArray(log.seq, seqs), most);
  }

  inverseOf(seq: number): readonly RowInverse[] {
    return this.#db.select({ inverse: log.inverse }).from(log).where(eq(log.seq, seq)).get()?.inverse ?? [];
  }

  #select(where: SQL | undefined, most: number): LogEntry[] {
    return this.#db.select().from(log).where(where).orderBy(desc(log.seq)).limit(most).all().map(toEntry);
  }
}

/** The pieces that an entry tells of. That a piece came with its drawing is told by the panel's history. */
export function piecesIn(inverse: readonly RowInverse[]): string[] {
  return inverse.filter((row) => row.table === 'pieces' && row.was !== null).map((row) => row.id);
}

export type LogOriginal = typeof logOriginals.$inferSelect;

interface RawEntry {
  readonly seq: number;
  readonly command_id: string;
  readonly at: number;
  readonly person_id: string | null;
  readonly bench: string;
  readonly kind: ActKind;
  readonly version: number;
  readonly fact: string;
  readonly inverse: string;
}

const fromRaw = (raw: RawEntry): LogEntry => ({
  seq: raw.seq,
  commandId: raw.command_id,
  at: raw.at,
  personId: raw.person_id,
  bench: raw.bench,
  happening: happeningOf(raw.kind, fromJson(raw.fact), raw.version),
  inverse: fromJson(raw.inverse),
});

const toEntry = ({ kind, version, fact, ...row }: typeof log.$inferSelect): LogEntry => ({
  seq: row.seq,
  commandId: row.commandId,
  at: row.at,
  personId: row.personId,
  bench: row.bench,
  happening: happeningOf(kind, fact, version),
  inverse: row.inverse,
});
