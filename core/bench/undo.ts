import { actOf, type ActKind } from './acts/index.ts';
import type { PutBackTarget } from './acts/putBack.ts';
import type { LogEntry } from './decide.ts';

type Entry = Pick<LogEntry, 'seq' | 'commandId' | 'before'> & {
  readonly happening: { readonly kind: ActKind; readonly payload: unknown };
};

/**
 * What undo or redo would put back next for one bench, from that bench's own entries, oldest first.
 * A new act clears what could be redone.
 */
export function putBackTarget(entries: readonly Entry[], direction: 'undo' | 'redo'): PutBackTarget | null {
  const done: Entry[] = [];
  const undone: Entry[] = [];
  for (const entry of entries) {
    if (!actOf(entry.happening.kind).undoable) continue;
    if (entry.happening.kind !== 'put-back') {
      done.push(entry);
      undone.length = 0;
    } else if ((entry.happening.payload as PutBackTarget).direction === 'undo') {
      done.pop();
      undone.push(entry);
    } else {
      undone.pop();
      done.push(entry);
    }
  }
  const target = (direction === 'undo' ? done : undone).at(-1);
  if (!target) return null;
  const gaveBack =
    target.happening.kind === 'put-back'
      ? new Map((target.happening.payload as PutBackTarget).changes.map((c) => [`${c.table}:${c.id}`, c.before]))
      : null;
  const expected = (table: string, id: string, gone: boolean) =>
    gaveBack ? (gaveBack.get(`${table}:${id}`)?.made ?? null) : gone ? null : target.seq;
  const changes = target.before.map(({ table, id, before, gone }) => ({
    table,
    id,
    before,
    expected: expected(table, id, gone === true),
  }));
  return { commandId: target.commandId, seq: target.seq, changes, direction };
}
