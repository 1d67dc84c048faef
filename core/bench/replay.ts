import { applied, type LogEntry } from './decide.ts';
import { isSame } from './inverse.ts';
import { Studio } from './studio.ts';
import { TABLE_NAMES, type TableName, type Tables } from './tables.ts';

/** The studio from nothing but its log: slow and plain, the measure of every faster way. */
export function replay(entries: Iterable<LogEntry>): Studio {
  const studio = new Studio();
  for (const entry of entries) studio.absorb(applied(studio, entry.happening, entry), entry.seq);
  return studio;
}

/** All rows of a studio, table by table. */
export interface Rows {
  all<T extends TableName>(table: T): Iterable<Tables[T]>;
}

/**
 * Where two states differ, in words; empty when they are alike row by row.
 * @param stored is gone through once, a row at a time; `replayed` is asked by id
 */
export function differences(stored: Rows, replayed: Studio): string[] {
  const found: string[] = [];
  for (const table of TABLE_NAMES) {
    let rows = 0;
    for (const row of stored.all(table)) {
      rows++;
      const other = replayed.get(table, row.id);
      if (!other) found.push(`${table} ${row.id} is stored, but the log does not tell of it`);
      else if (!isSame(row, other)) found.push(`${table} ${row.id} differs: ${fieldsApart(row, other).join(', ')}`);
    }
    const told = [...replayed.all(table)].length;
    if (told !== rows) found.push(`${table}: ${rows} rows are stored, the log tells of ${told}`);
  }
  return found;
}

const fieldsApart = (a: object, b: object): string[] => {
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  return Object.keys({ ...left, ...right }).filter((key) => !isSame(left[key], right[key]));
};
