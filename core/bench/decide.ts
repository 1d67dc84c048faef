import { actOf, type Command, type Happening } from './acts/index.ts';
import type { Circumstance, Refusal } from './act.ts';
import { Draft } from './studio.ts';
import type { Reader, RowChange } from './tables.ts';

/** What a row was before an act; `gone` when the act took it away. */
export type RowBefore = Pick<RowChange, 'table' | 'id' | 'before'> & { readonly gone?: true };

/** The inverse of changes, as the log keeps it; the ledger has entries of its own for what comes back. */
export const inverseOf = (changes: readonly RowChange[]): RowBefore[] =>
  changes
    .filter((c) => c.table !== 'moves')
    .map(({ table, id, before, after }) => ({ table, id, before, ...(after === null ? { gone: true as const } : {}) }));

/** An entry of the log. `before` is what each row was: the inverse is kept when the act is recorded. */
export interface LogEntry {
  readonly seq: number;
  readonly commandId: string;
  readonly at: number;
  readonly personId: string | null;
  readonly bench: string;
  readonly happening: Happening;
  readonly before: readonly RowBefore[];
}

export interface Outcome {
  readonly happening: Happening;
  readonly changes: readonly RowChange[];
}

/**
 * Decides one command on the state as it is.
 * @param basis log position the user saw when deciding; a row changed after it makes the command stale.
 *   Entries of the ledger and rows that are new cannot be stale.
 */
export function decide(
  state: Reader,
  command: Command,
  now: Circumstance,
  basis: number,
): Outcome | { refusal: Refusal } {
  const act = actOf(command.kind);
  const decided = act.decide(state, command.ask, now);
  if ('refusal' in decided) return decided;
  const happening = { kind: command.kind, payload: decided.payload } as Happening;
  const changes = applied(state, happening, now);
  const stale = changes.filter((change) => change.before !== null && change.before.rev > basis);
  if (stale.length > 0) {
    const numbers = stale.filter((c) => c.table === 'pieces').map((c) => Number(c.id.slice(c.id.lastIndexOf('/') + 1)));
    return { refusal: { code: 'stale', numbers, name: stale.find((c) => c.table !== 'pieces')?.id } };
  }
  return { happening, changes };
}

/** The row changes that an event makes: the whole of fold, one step at a time. */
export function applied(state: Reader, happening: Happening, now: Circumstance): RowChange[] {
  const draft = new Draft(state, now.seq);
  actOf(happening.kind).apply(draft, happening.payload, now);
  return draft.changes;
}
