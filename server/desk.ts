import type { Accepted, Submit, Told, Touched } from '#contract';
import {
  actOf,
  backOf,
  decide,
  deedWords,
  happeningWords,
  isLargeAct,
  isOwnAt,
  nextBack,
  placeOf,
  restingOn,
  settingsOf,
  standing,
  type AcceptDrawing,
  type Circumstance,
  type Command,
  type LogEntry,
  type Refusal,
  type UndoPlace,
  type Who,
} from '#core/bench';
import { toldRows } from './live/told.ts';
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
  readonly told?: Told;
}

type Result = Accepted | { readonly refusal: Refusal };
interface Asked {
  readonly command: Command;
  readonly basis: number;
  readonly drawing?: NewDrawing;
}

type Asking = () => Asked | { readonly refusal: Refusal };
/** What was begun goes back as a whole. */
class Undone extends Error {
  readonly refusal: Refusal;

  constructor(refusal: Refusal) {
    super(refusal.code);
    this.refusal = refusal;
  }
}

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

  /**
   * Carries out a command with what goes along with it, before or after: both as one, so that of a command that is refused
   * nothing is left.
   * @returns what became of the command itself
   */
  submitWith(request: Submit, along: Submit, when: 'before' | 'after', at: number): Result {
    const carriedOut = ({ basis, command, ...sender }: Submit) =>
      this.#carriedOut(sender, at, () => ({ command, basis }));
    try {
      const { early, result, late } = this.store.atOnce(() => {
        const early = when === 'before' ? carriedOut(along) : null;
        const result = carriedOut(request);
        if ('refusal' in result) throw new Undone(result.refusal);
        return { early, result, late: when === 'after' ? carriedOut(along) : null };
      });
      for (const one of [early, result, late]) if (one) this.#tell(one, request.bench);
      return result;
    } catch (error) {
      if (error instanceof Undone) return { refusal: error.refusal };
      throw error;
    }
  }

  /** Puts back what somebody did last at a place. What is large is only named: it is put back as an entry, when asked for. */
  putBack(direction: 'undo' | 'redo', place: UndoPlace, sender: Sender, at: number): Result {
    return this.#once(sender, at, () => {
      const entry = nextBack(this.#ownAt(place, sender), direction);
      if (entry && direction === 'undo' && isLargeAct(entry))
        return { refusal: { code: 'asks-first', name: deedWords(entry, this.state), seq: entry.seq } };
      return this.#putBack(entry, direction, (later) => isOwnAt(later, sender, place));
    });
  }

  /** Puts one entry of the log back, whoever made it: what rests on it keeps it. */
  putEntryBack(seq: number, sender: Sender, at: number): Result {
    return this.#once(sender, at, () => {
      const entry = this.store.book.entry(seq);
      if (!entry || placeOf(entry.happening) === null) return { refusal: { code: 'nothing-to-undo' } };
      const name = deedWords(entry, this.state);
      const later = this.store.book.after(seq);
      if (later && !standing([entry, ...later]).includes(entry)) return { refusal: { code: 'taken-back', name } };
      return this.#putBack(entry, 'undo');
    });
  }

  /** What undo and redo would do next, in words. */
  undoWords(place: UndoPlace, who: Who): { undo: string | null; redo: string | null } {
    const words = (direction: 'undo' | 'redo') => {
      const entry = nextBack(this.#ownAt(place, who), direction);
      return entry && deedWords(entry, this.state);
    };
    return { undo: words('undo'), redo: words('redo') };
  }

  /** What somebody did at a place, newest first, read as it is gone through. */
  *#ownAt(place: UndoPlace, who: Who): Generator<LogEntry> {
    for (const entry of this.store.book.backwards(typeof place === 'object' ? place.panelId : null))
      if (isOwnAt(entry, who, place)) yield entry;
  }

  #putBack(entry: LogEntry | null, direction: 'undo' | 'redo', isPassedOver?: (later: LogEntry) => boolean): Asked {
    const target = entry && backOf(entry, this.state);
    const touched = entry ? restingOn(this.store.book.after(entry.seq), isPassedOver) : new Map<string, Set<string>>();
    const ask = { target, direction: target?.direction ?? direction, touched };
    return { command: { kind: 'put-back', ask }, basis: this.seq };
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

  #once(sender: Sender, at: number, asked: Asking): Result {
    const result = this.store.atOnce(() => this.#carriedOut(sender, at, asked));
    this.#tell(result, sender.bench);
    return result;
  }

  /** Carries a command out, inside a transaction. */
  #carriedOut({ commandId, personId, bench }: Sender, at: number, asked: Asking): Result {
    const { store } = this;
    const known = store.book.seqOf(commandId);
    if (known !== null) return { seq: known, again: true, touched: {} };
    const wish = asked();
    if ('refusal' in wish) return wish;
    const { command, basis, drawing } = wish;
    if (basis > this.seq) return { refusal: { code: 'ahead' } };
    const now: Circumstance = { at, seq: this.seq + 1, personId, bench };
    const outcome = decide(this.state, command, now, basis, store.book);
    if ('refusal' in outcome) return { refusal: this.#withMeanwhile(outcome.refusal, command, basis, bench) };
    const { happening, inverse, changes } = outcome;
    const panelId = actOf(happening.kind).panelOf(happening.fact);
    store.record({ ...now, commandId, happening, inverse }, changes, panelId, drawing);
    const of = happening.kind === 'put-back' ? { of: happening.fact.of } : {};
    const told = toldRows(changes, this.state);
    return { seq: now.seq, again: false, touched: touchedRows(changes), ...(told && { told }), ...of };
  }

  #tell(result: Result, bench: string): void {
    if (!('seq' in result) || result.again) return;
    const { seq, touched, told } = result;
    for (const tell of this.#listeners) tell({ seq, bench, touched, ...(told && { told }) });
  }

  /** What others have done at the panel since what the command was decided on: a screen that was away shows both. */
  #withMeanwhile(refusal: Refusal, { ask }: Command, basis: number, bench: string): Refusal {
    const panelId = 'panelId' in ask ? ask.panelId : null;
    if (typeof panelId !== 'string' || basis >= this.seq) return refusal;
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
