import type Database from 'better-sqlite3';
import { getTableColumns, getTableName } from 'drizzle-orm';
import {
  QUESTIONS,
  TABLE_NAMES,
  type AnswerRow,
  type Question,
  type Reader,
  type RowChange,
  type Rows,
  type StoredRows,
  type TableName,
  type Tables,
} from '#core/bench';
import { fieldsOf, isOneOf, recordOf } from '#core/units';
import { ROW_TABLES } from './schema/index.ts';

type Value = string | number | bigint | Buffer | null;
type Raw = Readonly<Record<string, unknown>>;

/** A column as a row has it: its key, its name in SQL, and the way there and back. */
interface Column {
  readonly key: string;
  readonly sql: string;
  readonly toSql: (value: unknown) => Value;
  readonly fromSql: (value: unknown) => unknown;
}

interface TableShape {
  readonly sql: string;
  readonly columns: readonly Column[];
}

function shapeOf(table: TableName): TableShape {
  const drizzleTable = ROW_TABLES[table];
  const columns = Object.entries(getTableColumns(drizzleTable)).map(([key, column]): Column => ({
    key,
    sql: column.name,
    toSql: (value) =>
      value === null || value === undefined ? null : (column.mapToDriverValue(value as never) as Value),
    fromSql: (value) => (value === null ? null : column.mapFromDriverValue(value as never)),
  }));
  return { sql: getTableName(drizzleTable), columns };
}

const SHAPES = recordOf(TABLE_NAMES, shapeOf);

/** How SQLite answers each of the core's questions; every condition has an index. `?` is the key. */
const CONDITIONS: Readonly<Record<Question, string>> = {
  piecesOfPanel: 'panel_id = ? and drawn = 1',
  jointsOfPanel: 'panel_id = ? and drawn = 1',
  pieceNumbered: 'panel_id = ? and number = ? and drawn = 1',
  jointNumbered: 'panel_id = ? and number = ? and drawn = 1',
  laidOn: "spot ->> '$.stockId' = ? and stage = 'to-cut' and drawn = 1",
  backsLaidOn: "back_spot ->> '$.stockId' = ? and back_spot is not null and back_from_stock is null and drawn = 1",
  sectionsOfPanel: 'panel_id = ?',
  stepsOfRoute: 'route_id = ?',
  versionsOfRoute: 'key = ?',
  stepsOfPanel: 'panel_id = ?',
  mishapsOfPiece: 'piece_id = ?',
  notesAbout: 'subject = ?',
  traysOfPanel: 'panel_id = ?',
  waitsOfPanel: 'panel_id = ? and is_over = 0',
  repairsOfPanel: 'panel_id = ?',
  supplyMovesOfPanel: 'panel_id = ?',
  peopleNamed: 'lower(name) = ?',
  peopleInitialled: 'lower(initial) = ?',
  panelsOfCommission: 'commission_id = ?',
  glassesWithCode: 'lower(code) = ?',
  stockWithLabel: 'lower(id) = ?',
  stockOfGlass: 'glass_id = ? and gone is null',
  runningClocksOf: 'person_id = ? and ended_at is null and removed = 0',
  runningClocksOn: 'panel_id = ? and ended_at is null and removed = 0',
};

/** The studio's rows, answered from SQLite by statements that are prepared once; nothing is held in memory. */
export class SqliteRows implements Reader, Rows, StoredRows {
  readonly #sqlite: Database.Database;
  readonly #prepared = new Map<string, Database.Statement<unknown[], Raw>>();

  constructor(sqlite: Database.Database) {
    this.#sqlite = sqlite;
  }

  get<T extends TableName>(table: T, id: string): Tables[T] | undefined {
    const raw = this.#statement(`select * from ${SHAPES[table].sql} where id = ?`).get(id);
    return raw && toRow(table, raw);
  }

  *ask<Q extends Question>(question: Q, key: string): Iterable<AnswerRow<Q>> {
    const table: (typeof QUESTIONS)[Q]['table'] = QUESTIONS[question].table;
    const rows = this.#statement(`select * from ${SHAPES[table].sql} where ${CONDITIONS[question]}`).all(
      ...partsOf(question, key),
    );
    for (const raw of rows) yield toRow(table, raw);
  }

  /** Every row of a table, read as it is gone through. */
  *all<T extends TableName>(table: T, order = 'rowid'): Iterable<Tables[T]> {
    const rows = this.#sqlite.prepare<[], Raw>(`select * from ${SHAPES[table].sql} order by ${order}`).iterate();
    for (const raw of rows) yield toRow(table, raw);
  }

  count(table: TableName): number {
    return Number(this.#statement(`select count(*) as n from ${SHAPES[table].sql}`).get()?.n);
  }

  /** Rows that meet a condition of the server's own queries. */
  where<T extends TableName>(table: T, condition: string, ...values: readonly (string | number)[]): Tables[T][] {
    const rows = this.#statement(`select * from ${SHAPES[table].sql} where ${condition}`).all(...values);
    return rows.map((raw) => toRow(table, raw));
  }

  /** The same, of each row only the fields that are asked for: what lists are made of. */
  fieldsWhere<T extends TableName, K extends keyof Tables[T] & string>(
    table: T,
    fields: readonly K[],
    condition: string,
    ...values: readonly (string | number)[]
  ): Pick<Tables[T], K>[] {
    const columns = SHAPES[table].columns.filter(({ key }) => isOneOf<string>(fields, key));
    const names = columns.map((c) => c.sql).join(', ');
    const rows = this.#statement(`select ${names} from ${SHAPES[table].sql} where ${condition}`).all(...values);
    return rows.map((raw) => said<Pick<Tables[T], K>>(columns, raw));
  }

  /**
   * Writes changes, inside a transaction of the caller's: what goes first, children before parents, so that its number is
   * free; then what stays, parents before children.
   */
  write(changes: readonly RowChange[]): void {
    for (const table of [...TABLE_NAMES].reverse())
      for (const { id, after, table: of } of changes)
        if (of === table && after === null) this.#statement(`delete from ${SHAPES[table].sql} where id = ?`).run(id);
    for (const table of TABLE_NAMES) {
      const kept = changes.filter((c) => c.table === table && c.after !== null);
      if (kept.length === 0) continue;
      this.#freeNumbers(table, kept);
      const statement = this.#statement(upsertOf(table));
      const { columns } = SHAPES[table];
      for (const { after } of kept) {
        const row = fieldsOf(after ?? {});
        statement.run(...columns.map(({ key, toSql }) => toSql(row[key])));
      }
    }
  }

  /** Pieces that exchange their numbers must not meet half way: those that change are called below nothing first. */
  #freeNumbers(table: TableName, changes: readonly RowChange[]): void {
    if (table !== 'pieces' && table !== 'joints') return;
    for (const { id, before, after } of changes) {
      if (!before || !after) continue;
      const [was, is] = [fieldsOf(before), fieldsOf(after)];
      if (was.number !== is.number || was.drawn !== is.drawn)
        this.#statement(`update ${SHAPES[table].sql} set number = -number where id = ?`).run(id);
    }
  }

  #statement(sql: string): Database.Statement<unknown[], Raw> {
    let statement = this.#prepared.get(sql);
    if (!statement) this.#prepared.set(sql, (statement = this.#sqlite.prepare<unknown[], Raw>(sql)));
    return statement;
  }
}

const partsOf = (question: Question, key: string): (string | number)[] => {
  if (question !== 'pieceNumbered' && question !== 'jointNumbered') return [key];
  const bar = key.lastIndexOf('|');
  return [key.slice(0, bar), Number(key.slice(bar + 1))];
};

const toRow = <T extends TableName>(table: T, raw: Raw): Tables[T] => said(SHAPES[table].columns, raw);

/** What columns say. Columns and rows are held together by the compiler in the schema. */
function said<Said>(columns: readonly Column[], raw: Raw): Said {
  const row: Record<string, unknown> = {};
  for (const { key, sql, fromSql } of columns) row[key] = fromSql(raw[sql]);
  return row as Said;
}

function upsertOf(table: TableName): string {
  const { sql, columns } = SHAPES[table];
  const names = columns.map((c) => c.sql);
  const sets = names.filter((n) => n !== 'id').map((n) => `${n} = excluded.${n}`);
  return `insert into ${sql} (${names.join(', ')}) values (${names.map(() => '?').join(', ')}) on conflict (id) do update set ${sets.join(', ')}`;
}
