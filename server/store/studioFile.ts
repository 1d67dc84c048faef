import { existsSync, openSync, readFileSync, readSync, closeSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { getTableName, is } from 'drizzle-orm';
import { SQLiteTable } from 'drizzle-orm/sqlite-core';
import { ACTS } from '#core/bench';
import { isOneOf, keysOf } from '#core/units';
import * as schema from './schema/index.ts';

/** What may be wrong with a file that is to be a studio's. */
export type FileFault = 'empty' | 'cut' | 'no-database' | 'damaged' | 'foreign' | 'newer' | 'part-missing';

/** Thrown where a file is not opened, before anything in it is changed. */
export class StudioFileError extends Error {
  readonly fault: FileFault;

  constructor(fault: FileFault, detail = '') {
    super(detail === '' ? fault : `${fault}: ${detail}`);
    this.fault = fault;
  }
}

const MAGIC = 'SQLite format 3\0';

/**
 * Looks at a file without changing it; costs the same however large it is.
 * @throws StudioFileError where it is no database, shorter than it says, none of a studio, or of a newer Nelvik
 */
export function mustBeStudio(file: string, migrations: string): void {
  if (statSync(file).size === 0) throw new StudioFileError('empty');
  if (firstBytes(file, MAGIC.length) !== MAGIC) throw new StudioFileError('no-database');
  if (isCut(file)) throw new StudioFileError('cut');
  const sqlite = new Database(file, { readonly: true });
  try {
    mustBeOurs(sqlite, migrations);
  } catch (error) {
    throw isUnreadable(error) ? new StudioFileError('damaged') : error;
  } finally {
    sqlite.close();
  }
}

export function firstBytes(file: string, most: number): string {
  const fd = openSync(file, 'r');
  try {
    const bytes = Buffer.alloc(most);
    return bytes.toString('latin1', 0, readSync(fd, bytes, 0, most, 0));
  } finally {
    closeSync(fd);
  }
}

/** What SQLite says of a file that it can make nothing of. */
const isUnreadable = (error: unknown): boolean =>
  error instanceof Database.SqliteError && /^SQLITE_(CORRUPT|NOTADB|ERROR)/.test(error.code);

function mustBeOurs(sqlite: Database.Database, migrations: string): void {
  const names = tablesOf(sqlite);
  if (!names.has('log') || !names.has('__drizzle_migrations')) throw new StudioFileError('foreign');
  const last = sqlite
    .prepare<[], { at: number | null }>('select max(created_at) as at from __drizzle_migrations')
    .get()?.at;
  if (Number(last ?? 0) > lastMigration(migrations) || saysMoreThanWeKnow(sqlite, names))
    throw new StudioFileError('newer');
}

/** @throws StudioFileError where a table is missing, once all migrations have run */
export function mustBeWhole(sqlite: Database.Database): void {
  const names = tablesOf(sqlite);
  const missing = TABLES.filter((name) => !names.has(name));
  if (missing.length > 0) throw new StudioFileError('part-missing', missing.join(', '));
}

const TABLES: readonly string[] = Object.values(schema).flatMap((part) =>
  is(part, SQLiteTable) ? [getTableName(part)] : [],
);

const tablesOf = (sqlite: Database.Database): Set<string> =>
  new Set(
    sqlite
      .prepare<[], { name: string }>(`select name from sqlite_master where type = 'table'`)
      .all()
      .map((t) => t.name),
  );

interface Journal {
  readonly entries: readonly { readonly when: number }[];
}

function lastMigration(migrations: string): number {
  const { entries } = JSON.parse(readFileSync(join(migrations, 'meta', '_journal.json'), 'utf8')) as Journal;
  return Math.max(...entries.map((entry) => entry.when));
}

/** The version of its data names an act, or a wording of one, that this program does not know. */
function saysMoreThanWeKnow(sqlite: Database.Database, names: ReadonlySet<string>): boolean {
  if (!names.has('meta')) return false;
  const said = sqlite.prepare<[], { value: string }>(`select value from meta where key = 'data-version'`).get()?.value;
  const [, ...acts] = (said ?? '').split(', ');
  return acts.some((act) => {
    const [kind = '', version] = act.split(' ');
    return !isOneOf(keysOf(ACTS), kind) || Number(version) > ACTS[kind].version;
  });
}

/** Shorter than its first page says (file format of SQLite, 1.3). Pages that lie in the file beside it are not missed. */
function isCut(file: string): boolean {
  const beside = `${file}-wal`;
  if (existsSync(beside) && statSync(beside).size > 0) return false;
  const head = Buffer.from(firstBytes(file, 100), 'latin1');
  if (head.length < 100) return true;
  const pageBytes = head.readUInt16BE(16) === 1 ? 65_536 : head.readUInt16BE(16);
  return statSync(file).size < pageBytes * head.readUInt32BE(28);
}
