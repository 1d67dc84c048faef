import { fieldsOf } from '../units/index.ts';
import { applied, type LogEntry } from './decide.ts';
import { isSame } from './inverse.ts';
import { Studio } from './studio.ts';
import { TABLE_NAMES, type Reader, type RowChange, type TableName, type Tables } from './tables.ts';

/** The rows that are held against the log: read one by one, and counted. */
export interface StoredRows extends Pick<Reader, 'get'> {
  all<T extends TableName>(table: T): Iterable<Tables[T]>;
  count(table: TableName): number;
}

/** A row that does not say what the log says, as a sentence. */
export function rowDifference(table: TableName, id: string, stored: object | undefined, told: object): string | null {
  if (!stored) return `${table} ${id}: the log tells of it, but it is not stored`;
  if (isSame(stored, told)) return null;
  const [left, right] = [fieldsOf(stored), fieldsOf(told)];
  const apart = Object.keys({ ...left, ...right }).filter((key) => !isSame(left[key], right[key]));
  return `${table} ${id} differs: ${apart.join(', ')}`;
}

/**
 * Replays the log and holds the stored rows against it. What is finished is compared at once and forgotten, entries of
 * the ledger as they come and a delivered panel with the last entry that tells of it, so that the tenth year takes no
 * more memory than the first.
 * @param lastSeqOf the last log position that tells of a panel
 * @returns sentences of what differs
 */
export function* disagreements(
  entries: Iterable<Omit<LogEntry, 'inverse' | 'commandId'>>,
  stored: StoredRows,
  lastSeqOf: (panelId: string) => number | undefined,
): Generator<string> {
  const studio = new Studio();
  const told = new Map<TableName, number>(TABLE_NAMES.map((table) => [table, 0]));
  const ofPanel = new Map<string, Set<string>>();
  function* settle(table: TableName, id: string): Generator<string> {
    const row = studio.get(table, id);
    if (!row) return;
    told.set(table, (told.get(table) ?? 0) + 1);
    const difference = rowDifference(table, id, stored.get(table, id), row);
    if (difference !== null) yield difference;
    studio.load(table, id, null);
  }
  for (const entry of entries) {
    const changes = applied(studio, entry.happening, entry);
    studio.absorb(changes, entry.seq);
    for (const change of changes) {
      if (change.table === 'moves') yield* settle('moves', change.id);
      else noteOwner(ofPanel, change);
    }
    for (const panelId of panelsIn(changes)) {
      if (lastSeqOf(panelId) !== entry.seq || (studio.get('panels', panelId)?.deliveredAt ?? null) === null) continue;
      for (const key of ofPanel.get(panelId) ?? []) {
        const at = key.indexOf(':');
        yield* settle(key.slice(0, at) as TableName, key.slice(at + 1));
      }
      ofPanel.delete(panelId);
    }
  }
  for (const table of TABLE_NAMES) {
    for (const { id } of [...studio.all(table)]) yield* settle(table, id);
    const rows = stored.count(table);
    const n = told.get(table) ?? 0;
    if (rows !== n) yield `${table}: ${rows} rows are stored, the log tells of ${n}`;
  }
}

function noteOwner(ofPanel: Map<string, Set<string>>, { table, id, before, after }: RowChange): void {
  const panelId = table === 'panels' ? id : panelIdOf(after ?? before);
  if (panelId === null) return;
  const keys = ofPanel.get(panelId);
  if (keys) keys.add(`${table}:${id}`);
  else ofPanel.set(panelId, new Set([`${table}:${id}`]));
}

function panelIdOf(row: object | null): string | null {
  const { panelId } = fieldsOf(row ?? {});
  return typeof panelId === 'string' ? panelId : null;
}

function panelsIn(changes: readonly RowChange[]): Set<string> {
  const found = new Set<string>();
  for (const { table, id, before, after } of changes) {
    const panelId = table === 'panels' ? id : panelIdOf(after ?? before);
    if (panelId !== null) found.add(panelId);
  }
  return found;
}
