import { applied, type LogEntry } from './decide.ts';
import { Studio } from './studio.ts';
import { TABLE_NAMES, type Reader } from './tables.ts';

/** The studio from nothing but its log: slow and plain, the measure of every faster way. */
export function replay(entries: Iterable<LogEntry>): Studio {
  const studio = new Studio();
  for (const entry of entries) {
    const now = { at: entry.at, seq: entry.seq, personId: entry.personId, bench: entry.bench };
    studio.absorb(applied(studio, entry.happening, now), entry.seq);
  }
  return studio;
}

/** Where two states differ, in words; empty when they are alike row by row. */
export function differences(a: Reader, b: Reader): string[] {
  const found: string[] = [];
  for (const table of TABLE_NAMES) {
    const left = new Map([...a.all(table)].map((row) => [row.id, canonical(row)]));
    const right = new Map([...b.all(table)].map((row) => [row.id, canonical(row)]));
    for (const [id, row] of left) if (right.get(id) !== row) found.push(`${table} ${id} differs`);
    for (const id of right.keys()) if (!left.has(id)) found.push(`${table} ${id} is in one only`);
  }
  return found;
}

const canonical = (row: object): string =>
  JSON.stringify(row, (_, value: unknown) =>
    value && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([, v]) => v !== undefined)
            .sort(([p], [q]) => (p < q ? -1 : 1)),
        )
      : value,
  );
