import { actOf, happeningWords, type Happening } from './acts/index.ts';
import { isPutBackInSetup, type PutBackTarget } from './acts/putBack/act.ts';
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
  if (kind === 'put-back') return isPutBackInSetup(fact) ? 'setup' : 'rack';
  return undoIn === 'panel' ? null : undoIn;
}

/** Whether somebody has made an entry at a place. */
export const isOwnAt = (entry: Entry, who: Who, place: UndoPlace): boolean =>
  isOf(entry, who) && isSamePlace(placeOf(entry.happening), place);

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
 * What undo or redo would put back next, from what somebody did at a place, newest first; it is read no further than
 * that. What was done anew can not be preceded by a redo: it ends the search.
 */
export function nextBack<E extends Entry>(own: Iterable<E>, direction: 'undo' | 'redo'): E | null {
  const reverted = new Set<number>();
  for (const entry of own) {
    const { happening, seq } = entry;
    if (reverted.has(seq)) continue;
    if (happening.kind !== 'put-back') return direction === 'undo' ? entry : null;
    reverted.add(happening.fact.seq);
    if ((happening.fact.direction === 'undo') === (direction === 'redo')) return entry;
  }
  return null;
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
export function restingOn<E extends Entry>(
  later: Iterable<E> | null,
  isPassedOver: (entry: E) => boolean = () => false,
): Map<string, Set<string>> | null {
  if (later === null) return null;
  return touchedBy(standing([...later]).filter((entry) => !isPassedOver(entry)));
}
