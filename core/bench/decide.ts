import { actOf, happeningOf, type Command, type Happening } from './acts/index.ts';
import type { Circumstance, RowInverse } from './act.ts';
import { keepCounts } from './counts.ts';
import { inverseOf, touchedBy } from './inverse.ts';
import type { Refusal } from './refusals.ts';
import { Draft } from './studio.ts';
import type { Reader, RowChange } from './tables.ts';

/** An entry of the log. The inverse is kept when the act is recorded. */
export interface LogEntry extends Circumstance {
  readonly commandId: string;
  readonly happening: Happening;
  readonly inverse: readonly RowInverse[];
}

export interface Outcome {
  readonly happening: Happening;
  readonly changes: readonly RowChange[];
  readonly inverse: readonly RowInverse[];
}

/** What the rules have to know of the log. */
export interface History {
  /** Entries later than a log position by benches other than one, in any order; null where that is too far back. */
  readonly othersAfter: (seq: number, bench: string) => Iterable<Pick<LogEntry, 'inverse'>> | null;
}

/** For previews and replays, which judge by the state alone. */
export const NO_HISTORY: History = { othersAfter: () => [] };

/**
 * Decides one command on the state as it is.
 * @param basis log position the user saw when deciding. The command is stale when another bench has touched, after it,
 *   a field that the act was decided by, on a row that it would change. What the same bench did is never stale to it.
 */
export function decide(
  state: Reader,
  command: Command,
  now: Circumstance,
  basis: number,
  history: History = NO_HISTORY,
): Outcome | { readonly refusal: Refusal } {
  const act = actOf(command.kind);
  const decided = act.decide(state, command.ask, now);
  if ('refusal' in decided) return decided;
  const away = awayPanel(state, command.kind, act.panelOf(decided.fact));
  if (away) return { refusal: away };
  const happening = happeningOf(command.kind, decided.fact);
  const changes = applied(state, happening, now);
  const stale = staleChanges(changes, act.reads, basis, now.bench, history);
  if (stale.length > 0) {
    const numbers = stale.flatMap((c) => (c.table === 'pieces' ? [state.get('pieces', c.id)?.number ?? 0] : []));
    return { refusal: { code: 'stale', numbers, name: stale.find((c) => c.table !== 'pieces')?.id } };
  }
  return { happening, changes, inverse: inverseOf(changes) };
}

/** What may be told of a panel that is away: hours that it took. */
const OF_AWAY_TOO: ReadonlySet<string> = new Set(['stop-clock', 'enter-hours', 'remove-hours']);

function awayPanel(state: Reader, kind: string, panelId: string | null): Refusal | null {
  const panel = panelId === null || OF_AWAY_TOO.has(kind) ? undefined : state.get('panels', panelId);
  return panel && panel.away !== null ? { code: panel.away, name: panel.name } : null;
}

/** The row changes that an event makes: the whole of fold, one step at a time. */
export function applied(state: Reader, happening: Happening, now: Circumstance): RowChange[] {
  const draft = new Draft(state, now.seq);
  actOf(happening.kind).apply(draft, happening.fact, now);
  keepCounts(draft);
  return draft.changes;
}

function staleChanges(
  changes: readonly RowChange[],
  reads: Readonly<Record<string, readonly string[] | undefined>>,
  basis: number,
  bench: string,
  history: History,
): RowChange[] {
  const suspect = changes.filter((c) => c.before !== null && c.before.rev > basis && reads[c.table] !== undefined);
  if (suspect.length === 0) return [];
  const others = history.othersAfter(basis, bench);
  if (others === null) return suspect;
  const touched = touchedBy(others);
  return suspect.filter((c) => {
    const fields = touched.get(`${c.table}:${c.id}`);
    return fields !== undefined && (fields.has('row') || reads[c.table]?.some((field) => fields.has(field)));
  });
}
