import type { Ring } from '../geometry/index.ts';
import { pointAt } from '../units/index.ts';

/** A piece may be pushed past what it touches by so much against its slant, degrees. */
export const SLANT_DEG = 8;
/** On so much of what it touches. */
export const SHARE = 0.97;
/** Shorter lines do not count, mm. */
export const LEAST_LINE_MM = 2;

/** A stretch of what a piece touches: the direction from the neighbour into the piece, radians, and its length, mm. */
export interface Touch {
  readonly normal: number;
  readonly mm: number;
}

/**
 * What a piece touches along one line.
 * @param isRight the piece lies to the right of the line, as seen with y down
 */
export function touchesAlong(path: Ring, isRight: boolean): Touch[] {
  const touches: Touch[] = [];
  for (let i = 0; i + 1 < path.length; i++) {
    const [[ax, ay], [bx, by]] = [pointAt(path, i), pointAt(path, i + 1)];
    const mm = Math.hypot(bx - ax, by - ay);
    const normal = isRight ? Math.atan2(bx - ax, ay - by) : Math.atan2(ax - bx, by - ay);
    touches.push({ normal, mm });
  }
  return touches;
}

const STEPS = 360;
/** What just slips past is taken not to: another may measure it a hair otherwise. */
const CARE_DEG = 0.3;
const WINDOW = ((90 + SLANT_DEG - CARE_DEG) * Math.PI) / 180;
/** Directions are counted by the degree: what may just slip past so is taken not to. */
const REACH = Math.floor(90 + SLANT_DEG - 0.5);

/** What a piece touches, by direction: for looking often whether it is free. */
export class Contacts {
  private readonly bins = new Float64Array(STEPS);
  private total = 0;

  add(touches: readonly Touch[], sign: 1 | -1): void {
    for (const { normal, mm } of touches) {
      const at = ((Math.round((normal * 180) / Math.PI) % STEPS) + STEPS) % STEPS;
      this.bins[at] = Math.max(0, (this.bins[at] ?? 0) + sign * mm);
      this.total = Math.max(0, this.total + sign * mm);
    }
  }

  /** Whether there is a direction in which it slides away from enough of what it touches. Careful by half a degree. */
  get isFree(): boolean {
    if (this.total < 1e-6) return true;
    let inside = 0;
    for (let k = -REACH; k <= REACH; k++) inside += this.bins[(k + STEPS) % STEPS] ?? 0;
    for (let at = 0; at < STEPS; at++) {
      if (inside >= SHARE * this.total - 1e-9) return true;
      inside += (this.bins[(at + REACH + 1) % STEPS] ?? 0) - (this.bins[(at - REACH + STEPS) % STEPS] ?? 0);
    }
    return false;
  }
}

/** The largest share of what a piece touches that lets it slide away in one direction; 1 for one that touches nothing. */
export function freeShare(touches: readonly Touch[]): number {
  const total = touches.reduce((sum, touch) => sum + touch.mm, 0);
  if (total <= 0) return 1;
  // Each stretch allows the directions round its own normal: where most of them overlap is best.
  const turn = 2 * Math.PI;
  const events = touches.flatMap(({ normal, mm }) => {
    const from = (((normal - WINDOW) % turn) + turn) % turn;
    return [
      { at: from, mm, opens: true },
      { at: from + 2 * WINDOW, mm, opens: false },
      { at: from + turn, mm, opens: true },
      { at: from + turn + 2 * WINDOW, mm, opens: false },
    ];
  });
  events.sort((a, b) => a.at - b.at || Number(b.opens) - Number(a.opens));
  let [inside, best] = [0, 0];
  for (const { mm, opens } of events) {
    inside += opens ? mm : -mm;
    best = Math.max(best, inside);
  }
  return Math.min(1, best / total);
}

/** Whether there is a direction that is good enough. */
export const isFreeOf = (touches: readonly Touch[]): boolean => freeShare(touches) >= SHARE - 1e-9;

/** What a piece touches on each of its neighbours, and on the border that is laid first. */
export interface PieceContacts {
  readonly border: readonly Touch[];
  /** By the number of the neighbour. */
  readonly neighbours: ReadonlyMap<number, readonly Touch[]>;
}

interface ContactLine {
  readonly path: Ring;
  readonly lengthMm: number;
  readonly left: number | null;
  readonly right: number | null;
}

/** @param laidFirst the lines of the border that is there before all pieces, by their places */
export function contactsOf(lines: readonly ContactLine[], laidFirst: ReadonlySet<number>): Map<number, PieceContacts> {
  const found = new Map<number, { border: Touch[]; neighbours: Map<number, Touch[]> }>();
  const of = (piece: number) => {
    const known = found.get(piece);
    if (known) return known;
    const made = { border: [], neighbours: new Map<number, Touch[]>() };
    found.set(piece, made);
    return made;
  };
  lines.forEach((line, i) => {
    const { left, right, path, lengthMm } = line;
    for (const [piece, other, isRight] of [
      [left, right, false],
      [right, left, true],
    ] as const) {
      if (piece === null) continue;
      const own = of(piece);
      if (lengthMm < LEAST_LINE_MM || other === piece) continue;
      const touches = touchesAlong(path, isRight);
      if (other === null) {
        if (laidFirst.has(i)) own.border.push(...touches);
      } else own.neighbours.set(other, [...(own.neighbours.get(other) ?? []), ...touches]);
    }
  });
  return found;
}

/** All that a piece touches of what is there. */
export const touchesOf = (contacts: PieceContacts, isThere: (piece: number) => boolean): Touch[] => [
  ...contacts.border,
  ...[...contacts.neighbours].flatMap(([other, touches]) => (isThere(other) ? touches : [])),
];

export const contactsAt = (all: ReadonlyMap<number, PieceContacts>, piece: number): PieceContacts =>
  all.get(piece) ?? { border: [], neighbours: new Map() };
