import type { Accepted, Submit, Touched } from '#contract';
import {
  actOf,
  decide,
  happeningWords,
  putBackTarget,
  settingsOf,
  touchedBy,
  type AcceptDrawing,
  type Circumstance,
  type Command,
  type LogEntry,
  type Refusal,
} from '#core/bench';
import { touchedRows } from './live/touched.ts';
import type { NewDrawing } from './store/drawingStore.ts';
import type { SqliteRows } from './store/rows.ts';
import type { Store } from './store/store.ts';

/** Who sent a command, from which bench, under which id. */
export interface Sender {
  readonly commandId: string;
  readonly personId: string | null;
  readonly bench: string;
}

/** What everybody who listens hears of a command that was carried out. */
export interface Done {
  readonly seq: number;
  readonly bench: string;
  readonly touched: Touched;
}

type Result = Accepted | { readonly refusal: Refusal };

/** Where commands are carried out, one after the other: decide, append, write, tell. */
export class Desk {
  readonly store: Store;
  /** The studio as it stands. */
  readonly state: SqliteRows;
  readonly #listeners = new Set<(done: Done) => void>();

  constructor(store: Store) {
    this.store = store;
    this.state = store.rows;
  }

  get seq(): number {
    return this.store.book.lastSeq();
  }

  onChange(listener: (done: Done) => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  /** Carries a command out at an instant; a command id that is known already changes nothing. */
  submit({ basis, command, ...sender }: Submit, at: number): Result {
    return this.#once(sender, at, () => ({ command, basis }));
  }

  putBack(direction: 'undo' | 'redo', sender: Sender, at: number): Result {
    return this.#once(sender, at, () => {
      const { book } = this.store;
      const target = putBackTarget(book.ofBench(sender.bench), direction);
      const others = target ? book.othersAfter(target.seq, sender.bench) : [];
      const ask = { target, direction, touched: others && touchedBy(others) };
      return { command: { kind: 'put-back', ask }, basis: Number.MAX_SAFE_INTEGER };
    });
  }

  acceptDrawing(
    ask: AcceptDrawing,
    drawing: NewDrawing,
    sender: Sender & { readonly basis: number },
    at: number,
  ): Result {
    const { basis } = sender;
    return this.#once(sender, at, () => ({ command: { kind: 'accept-drawing', ask }, basis, drawing }));
  }

  #once(
    { commandId, personId, bench }: Sender,
    at: number,
    asked: () => { command: Command; basis: number; drawing?: NewDrawing },
  ): Result {
    const { store } = this;
    const result = store.atOnce((): Result => {
      const known = store.book.seqOf(commandId);
      if (known !== null) return { seq: known, again: true, touched: {} };
      const { command, basis, drawing } = asked();
      const now: Circumstance = { at, seq: this.seq + 1, personId, bench };
      const outcome = decide(this.state, command, now, basis, store.book);
      if ('refusal' in outcome) return { refusal: this.#withMeanwhile(outcome.refusal, command, basis, bench) };
      const { happening, inverse, changes } = outcome;
      const panelId = actOf(happening.kind).panelOf(happening.fact);
      store.record({ ...now, commandId, happening, inverse }, changes, panelId, drawing);
      return { seq: now.seq, again: false, touched: touchedRows(changes) };
    });
    if ('seq' in result && !result.again)
      for (const tell of this.#listeners) tell({ seq: result.seq, bench, touched: result.touched });
    return result;
  }

  #withMeanwhile(refusal: Refusal, { ask }: Command, basis: number, bench: string): Refusal {
    const panelId = 'panelId' in ask ? ask.panelId : null;
    if (refusal.code !== 'stale' || typeof panelId !== 'string') return refusal;
    const meanwhile = this.store.book
      .ofPanel(panelId, { after: basis })
      .filter((entry) => entry.bench !== bench)
      .slice(0, 3)
      .reverse()
      .map((entry) => `${this.clock(entry.at)} ${happeningWords(entry.happening, this.state)}${this.by(entry)}.`);
    return { ...refusal, meanwhile };
  }

  by(entry: Pick<LogEntry, 'personId'>): string {
    const person = entry.personId === null ? undefined : this.state.get('people', entry.personId);
    return person ? ` (${person.name})` : '';
  }

  clock(at: number): string {
    return new Date(at).toLocaleTimeString(settingsOf(this.state).locale, { hour: '2-digit', minute: '2-digit' });
  }
}
