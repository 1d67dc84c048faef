import { fieldsOf } from '../units/index.ts';
import type { RowInverse } from './act.ts';
import type { RowChange, TableName } from './tables.ts';

/** The ledger is never unwritten: it gets entries for what comes back. */
const NEVER_UNWRITTEN: ReadonlySet<TableName> = new Set(['moves']);
/** Fields that are worked out, or only count upwards, and so are no part of what an act says. */
const WORKED_OUT: Readonly<Partial<Record<TableName, ReadonlySet<string>>>> = {
  panels: new Set(['counts', 'freeId']),
  commissions: new Set(['inHand']),
};

/** The inverse of changes, as the log keeps it: of each row the fields that changed, as they were and as they are. */
export function inverseOf(changes: readonly RowChange[]): RowInverse[] {
  return changes.flatMap(({ table, id, before, after }): RowInverse[] => {
    if (NEVER_UNWRITTEN.has(table)) return [];
    if (before === null) return [{ table, id, was: null, is: null }];
    if (after === null) return [{ table, id, was: { ...before }, is: null }];
    const fields = changedFields(table, before, after);
    if (fields.length === 0) return [];
    return [{ table, id, was: picked(before, fields), is: picked(after, fields) }];
  });
}

function changedFields(table: TableName, before: object, after: object): string[] {
  const left = fieldsOf(before);
  const right = fieldsOf(after);
  return Object.keys(right).filter(
    (field) => field !== 'rev' && !WORKED_OUT[table]?.has(field) && !isSame(left[field], right[field]),
  );
}

/** Whether two values say the same, members in any order. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [left, right] = [fieldsOf(a), fieldsOf(b)];
  const keys = Object.keys(left);
  return (
    keys.length === Object.keys(right).length && keys.every((key) => key in right && isSame(left[key], right[key]))
  );
}

const picked = (row: object, fields: readonly string[]): Record<string, unknown> =>
  Object.fromEntries(fields.map((field) => [field, fieldsOf(row)[field]]));

/** Which fields of a row an entry touched; `row` where it made the row or took it away. */
export interface Touch {
  readonly table: TableName;
  readonly id: string;
  readonly fields: readonly string[] | 'row';
}

export function* touches(inverse: readonly RowInverse[]): Generator<Touch> {
  for (const { table, id, was, is } of inverse)
    yield { table, id, fields: was === null || is === null ? 'row' : Object.keys(is) };
}

/** What entries touched together: fields by `table:id`; `row` stands for a row that came or went. */
export function touchedBy(entries: Iterable<{ readonly inverse: readonly RowInverse[] }>): Map<string, Set<string>> {
  const found = new Map<string, Set<string>>();
  for (const { inverse } of entries)
    for (const { table, id, fields } of touches(inverse)) {
      const key = `${table}:${id}`;
      let touched = found.get(key);
      if (!touched) found.set(key, (touched = new Set()));
      for (const field of fields === 'row' ? ['row'] : fields) touched.add(field);
    }
  return found;
}
