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

const QUESTION_NAMES = Object.keys(QUESTIONS) as Question[];
/** A question for any row: the table it names has been looked at before it is asked. */
const questionOf = (name: Question): AnyQuestion => QUESTIONS[name] as unknown as AnyQuestion;
const QUESTIONS_ON: Readonly<Record<TableName, readonly Question[]>> = Object.fromEntries(
  TABLE_NAMES.map((table) => [table, QUESTION_NAMES.filter((q) => QUESTIONS[q].table === table)]),
) as unknown as Record<TableName, readonly Question[]>;

/** A studio in memory, with the shipped routes: for a screen's previews, for replays and for tests. */
export class Studio implements Reader {
  readonly #stores: Stores;
  readonly #answers = new Map<Question, Map<string, Set<string>>>(QUESTION_NAMES.map((q) => [q, new Map()]));
  /** The last log position folded in. */
  seq = 0;

  constructor() {
    this.#stores = Object.fromEntries(TABLE_NAMES.map((name) => [name, new Map()])) as unknown as Stores;
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
    const store = this.#stores[QUESTIONS[question].table] as unknown as ReadonlyMap<string, AnswerRow<Q>>;
    for (const id of this.#answers.get(question)?.get(key) ?? []) {
      const row = store.get(id);
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
  readonly #written: { [T in TableName]?: Map<string, RowChange<T>> } = {};
  readonly seq: number;

  constructor(base: Reader, seq: number) {
    this.#base = base;
    this.seq = seq;
  }

  get<T extends TableName>(table: T, id: string): Tables[T] | undefined {
    const change = this.#on(table)?.get(id);
    return change ? (change.after ?? undefined) : this.#base.get(table, id);
  }

  *ask<Q extends Question>(question: Q, key: string): Iterable<AnswerRow<Q>> {
    const { table, keyOf } = questionOf(question);
    const written = this.#on(table);
    for (const row of this.#base.ask(question, key)) if (!written?.has(row.id)) yield row;
    for (const { after } of written?.values() ?? [])
      if (after !== null && keyOf(after) === key) yield after as AnswerRow<Q>;
  }

  /** Writes a row whole. */
  put<T extends TableName>(table: T, row: Omit<Tables[T], 'rev'>): void {
    this.#write(table, (row as { id: string }).id, { ...row, rev: this.seq } as Tables[T]);
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

  #on<T extends TableName>(table: T): Map<string, RowChange<T>> | undefined {
    return this.#written[table] as Map<string, RowChange<T>> | undefined;
  }

  #write<T extends TableName>(table: T, id: string, after: Tables[T] | null): void {
    let written = this.#on(table);
    if (!written) (this.#written as Record<string, unknown>)[table] = written = new Map<string, RowChange<T>>();
    const known = written.get(id);
    const before = known ? known.before : (this.#base.get(table, id) ?? null);
    if (before === null && after === null) written.delete(id);
    else written.set(id, { table, id, before, after });
  }

  /** What was changed of one table so far. */
  changesOf<T extends TableName>(table: T): Iterable<RowChange<T>> {
    return this.#on(table)?.values() ?? [];
  }

  /** All changes, parents before children. */
  get changes(): RowChange[] {
    return TABLE_NAMES.flatMap((table) => [...this.changesOf(table)]);
  }
}
