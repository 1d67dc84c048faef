import { keysOf, recordOf } from '../units/index.ts';
import { shippedRows } from './routes/shipped.ts';
import {
  QUESTIONS,
  TABLE_NAMES,
  type AnswerRow,
  type Question,
  type Reader,
  type RowChange,
  type TableName,
  type Tables,
} from './tables.ts';

type Stores = { [T in TableName]: Map<string, Tables[T]> };
type AnyRow = Tables[TableName];
type AnyQuestion = { readonly table: TableName; readonly keyOf: (row: AnyRow) => string | null };

const QUESTION_NAMES = keysOf(QUESTIONS);
/** A question for any row: the table it names has been looked at before it is asked. */
const questionOf = (name: Question): AnyQuestion => QUESTIONS[name] as unknown as AnyQuestion;
const QUESTIONS_ON = recordOf(TABLE_NAMES, (table) => QUESTION_NAMES.filter((q) => QUESTIONS[q].table === table));

/** A studio in memory, with the shipped routes: for a screen's previews, for replays and for tests. */
export class Studio implements Reader {
  readonly #stores: Stores;
  readonly #answers = new Map<Question, Map<string, Set<string>>>(QUESTION_NAMES.map((q) => [q, new Map()]));
  /** The last log position folded in. */
  seq = 0;

  constructor() {
    this.#stores = recordOf(TABLE_NAMES, () => new Map());
    const { routes, routeSteps } = shippedRows();
    for (const row of routes) this.load('routes', row.id, row);
    for (const row of routeSteps) this.load('routeSteps', row.id, row);
  }

  get<T extends TableName>(table: T, id: string): Tables[T] | undefined {
    return this.#stores[table].get(id);
  }

  all<T extends TableName>(table: T): Iterable<Tables[T]> {
    return this.#stores[table].values();
  }

  *ask<Q extends Question>(question: Q, key: string): Iterable<AnswerRow<Q>> {
    const table: (typeof QUESTIONS)[Q]['table'] = QUESTIONS[question].table;
    for (const id of this.#answers.get(question)?.get(key) ?? []) {
      const row = this.get(table, id);
      if (row) yield row;
    }
  }

  /** Takes over finished changes; `seq` is the log position they came from. */
  absorb(changes: Iterable<RowChange>, seq: number): void {
    for (const { table, id, after } of changes) this.load(table, id, after);
    this.seq = Math.max(this.seq, seq);
  }

  load<T extends TableName>(table: T, id: string, row: Tables[T] | null): void {
    const store = this.#stores[table];
    this.#index(table, id, store.get(id), row);
    if (row === null) store.delete(id);
    else store.set(id, row);
  }

  #index(table: TableName, id: string, before: AnyRow | undefined, after: AnyRow | null): void {
    for (const name of QUESTIONS_ON[table]) {
      const { keyOf } = questionOf(name);
      const was = before ? keyOf(before) : null;
      const is = after ? keyOf(after) : null;
      if (was === is) continue;
      const index = this.#answers.get(name);
      if (was !== null) index?.get(was)?.delete(id);
      if (is === null) continue;
      const ids = index?.get(is);
      if (ids) ids.add(id);
      else index?.set(is, new Set([id]));
    }
  }
}

/** Changes on top of a studio: read through, written aside, thrown away or absorbed. */
export class Draft implements Reader {
  readonly #base: Reader;
  readonly #written: { readonly [T in TableName]: Map<string, RowChange<T>> } = recordOf(TABLE_NAMES, () => new Map());
  readonly seq: number;

  constructor(base: Reader, seq: number) {
    this.#base = base;
    this.seq = seq;
  }

  get<T extends TableName>(table: T, id: string): Tables[T] | undefined {
    const change = this.#written[table].get(id);
    return change ? (change.after ?? undefined) : this.#base.get(table, id);
  }

  *ask<Q extends Question>(question: Q, key: string): Iterable<AnswerRow<Q>> {
    const table: (typeof QUESTIONS)[Q]['table'] = QUESTIONS[question].table;
    const { keyOf } = questionOf(question);
    const written = this.#written[table];
    for (const row of this.#base.ask(question, key)) if (!written.has(row.id)) yield row;
    for (const { after } of written.values()) if (after !== null && keyOf(after) === key) yield after;
  }

  /** Writes a row whole. */
  put<T extends TableName>(table: T, row: Omit<Tables[T], 'rev'> & { readonly id: string }): void {
    this.putBack(table, row.id, row);
  }

  /** Writes a row whole, as the log kept it: what a row of this table says. */
  putBack<T extends TableName>(table: T, id: string, row: object): void {
    this.#write(table, id, { ...row, rev: this.seq } as Tables[T]);
  }

  /** Changes some fields of a row that must be there. */
  patch<T extends TableName>(table: T, id: string, fields: Partial<Omit<Tables[T], 'id' | 'rev'>>): void {
    const row = this.get(table, id);
    if (!row) throw new Error(`no row ${id} in ${table}`);
    this.#write(table, id, { ...row, ...fields, rev: this.seq });
  }

  remove(table: TableName, id: string): void {
    if (this.get(table, id)) this.#write(table, id, null);
  }

  #write<T extends TableName>(table: T, id: string, after: Tables[T] | null): void {
    const written = this.#written[table];
    const known = written.get(id);
    const before = known ? known.before : (this.#base.get(table, id) ?? null);
    if (before === null && after === null) written.delete(id);
    else written.set(id, { table, id, before, after });
  }

  /** What was changed of one table so far. */
  changesOf<T extends TableName>(table: T): Iterable<RowChange<T>> {
    return this.#written[table].values();
  }

  /** All changes, parents before children. */
  get changes(): RowChange[] {
    return TABLE_NAMES.flatMap((table) => [...this.changesOf(table)]);
  }
}
