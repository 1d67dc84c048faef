import type { Point } from '../geometry/index.ts';
import { nth, numberAt } from '../units/index.ts';
import { contactsAt, freeShare, isFreeOf, touchesOf, type PieceContacts } from './freedom.ts';
import { counted } from './locks.ts';
import { isLoop, leftOf, rightOf, type Chain } from './passes.ts';
import type { LeadLine } from './types.ts';

/** All that an order is looked for by. */
export interface OrderTask {
  readonly lines: readonly LeadLine[];
  readonly pieces: readonly number[];
  readonly contacts: ReadonlyMap<number, PieceContacts>;
  readonly middles: ReadonlyMap<number, Point>;
}

/** How one try goes about it. */
export interface OrderWish {
  /** From the corner across the panel: what lies further this way is laid later. A unit vector. */
  readonly onwards: Point;
  /** Pieces that are taken off though they are not free. */
  readonly locked: ReadonlySet<number>;
  /** Runs, by their places, that part the panel the other way round than it grows. */
  readonly flipped: ReadonlySet<number>;
}

/** A run that divides the panel: all pieces of one side are laid before all of the other. */
interface Divide {
  readonly sides: readonly [ReadonlySet<number>, ReadonlySet<number>];
  /** Which side is laid later as the panel grows from its corner. */
  readonly natural: 0 | 1;
}

export interface Ordered {
  /** Pieces as they are laid. */
  readonly order: readonly number[];
  /** Pieces that can not be slid in where they stand in it. */
  readonly locked: readonly number[];
  /** Runs, by their places, that this order cuts. */
  readonly cut: readonly number[];
}

/**
 * Takes the panel apart from the far corner, one piece at a time that is free to come off; read backwards that is the order
 * in which it is built. A run asks that all pieces of one side come off before any of the other: where that can not be kept
 * the run is cut, and where nothing is free any more the piece that is least held is taken.
 */
export function takeApart(task: OrderTask, chains: readonly Chain[], wish: OrderWish): Ordered {
  const { pieces, contacts, middles } = task;
  const { locked } = wish;
  const divides = chains.map((chain, run) => divideOf(task, chain, wish.onwards, wish.flipped.has(run)));
  const runsAt = new Map<number, (readonly [run: number, side: 0 | 1])[]>(pieces.map((piece) => [piece, []]));
  divides.forEach((divide, run) => {
    for (const side of [0, 1] as const)
      for (const piece of divide?.sides[side] ?? []) runsAt.get(piece)?.push([run, side]);
  });
  const left = divides.map((divide) => [divide?.sides[0].size ?? 0, divide?.sides[1].size ?? 0]);
  /** Which side comes off first, once one has begun to. */
  const late: (0 | 1 | null)[] = divides.map(() => null);
  const isCut = divides.map(() => false);
  const far = new Map(
    pieces.map((piece) => {
      const [x, y] = middles.get(piece) ?? [0, 0];
      return [piece, x * wish.onwards[0] + y * wish.onwards[1]];
    }),
  );
  const there = new Set(pieces);
  const counts = new Map(pieces.map((piece) => [piece, counted(contactsAt(contacts, piece))]));
  const free = new Set(pieces.filter((piece) => locked.has(piece) || counts.get(piece)?.isFree));
  const off: number[] = [];
  const held: number[] = [];
  /** What taking a piece off now would cost: runs that are cut, and runs that part the other way than the panel grows. */
  const costOf = (piece: number): number => {
    let cost = 0;
    for (const [run, side] of runsAt.get(piece) ?? []) {
      const divide = divides[run];
      if (!divide || isCut[run]) continue;
      const first = late[run];
      if (first === null || first === undefined) cost += side === divide.natural ? 0 : 1;
      else if (first !== side && numberAt(nth(left, run), first) > 0) cost += CUT_COST;
    }
    return cost;
  };
  while (there.size > 0) {
    let best: number | null = null;
    let [least, furthest] = [Infinity, -Infinity];
    for (const piece of free) {
      const cost = costOf(piece);
      const at = far.get(piece) ?? 0;
      if (cost < least || (cost === least && at > furthest)) [best, least, furthest] = [piece, cost, at];
    }
    best ??= leastHeld(contacts, there);
    if (!counts.get(best)?.isFree && !isFreeAmong(contacts, best, there)) held.push(best);
    there.delete(best);
    free.delete(best);
    off.push(best);
    for (const [run, side] of runsAt.get(best) ?? []) {
      const first = late[run] ?? null;
      if (first === null) late[run] = side;
      else if (first !== side && numberAt(nth(left, run), first) > 0) isCut[run] = true;
      const counts = nth(left, run);
      counts[side] = numberAt(counts, side) - 1;
    }
    for (const [other] of contactsAt(contacts, best).neighbours) {
      if (!there.has(other)) continue;
      const count = counts.get(other);
      count?.add(contactsAt(contacts, other).neighbours.get(best) ?? [], -1);
      // What comes off may be just what let it slide along: then the little that is in its way counts for more.
      if (count?.isFree || locked.has(other)) free.add(other);
      else free.delete(other);
    }
  }
  return { order: off.reverse(), locked: held, cut: isCut.flatMap((cut, run) => (cut ? [run] : [])) };
}

/** Of pieces none of which is free by a careful count the one that is freest. */
function leastHeld(contacts: OrderTask['contacts'], there: ReadonlySet<number>): number {
  let [best, most] = [Number.NaN, -1];
  for (const piece of there) {
    const share = freeShare(touchesOf(contactsAt(contacts, piece), (other) => there.has(other)));
    if (share > most) [best, most] = [piece, share];
  }
  return best;
}

/** Whether a piece is free of those that are there. */
export const isFreeAmong = (contacts: OrderTask['contacts'], piece: number, there: ReadonlySet<number>): boolean =>
  isFreeOf(touchesOf(contactsAt(contacts, piece), (other) => there.has(other)));

/** Cutting a run is worse than any number of runs that part the panel the other way. */
const CUT_COST = 1000;

/** Null for a loop, and for a run that has one piece on both sides: that is cut in any case. */
function divideOf({ lines, middles }: OrderTask, chain: Chain, [ux, uy]: Point, isFlipped: boolean): Divide | null {
  if (isLoop(lines, chain)) return null;
  const [left, right] = [new Set<number>(), new Set<number>()];
  for (const ref of chain.refs) {
    const [l, r] = [leftOf(lines, ref), rightOf(lines, ref)];
    if (l === null || r === null) return null;
    left.add(l);
    right.add(r);
  }
  const mean = (side: ReadonlySet<number>): number => {
    let sum = 0;
    for (const piece of side) {
      const [x, y] = middles.get(piece) ?? [0, 0];
      sum += x * ux + y * uy;
    }
    return sum / side.size;
  };
  // Across a run from end to end; where it runs the way the panel grows, the side that lies further.
  const [dx, dy] = span(lines, chain);
  const across = dx * uy - dy * ux;
  const isPlain = Math.abs(across) > 0.2 * Math.hypot(dx, dy);
  const natural = (isPlain ? across > 0 : mean(right) > mean(left)) !== isFlipped ? 1 : 0;
  return { sides: [left, right], natural };
}

/** From the start of a chain to its end. */
function span(lines: readonly LeadLine[], { refs }: Chain): Point {
  const endOf = (ref: number, last: boolean): Point => {
    const { path } = nth(lines, ref < 0 ? ~ref : ref);
    return nth(path, ref < 0 === last ? 0 : path.length - 1);
  };
  const [a, b] = [endOf(nth(refs, 0), false), endOf(nth(refs, refs.length - 1), true)];
  return [b[0] - a[0], b[1] - a[1]];
}

/** Cuts chains where an order does not let them go through: as seldom as can be. */
export function cutBy(lines: readonly LeadLine[], chains: readonly Chain[], order: readonly number[]): Chain[] {
  const place = new Map(order.map((piece, i) => [piece, i]));
  return chains.flatMap((chain): Chain[] => {
    if (isLoop(lines, chain)) return [chain];
    const parts: Chain[] = [];
    let refs: number[] = [];
    let now: Stretch | null = null;
    for (const ref of chain.refs) {
      const next = joined(now, stretchOf(lines, ref, place));
      if (next === null || refs.length === 0) {
        if (refs.length > 0) parts.push({ refs, isClosed: false });
        refs = [ref];
        now = stretchOf(lines, ref, place);
      } else {
        refs.push(ref);
        now = next;
      }
    }
    return [...parts, { refs, isClosed: false }];
  });
}

/** When a run can be laid: after the last piece of its earlier side, before the first of the other. */
export interface Stretch {
  readonly isLeftFirst: boolean;
  readonly after: number;
  readonly before: number;
}

export function stretchOf(lines: readonly LeadLine[], ref: number, place: ReadonlyMap<number, number>): Stretch | null {
  const [left, right] = [leftOf(lines, ref), rightOf(lines, ref)];
  // The border is laid first or last.
  if (left === null || right === null) return FREE;
  const [l, r] = [place.get(left) ?? 0, place.get(right) ?? 0];
  if (l === r) return null;
  return { isLeftFirst: l < r, after: Math.min(l, r), before: Math.max(l, r) };
}
const FREE: Stretch = { isLeftFirst: true, after: -1, before: Infinity };

/** Two stretches of one run; null where no moment is right for both. */
export function joined(a: Stretch | null, b: Stretch | null): Stretch | null {
  if (a === null || b === null) return null;
  const [after, before] = [Math.max(a.after, b.after), Math.min(a.before, b.before)];
  return a.isLeftFirst === b.isLeftFirst && after < before ? { isLeftFirst: a.isLeftFirst, after, before } : null;
}
