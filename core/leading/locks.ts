import { Contacts, contactsAt, isFreeOf, touchesOf, type PieceContacts } from './freedom.ts';

/** Sets of locked pieces are tried one by one up to this many tries; beyond, the best next one is taken. */
const MOST_TRIES = 3000;
const MOST_WORK = 400_000;

/**
 * The fewest pieces that can not be slid in, whatever the order. A panel is taken apart in mind: whoever is free comes off,
 * and each that comes off frees others, so that taking any that is free is never wrong. Where nothing is free any more one
 * has to be forced, and which one is tried.
 * @returns their numbers
 */
export function leastLocked(pieces: readonly number[], contacts: ReadonlyMap<number, PieceContacts>): number[] {
  const first = stuckAfter(pieces, contacts, []);
  if (first.length === 0) return [];
  let tries = 0;
  const most = Math.min(MOST_TRIES, Math.floor(MOST_WORK / pieces.length));
  /** Sets of locked pieces one larger each time: the first that lets everything come off is a smallest one. */
  let known: { readonly locked: readonly number[]; readonly stuck: readonly number[] }[] = [
    { locked: [], stuck: first },
  ];
  for (;;) {
    const next: typeof known = [];
    for (const { locked, stuck } of known) {
      const last = locked.at(-1) ?? -Infinity;
      for (const piece of stuck) {
        // Each set once: where several are forced out of one knot, in the order of their numbers.
        if (piece < last && known.length > 1) continue;
        const all = [...locked, piece];
        const still = stuckAfter(pieces, contacts, all);
        if (still.length === 0) return all;
        next.push({ locked: all, stuck: still });
        tries++;
      }
      if (tries > most) break;
    }
    next.sort((a, b) => a.stuck.length - b.stuck.length);
    known = tries > most ? next.slice(0, 1) : next;
  }
}

/** What stays when everything that is free has come off, over and over. */
export function stuckAfter(
  pieces: readonly number[],
  contacts: ReadonlyMap<number, PieceContacts>,
  locked: readonly number[],
): number[] {
  const there = new Set(pieces);
  const counts = new Map(pieces.map((piece) => [piece, counted(contactsAt(contacts, piece))]));
  const queue = [...pieces];
  const isFree = new Set(locked);
  for (;;) {
    let piece = queue.pop();
    if (piece === undefined) {
      // What was not free by the careful count may be so to the hair.
      piece = [...there].find((one) => isFreeOf(touchesOf(contactsAt(contacts, one), (other) => there.has(other))));
      if (piece === undefined) return [...there];
      isFree.add(piece);
    }
    if (!there.has(piece) || !(isFree.has(piece) || counts.get(piece)?.isFree)) continue;
    there.delete(piece);
    for (const [other] of contactsAt(contacts, piece).neighbours) {
      if (!there.has(other)) continue;
      counts.get(other)?.add(contactsAt(contacts, other).neighbours.get(piece) ?? [], -1);
      queue.push(other);
    }
  }
}

/** All that a piece touches, counted. */
export function counted({ border, neighbours }: PieceContacts): Contacts {
  const count = new Contacts();
  count.add(border, 1);
  for (const touches of neighbours.values()) count.add(touches, 1);
  return count;
}
