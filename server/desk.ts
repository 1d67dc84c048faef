import type { Accepted, Submit } from '#contract';
import {
  decide,
  putBackTarget,
  settingsOf,
  type Circumstance,
  type Command,
  type LogEntry,
  type Refusal,
  type Studio,
} from '#core/bench';
import { happeningWords } from '#core/words';
import type { Store, StoredCartoon } from './store/store.ts';

/** Where commands are carried out, one after the other: decide, append, absorb, tell. */
export class Desk {
  readonly store: Store;
  readonly studio: Studio;
  readonly #listeners = new Set<(entry: LogEntry, panelId: string | null) => void>();

  constructor(store: Store) {
    this.store = store;
    this.studio = store.load();
  }

  onChange(listener: (entry: LogEntry, panelId: string | null) => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  /** Carries a command out at an instant; a command id that is known already changes nothing. */
  submit({ commandId, basis, personId, bench, command }: Submit, at: number): Accepted | { refusal: Refusal } {
    const known = this.store.seqOf(commandId);
    if (known !== null) return { seq: known, again: true };
    return this.#carryOut(command, { commandId, personId, bench, at }, basis);
  }

  putBack(
    direction: 'undo' | 'redo',
    facts: { commandId: string; personId: string | null; bench: string },
    at: number,
  ): Accepted | { refusal: Refusal } {
    const known = this.store.seqOf(facts.commandId);
    if (known !== null) return { seq: known, again: true };
    const target = putBackTarget(this.store.entriesOfBench(facts.bench), direction);
    return this.#carryOut({ kind: 'put-back', ask: { target, direction } }, { ...facts, at }, this.studio.seq);
  }

  acceptCartoon(
    ask: Extract<Command, { kind: 'cartoon' }>['ask'],
    cartoon: StoredCartoon,
    facts: { commandId: string; personId: string | null; bench: string; basis: number },
    at: number,
  ): Accepted | { refusal: Refusal } {
    const known = this.store.seqOf(facts.commandId);
    if (known !== null) return { seq: known, again: true };
    return this.#carryOut({ kind: 'cartoon', ask }, { ...facts, at }, facts.basis, cartoon);
  }

  #carryOut(
    command: Command,
    { commandId, personId, bench, at }: { commandId: string; personId: string | null; bench: string; at: number },
    basis: number,
    cartoon?: StoredCartoon,
  ): Accepted | { refusal: Refusal } {
    const seq = this.studio.seq + 1;
    const now: Circumstance = { at, seq, personId, bench };
    const outcome = decide(this.studio, command, now, basis);
    if ('refusal' in outcome) return { refusal: this.#withMeanwhile(outcome.refusal, command, basis) };
    const entry = { seq, commandId, at, personId, bench, happening: outcome.happening };
    const panelId = panelOf(command);
    this.store.record(entry, outcome.changes, panelId, cartoon);
    this.studio.absorb(outcome.changes, seq);
    for (const listener of this.#listeners) listener({ ...entry, before: [] }, panelId);
    return { seq, again: false };
  }

  #withMeanwhile(refusal: Refusal, command: Command, basis: number): Refusal {
    const panelId = panelOf(command);
    if (refusal.code !== 'stale' || panelId === null) return refusal;
    const meanwhile = this.store
      .entriesOfPanel(panelId, basis, 3)
      .reverse()
      .map((entry) => `${this.clock(entry.at)} ${happeningWords(entry.happening, this.studio)}${this.by(entry)}.`);
    return { ...refusal, meanwhile };
  }

  by(entry: Pick<LogEntry, 'personId'>): string {
    const person = entry.personId === null ? undefined : this.studio.get('people', entry.personId);
    return person ? ` (${person.name})` : '';
  }

  clock(at: number): string {
    return new Date(at).toLocaleTimeString(settingsOf(this.studio).locale, { hour: '2-digit', minute: '2-digit' });
  }
}

function panelOf(command: Command): string | null {
  if (command.kind === 'put-back') {
    const piece = command.ask.target?.changes.find((c) => c.table === 'pieces' || c.table === 'panels');
    if (!piece) return null;
    return piece.table === 'panels' ? piece.id : piece.id.slice(0, piece.id.lastIndexOf('/'));
  }
  if (command.kind === 'panel') return command.ask.id;
  return 'panelId' in command.ask ? command.ask.panelId : null;
}
