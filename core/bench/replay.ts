import { rowDifference } from './agreement.ts';
import { applied, type LogEntry } from './decide.ts';
import { Studio } from './studio.ts';
import { TABLE_NAMES, type TableName, type Tables } from './tables.ts';

/** The studio from nothing but its log: slow and plain, the measure of every faster way. */
export function replay(entries: Iterable<Omit<LogEntry, 'inverse' | 'commandId'>>): Studio {
  const studio = new Studio();
  for (const entry of entries) studio.absorb(applied(studio, entry.happening, entry), entry.seq);
  return studio;
}

/** All rows of a studio, table by table. */
export interface Rows {
  all<T extends TableName>(table: T): Iterable<Tables[T]>;
}

/** Where two states differ, in words; empty when they are alike row by row. */
export function differences(stored: Rows, replayed: Studio): string[] {
  const found: string[] = [];
  for (const table of TABLE_NAMES) {
    const rows = new Map([...stored.all(table)].map((row) => [row.id, row]));
    for (const row of replayed.all(table)) {
      const difference = rowDifference(table, row.id, rows.get(row.id), row);
      if (difference !== null) found.push(difference);
    }
    const told = [...replayed.all(table)].length;
    if (told !== rows.size) found.push(`${table}: ${rows.size} rows are stored, the log tells of ${told}`);
  }
  return found;
}
