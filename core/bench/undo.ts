import type { RowInverse } from './act.ts';
import { actOf, type ActKind } from './acts/index.ts';
import type { PutBackTarget } from './acts/putBack/act.ts';

interface Entry {
  readonly seq: number;
  readonly commandId: string;
  readonly inverse: readonly RowInverse[];
  readonly happening: { readonly kind: ActKind; readonly fact: unknown };
}

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
    } else if ((entry.happening.fact as PutBackTarget).direction === 'undo') {
      done.pop();
      undone.push(entry);
    } else {
      undone.pop();
      done.push(entry);
    }
  }
  const target = (direction === 'undo' ? done : undone).at(-1);
  return target ? { commandId: target.commandId, seq: target.seq, inverse: target.inverse, direction } : null;
}
