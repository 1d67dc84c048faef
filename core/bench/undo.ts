import { actOf, happeningWords, type Happening } from './acts/index.ts';
import type { PutBackTarget } from './acts/putBack/act.ts';
import type { LogEntry } from './decide.ts';
import { touchedBy } from './inverse.ts';
import type { Reader } from './tables.ts';

/** Where somebody works, and so what undo takes back there: at one panel, at the rack, or in setting up. */
export type UndoPlace = { readonly panelId: string } | 'rack' | 'setup';

/** Whose undo it is: a person's, on whatever screen; where nobody said who works, the screen's. */
export interface Who {
  readonly personId: string | null;
  readonly bench: string;
}

type Entry = Pick<LogEntry, 'seq' | 'commandId' | 'inverse' | 'happening' | 'personId' | 'bench'>;

/** Where an act is taken back; null where undo passes over it. */
export function placeOf({ kind, fact }: Happening): UndoPlace | null {
  const { undoIn, panelOf } = actOf(kind);
  const panelId = panelOf(fact);
  if (undoIn === null) return null;
  if (panelId !== null) return { panelId };
  if (kind === 'put-back') return fact.rows.some((row) => row.table === 'settings') ? 'setup' : 'rack';
  return undoIn === 'panel' ? null : undoIn;
}

/** The entries that somebody has made at a place, in the order given. */
export function ownAt<E extends Entry>(entries: readonly E[], who: Who, place: UndoPlace): E[] {
  return entries.filter((entry) => isOf(entry, who) && isSamePlace(placeOf(entry.happening), place));
}

const isOf = (entry: Entry, { personId, bench }: Who): boolean =>
  personId === null ? entry.personId === null && entry.bench === bench : entry.personId === personId;

const isSamePlace = (a: UndoPlace | null, b: UndoPlace): boolean =>
  typeof a === 'object' && typeof b === 'object' ? a?.panelId === b.panelId : a === b;

/** What was done and still stands: an act and what took it back are both as if they had not been. Oldest first. */
export function standing<E extends Entry>(entries: readonly E[]): E[] {
  const left = new Map<number, E>();
  for (const entry of entries) {
    const { happening } = entry;
    if (happening.kind !== 'put-back' || !left.delete(happening.fact.seq)) left.set(entry.seq, entry);
  }
  return [...left.values()];
}

/**
 * What undo or redo would put back next, from what somebody did at a place, oldest first. A new act clears what could
 * be redone.
 */
export function nextBack<E extends Entry>(entries: readonly E[], direction: 'undo' | 'redo'): E | null {
  const done = new Map<number, E>();
  const undone = new Map<number, E>();
  for (const entry of entries) {
    const { happening, seq } = entry;
    if (happening.kind !== 'put-back') {
      done.set(seq, entry);
      undone.clear();
    } else if (happening.fact.direction === 'undo') {
      done.delete(happening.fact.seq);
      undone.set(seq, entry);
    } else {
      undone.delete(happening.fact.seq);
      done.set(seq, entry);
    }
  }
  return [...(direction === 'undo' ? done : undone).values()].at(-1) ?? null;
}

/** What an act is called, also when it is the taking back of another one. */
export const deedWords = ({ happening }: Pick<Entry, 'happening'>, state: Reader): string =>
  happening.kind === 'put-back' ? happening.fact.of : happeningWords(happening, state);

export const isLargeAct = ({ happening: { kind, fact } }: Pick<Entry, 'happening'>): boolean =>
  actOf(kind).isLarge?.(fact) ?? false;

/** An entry as it is put back: what it took back is done again, all else is undone. */
export function backOf(entry: Entry, state: Reader): PutBackTarget {
  const { commandId, seq, inverse, happening } = entry;
  const isRedo = happening.kind === 'put-back' && happening.fact.direction === 'undo';
  return { commandId, seq, inverse, direction: isRedo ? 'redo' : 'undo', of: deedWords(entry, state) };
}

/** What rests on an entry: the fields that were touched after it by whatever still stands. */
export function restingOn(
  later: Iterable<Entry> | null,
  isPassedOver: (entry: Entry) => boolean = () => false,
): Map<string, Set<string>> | null {
  if (later === null) return null;
  return touchedBy(standing([...later]).filter((entry) => !isPassedOver(entry)));
}
