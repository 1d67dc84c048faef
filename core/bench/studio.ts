import { TABLE_NAMES, type Reader, type RowChange, type TableName, type Tables } from './tables.ts';

type Stores = { [T in TableName]: Map<string, Tables[T]> };

/** The whole studio in memory. Only {@link Draft.changes} alter it, all at once. */
export class Studio implements Reader {
  readonly #stores: Stores;
  readonly #byPanel = new Map<string, Set<string>>();
  /** The last log position folded in. */
  seq = 0;

  constructor() {
    this.#stores = Object.fromEntries(TABLE_NAMES.map((name) => [name, new Map()])) as unknown as Stores;
  }

  get<T extends TableName>(table: T, id: string): Tables[T] | undefined {
    return this.#stores[table].get(id);
  }

  all<T extends TableName>(table: T): Iterable<Tables[T]> {
    return this.#stores[table].values();
  }

  *piecesOf(panelId: string): Iterable<Tables['pieces']> {
    for (const id of this.#byPanel.get(panelId) ?? []) yield this.#stores.pieces.get(id) as Tables['pieces'];
  }

  /** Takes over finished changes; `seq` is the log position they came from. */
  absorb(changes: Iterable<RowChange>, seq: number): void {
    for (const { table, id, after } of changes) this.load(table, id, after);
    this.seq = Math.max(this.seq, seq);
  }

  load<T extends TableName>(table: T, id: string, row: Tables[T] | null): void {
    if (row === null) this.#stores[table].delete(id);
    else this.#stores[table].set(id, row);
    if (table !== 'pieces') return;
    const panelId = id.slice(0, id.lastIndexOf('/'));
    const ids = this.#byPanel.get(panelId) ?? new Set();
    if (row === null) ids.delete(id);
    else ids.add(id);
    this.#byPanel.set(panelId, ids);
  }
}

/** Changes on top of a studio: read through, written aside, thrown away or absorbed. */
export class Draft implements Reader {
  readonly #base: Reader;
  readonly #written = new Map<string, RowChange>();
  readonly seq: number;

  constructor(base: Reader, seq: number) {
    this.#base = base;
    this.seq = seq;
  }

  get<T extends TableName>(table: T, id: string): Tables[T] | undefined {
    const change = this.#written.get(`${table}:${id}`);
    return change ? ((change.after ?? undefined) as Tables[T] | undefined) : this.#base.get(table, id);
  }

  *all<T extends TableName>(table: T): Iterable<Tables[T]> {
    for (const row of this.#base.all(table)) if (!this.#written.has(`${table}:${row.id}`)) yield row;
    for (const change of this.#written.values())
      if (change.table === table && change.after) yield change.after as Tables[T];
  }

  *piecesOf(panelId: string): Iterable<Tables['pieces']> {
    for (const row of this.#base.piecesOf(panelId)) if (!this.#written.has(`pieces:${row.id}`)) yield row;
    for (const change of this.#written.values()) {
      if (change.table === 'pieces' && change.after && (change.after as Tables['pieces']).panelId === panelId)
        yield change.after as Tables['pieces'];
    }
  }

  /** Writes a row; it is made, and last touched, at this draft's log position. */
  put<T extends TableName>(table: T, row: Omit<Tables[T], 'rev' | 'made'>): void {
    const id = (row as { id: string }).id;
    this.#write(table, id, { ...row, rev: this.seq, made: this.seq } as unknown as Tables[T]);
  }

  /** Gives a row back what it said before: touched now, made when it was made. */
  restore<T extends TableName>(table: T, row: Tables[T]): void {
    this.#write(table, row.id, { ...row, rev: this.seq });
  }

  /** Changes some fields of a row that must be there. */
  patch<T extends TableName>(table: T, id: string, fields: Partial<Tables[T]>): void {
    const row = this.get(table, id);
    if (!row) throw new Error(`no row ${id} in ${table}`);
    this.#write(table, id, { ...row, ...fields, rev: this.seq, made: this.seq });
  }

  remove(table: TableName, id: string): void {
    if (this.get(table, id)) this.#write(table, id, null);
  }

  #write<T extends TableName>(table: T, id: string, after: Tables[T] | null): void {
    const key = `${table}:${id}`;
    const before = this.#written.get(key)?.before ?? this.#base.get(table, id) ?? null;
    this.#written.set(key, { table, id, before, after } as RowChange);
  }

  get changes(): RowChange[] {
    return [...this.#written.values()];
  }
}
