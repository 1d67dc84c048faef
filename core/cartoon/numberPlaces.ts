import type { Point } from '../geometry/index.ts';

/** A piece as far as its number is concerned, in pixels of the screen. */
export interface Numbered {
  readonly number: number;
  /** The middle of the largest circle in it, and that circle's radius. */
  readonly at: Point;
  readonly radius: number;
}

/** Where a number is written: its middle and height, and the piece it is led from where it lies beside it. */
export interface NumberPlace {
  readonly number: number;
  readonly at: Point;
  readonly size: number;
  readonly from: Point | null;
}

export interface NumberSizes {
  /** The smallest that can be read at arm's length, and the largest that is of use; heights of the letters' box, px. */
  readonly least: number;
  readonly most: number;
}

/** Breadth of a figure, and height of its ink, as a share of the size (the interface's own typeface). */
const FIGURE = { broad: 0.53, high: 0.7 } as const;
/** Room round a number that lies beside its piece, px. */
const AIR = 2;
/** A number is led no further than so much, in its own heights. */
const FAR = [1.5, 2.1, 2.8, 3.6] as const;
const TURNS = 16;
const CELL = 48;

interface Box {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

const breadth = (number: number, size: number): number => String(number).length * FIGURE.broad * size;

/** How far a number of this size reaches from its middle. */
const reach = (number: number, size: number): number => Math.hypot(breadth(number, size), FIGURE.high * size) / 2;

const boxOf = (number: number, [x, y]: Point, size: number): Box => {
  const [w, h] = [breadth(number, size) / 2 + AIR, (FIGURE.high * size) / 2 + AIR];
  return { x0: x - w, y0: y - h, x1: x + w, y1: y + h };
};

/** What lies where, by squares of the screen. */
class Taken<T> {
  private readonly cells = new Map<string, T[]>();
  add({ x0, y0, x1, y1 }: Box, one: T): void {
    for (let i = Math.floor(x0 / CELL); i <= x1 / CELL; i++)
      for (let j = Math.floor(y0 / CELL); j <= y1 / CELL; j++) {
        const key = `${i} ${j}`;
        const list = this.cells.get(key);
        if (list) list.push(one);
        else this.cells.set(key, [one]);
      }
  }
  near([x, y]: Point): readonly T[] {
    return this.cells.get(`${Math.floor(x / CELL)} ${Math.floor(y / CELL)}`) ?? [];
  }
  some({ x0, y0, x1, y1 }: Box, test: (one: T) => boolean): boolean {
    for (let i = Math.floor(x0 / CELL); i <= x1 / CELL; i++)
      for (let j = Math.floor(y0 / CELL); j <= y1 / CELL; j++) if (this.cells.get(`${i} ${j}`)?.some(test)) return true;
    return false;
  }
}

/**
 * Where the numbers of pieces are written so that each can be read: in its piece where it fits in at a readable size,
 * beside it in a larger piece with a line to it where there is room, else not at all.
 * @param pieces in pixels; those out of view may be left out
 * @returns in the order of the pieces; none lies on another
 */
export function numberPlaces(pieces: readonly Numbered[], { least, most }: NumberSizes): readonly NumberPlace[] {
  const places = new Map<number, NumberPlace>();
  const written = new Taken<Box>();
  const roomy = new Taken<Numbered>();
  for (const { number, at, radius } of pieces) {
    const size = Math.min(most, (radius / reach(number, 1)) * 1.05);
    if (size < least) continue;
    places.set(number, { number, at, size, from: null });
    const box = boxOf(number, at, size);
    written.add(box, box);
    if (radius > 1.6 * most)
      roomy.add(
        { x0: at[0] - radius, y0: at[1] - radius, x1: at[0] + radius, y1: at[1] + radius },
        { number, at, radius },
      );
  }
  // The largest of the small ones first: they are looked for most.
  const small = pieces.filter(({ number }) => !places.has(number)).sort((a, b) => b.radius - a.radius);
  for (const { number, at, radius } of small) {
    const place = beside(number, at, radius, least, written, roomy);
    if (!place) continue;
    places.set(number, { number, at: place, size: least, from: at });
    const box = boxOf(number, place, least);
    written.add(box, box);
  }
  return pieces.flatMap(({ number }) => places.get(number) ?? []);
}

function beside(
  number: number,
  at: Point,
  radius: number,
  size: number,
  written: Taken<Box>,
  roomy: Taken<Numbered>,
): Point | null {
  for (const far of FAR)
    for (let turn = 0; turn < TURNS; turn++) {
      const angle = (turn * 2 * Math.PI) / TURNS + 0.2;
      const away = radius + far * size;
      const place: Point = [at[0] + away * Math.cos(angle), at[1] + away * Math.sin(angle)];
      const inPiece = roomy
        .near(place)
        .some(
          (room) => Math.hypot(place[0] - room.at[0], place[1] - room.at[1]) + reach(number, size) < room.radius * 1.1,
        );
      if (!inPiece) continue;
      const box = boxOf(number, place, size);
      const covers = (other: Box) => box.x0 < other.x1 && other.x0 < box.x1 && box.y0 < other.y1 && other.y0 < box.y1;
      if (!written.some(box, covers)) return place;
    }
  return null;
}
