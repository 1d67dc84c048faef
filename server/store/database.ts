import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import * as schema from './schema/index.ts';

export type Db = ReturnType<typeof connect>['db'];

const BUSY_MS = 5000;
/** Pages of 4 KiB kept in memory; the rest is the system's to cache. */
const CACHE_KIB = 16_384;

/** Opens the file of a studio; it is made where it is not there. */
export function connect(file: string) {
  const sqlite = new Database(file);
  sqlite.pragma('journal_mode = WAL');
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma(`busy_timeout = ${BUSY_MS}`);
  sqlite.pragma(`cache_size = -${CACHE_KIB}`);
  return { sqlite, db: drizzle(sqlite, { schema }) };
}

/** A second view of the same file that sees it as it was at one moment, for whatever goes through all of it. */
export function snapshot(file: string): { sqlite: Database.Database; db: Db; close: () => void } {
  const sqlite = new Database(file, { readonly: true });
  sqlite.pragma(`busy_timeout = ${BUSY_MS}`);
  sqlite.exec('begin');
  // The view is fixed by the first read.
  sqlite.prepare('select count(*) from meta').get();
  return { sqlite, db: drizzle(sqlite, { schema }), close: () => sqlite.close() };
}
