import type { Box } from '../geometry/index.ts';
import { line, text, wrapped, type Ink, type Mark, type TextMark } from './page.ts';

export interface Column {
  readonly title: string;
  /** Share of the width. */
  readonly share: number;
  readonly isNumber?: boolean;
  readonly face?: TextMark['face'];
}

export interface ListLook {
  readonly sizeMm?: number;
  readonly titleInk?: Ink;
}

const SIZE_MM = 3.6;
const LEADING = 1.45;
/** Between a figure at its right and words that begin behind it. */
const GUTTER_MM = 4;

/**
 * A list under its titles, over as many pages as it takes.
 * @param roomOf where on a page of the list there is room: the first page may have a picture above it
 * @returns the marks of each page
 */
export function listed(
  columns: readonly Column[],
  rows: readonly (readonly string[])[],
  roomOf: (page: number) => Box,
  { sizeMm = SIZE_MM, titleInk = 'soft' }: ListLook = {},
): Mark[][] {
  const pages: Mark[][] = [];
  let y = Infinity;
  let room = roomOf(0);
  const begin = () => {
    room = roomOf(pages.length);
    const marks: Mark[] = [];
    pages.push(marks);
    y = room.minY + sizeMm;
    placesOf(columns, room).forEach(({ x, anchor }, i) => {
      marks.push(text([x, y], columns[i]?.title ?? '', sizeMm * 0.86, { ink: titleInk, anchor }));
    });
    y += sizeMm * 0.5;
    marks.push(
      line(
        [
          [room.minX, y],
          [room.maxX, y],
        ],
        { widthMm: 0.25 },
      ),
    );
  };
  for (const row of rows) {
    const cells = row.map((words, i) =>
      wrapped(words, sizeMm, (columns[i]?.share ?? 0) * (room.maxX - room.minX) - GUTTER_MM / 2, columns[i]?.face),
    );
    const high = Math.max(...cells.map(({ length }) => length)) * sizeMm * LEADING;
    if (y + high + sizeMm * 0.6 > room.maxY) begin();
    const top = y + sizeMm * 1.25;
    const marks = pages.at(-1) ?? [];
    placesOf(columns, room).forEach(({ x, anchor, face }, i) => {
      (cells[i] ?? []).forEach((words, k) =>
        marks.push(text([x, top + k * sizeMm * LEADING], words, sizeMm, { face, anchor })),
      );
    });
    y += high + sizeMm * 0.5;
    marks.push(
      line(
        [
          [room.minX, y],
          [room.maxX, y],
        ],
        { widthMm: 0.1, stroke: 'faint' },
      ),
    );
  }
  return pages;
}

function placesOf(columns: readonly Column[], { minX, maxX }: Box) {
  let from = minX;
  return columns.map(({ share, isNumber = false, face = 'body' }) => {
    const to = from + share * (maxX - minX);
    const place = {
      x: isNumber ? to - GUTTER_MM : from,
      anchor: isNumber ? ('end' as const) : ('start' as const),
      face,
    };
    from = to;
    return place;
  });
}
