import { fieldsOf } from '../../../units/index.ts';
import { NO_WORDS, refuse, type Act, type RowInverse, type UpcastContext } from '../../act.ts';
import { isSame } from '../../inverse.ts';
import type { Draft } from '../../studio.ts';
import type { Reader, TableName } from '../../tables.ts';
import { UNSHAPED } from '../laid.ts';

/** A recorded act that can be put back, with its inverse as the log keeps it. */
export interface PutBackTarget {
  readonly commandId: string;
  readonly seq: number;
  readonly inverse: readonly RowInverse[];
  /** `undo` puts an act back, `redo` puts an undo back. */
  readonly direction: 'undo' | 'redo';
  /** The act in words, as the log tells it. */
  readonly of: string;
}

export interface PutBack {
  readonly target: PutBackTarget | null;
  readonly direction: 'undo' | 'redo';
  /**
   * What others have touched since: rows by `table:id`, with the fields, or `row` where it came or went. Null where it is
   * so long ago that nobody can tell.
   */
  readonly touched: ReadonlyMap<string, ReadonlySet<string>> | null;
}

/** What becomes of one row: fields get values back, a whole row comes back, or a row goes. */
export type RowBack =
  | { readonly table: TableName; readonly id: string; readonly fields: Readonly<Record<string, unknown>> }
  | { readonly table: TableName; readonly id: string; readonly row: Readonly<Record<string, unknown>> }
  | { readonly table: TableName; readonly id: string; readonly goes: true };

export interface WasPutBack {
  readonly commandId: string;
  readonly seq: number;
  readonly direction: 'undo' | 'redo';
  /** What was taken back, or done again, in words; empty where an old log did not say it. */
  readonly of: string;
  readonly panelId: string | null;
  readonly rows: readonly RowBack[];
  /** The ledger is not unwritten; each sheet gets an entry for what came back. */
  readonly moves: readonly { readonly stockId: string; readonly deltaMm2: number; readonly balanceMm2: number }[];
}

/** Undo and redo: what an act has changed goes back to what it was, unless somebody has changed it since. */
export const putBack: Act<PutBack, WasPutBack> = {
  version: 8,
  formerly: [],
  undoIn: 'panel',
  reads: {},
  decide: (state, { target, direction, touched }) => {
    if (!target) return refuse(direction === 'undo' ? 'nothing-to-undo' : 'nothing-to-redo');
    const changed = target.inverse.filter(
      (row) => touched === null || isChanged(state, row, touched.get(`${row.table}:${row.id}`)),
    );
    if (changed.length > 0) {
      const numbers = changed.flatMap((c) => (c.table === 'pieces' ? [state.get('pieces', c.id)?.number ?? 0] : []));
      return refuse('changed-since', { numbers, name: changed.find((c) => c.table !== 'pieces')?.id });
    }
    return { fact: rowsBack(state, target) };
  },
  apply: (draft, { rows, moves }, { seq, at }) => {
    for (const row of rows) write(draft, row);
    for (const { stockId, deltaMm2, balanceMm2 } of moves)
      draft.put('moves', {
        id: `${seq}.${stockId}`,
        seq,
        at,
        stockId,
        kind: 'put back',
        deltaMm2,
        balanceMm2,
        panelId: null,
        numbers: [],
        note: '',
      });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ direction, of }) => {
    const words = direction === 'undo' ? 'taken back' : 'done again';
    return of === '' ? words : `${words}: ${of}`;
  },
  effect: NO_WORDS,
  upcasts: {
    1: wasPutBackFromV1,
    2: (old: Omit<WasPutBack, 'of'>): WasPutBack => ({ ...old, of: '' }),
    3: withLater,
    4: withLater,
    5: withLater,
    6: withLater,
    7: withLater,
  },
};

/** What rows did not say yet when older logs kept them whole. */
const LATER_FIELDS: Readonly<Partial<Record<TableName, (id: string) => object>>> = {
  stock: (id) => ({ ...UNSHAPED, rootId: id, keptFor: null }),
  pieces: () => ({ spot: null, backGlassId: null, backFrom: null, backSpot: null }),
  glasses: () => ({ second: null, coat: 'none' }),
  settings: () => ({ ownReasons: [] }),
  leadMarks: () => ({ laid: [] }),
  finishes: () => ({ tier: null }),
};

function withLater(old: WasPutBack): WasPutBack {
  return { ...old, rows: old.rows.map((row) => withLaterFields(row)) };
}

const withLaterFields = (back: RowBack): RowBack =>
  'row' in back ? { ...back, row: { ...LATER_FIELDS[back.table]?.(back.id), ...back.row } } : back;

/** Somebody has touched it, or it does not say any more what the act made it say. */
function isChanged(
  state: Reader,
  { table, id, was, is }: RowInverse,
  touched: ReadonlySet<string> | undefined,
): boolean {
  const now = state.get(table, id);
  if (was === null) return now === undefined || touched !== undefined;
  if (is === null) return now !== undefined;
  if (now === undefined || touched?.has('row')) return true;
  const says = fieldsOf(now);
  if (table === 'stock') return isSheetChanged(says, { was, is }, touched);
  return Object.entries(is).some(([field, value]) => touched?.has(field) || !isSame(says[field], value));
}

type Values = Readonly<Record<string, unknown>>;

/**
 * What a sheet holds, and what that is worth, are sums: others may have cut from it since, and what comes back is added.
 * Not where it is gone by now, nor where more would be taken than it holds.
 */
function isSheetChanged(
  now: Values,
  { was, is }: { readonly was: Values; readonly is: Values },
  touched: ReadonlySet<string> | undefined,
): boolean {
  const says = { ...now, ...summed(now, { was, is }) };
  if (SUMS.some((field) => field in is && Number(says[field]) < 0)) return true;
  if (!('gone' in is) && now.gone !== null) return true;
  return Object.entries(is).some(
    ([field, value]) => !SUMS.includes(field) && (touched?.has(field) || !isSame(now[field], value)),
  );
}
const SUMS: readonly string[] = ['areaMm2', 'costCents'];

const summed = (now: Values, { was, is }: { readonly was: Values; readonly is: Values }): Values =>
  Object.fromEntries(
    SUMS.filter((field) => field in was).map((field) => [
      field,
      Number(now[field]) + Number(was[field]) - Number(is[field]),
    ]),
  );

function rowsBack(state: Reader, { commandId, seq, direction, inverse, of }: PutBackTarget): WasPutBack {
  const rows = inverse.map(({ table, id, was, is }): RowBack => {
    if (was === null) return { table, id, goes: true };
    if (is === null) return { table, id, row: was };
    if (table !== 'stock') return { table, id, fields: was };
    return { table, id, fields: { ...was, ...summed(fieldsOf(state.get('stock', id) ?? {}), { was, is }) } };
  });
  const moves = rows.flatMap((row) => {
    if (row.table !== 'stock') return [];
    const before = state.get('stock', row.id)?.areaMm2 ?? 0;
    const after = areaAfter(row, before);
    return after === before ? [] : [{ stockId: row.id, deltaMm2: after - before, balanceMm2: after }];
  });
  return { commandId, seq, direction, of, panelId: panelOfRows(state, rows), rows, moves };
}

function areaAfter(row: RowBack, before: number): number {
  if ('goes' in row) return 0;
  const { areaMm2 } = 'row' in row ? row.row : row.fields;
  return typeof areaMm2 === 'number' ? areaMm2 : before;
}

/** Archiving and deleting belong to setting up, not to the panel. */
const isOfSetup = (row: RowBack): boolean => 'fields' in row && 'away' in row.fields;

/** Whether what is put back was done in setting up. */
export const isPutBackInSetup = ({ rows }: WasPutBack): boolean =>
  rows.some((row) => row.table === 'settings' || isOfSetup(row));

function panelOfRows(state: Reader, rows: readonly RowBack[]): string | null {
  for (const row of rows) {
    if (isOfSetup(row)) continue;
    if (row.table === 'panels') return row.id;
    const { panelId } = 'row' in row ? row.row : fieldsOf(state.get(row.table, row.id) ?? {});
    if (typeof panelId === 'string') return panelId;
  }
  return null;
}

function write(draft: Draft, row: RowBack): void {
  if ('goes' in row) return draft.remove(row.table, row.id);
  // The log kept what a row of this table said; it is given back as it was.
  if ('row' in row) return draft.putBack(row.table, row.id, row.row);
  draft.patch(row.table, row.id, row.fields);
}

/** An old event held whole rows of its time; what it put back stands in the inverse of the entry that it names. */
function wasPutBackFromV1(
  old: { readonly commandId: string; readonly seq: number; readonly direction: 'undo' | 'redo' },
  { state, inverseOf }: UpcastContext,
): Omit<WasPutBack, 'of'> {
  const { commandId, seq, direction } = old;
  return rowsBack(state, { commandId, seq, direction, inverse: inverseOf(seq), of: '' });
}
