import { boxOf, type Box, type Point } from '../geometry/index.ts';

/** What a mark is drawn in: the house's own inks, or the colour of a glass. */
export type Ink = HouseInk | `#${string}`;
export type HouseInk = 'line' | 'soft' | 'faint' | 'copper' | 'paper';

/** Whether it is a colour of its own. */
export const isHex = (ink: string): ink is `#${string}` => ink.startsWith('#');

/** Lines and areas, mm. */
export interface PathMark {
  readonly kind: 'path';
  readonly rings: readonly (readonly Point[])[];
  readonly isClosed: boolean;
  readonly stroke: Ink | null;
  readonly widthMm: number;
  readonly fill: Ink | null;
  /** Dash and gap, mm. */
  readonly dashMm?: readonly [number, number];
}

/** One line of words; `at` is on its base line. */
export interface TextMark {
  readonly kind: 'text';
  readonly at: Point;
  readonly words: string;
  readonly sizeMm: number;
  readonly face: 'body' | 'bold' | 'head';
  readonly anchor: 'start' | 'middle' | 'end';
  readonly ink: Ink;
}

/** A square code that a scanner reads. */
export interface CodeMark {
  readonly kind: 'code';
  readonly at: Point;
  readonly sizeMm: number;
  readonly text: string;
}

/** Marks moved as one and cut off at a rectangle, which is in page coordinates. */
export interface GroupMark {
  readonly kind: 'group';
  readonly by: Point;
  readonly clip: Box;
  readonly marks: readonly Mark[];
}

export type Mark = PathMark | TextMark | CodeMark | GroupMark;

/** One sheet of paper, mm from its upper left corner, y down. */
export interface Page {
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marks: readonly Mark[];
}

export const box = (minX: number, minY: number, maxX: number, maxY: number): Box => ({ minX, minY, maxX, maxY });

interface PathLook {
  readonly stroke?: Ink | null;
  readonly widthMm?: number;
  readonly fill?: Ink | null;
  readonly dashMm?: readonly [number, number];
}

const path = (
  rings: readonly (readonly Point[])[],
  isClosed: boolean,
  { stroke = 'line', widthMm = 0.25, fill = null, dashMm }: PathLook,
): PathMark => ({ kind: 'path', rings, isClosed, stroke, widthMm, fill, ...(dashMm ? { dashMm } : {}) });

export const line = (points: readonly Point[], look: PathLook = {}): PathMark => path([points], false, look);
export const area = (rings: readonly (readonly Point[])[], look: PathLook = {}): PathMark => path(rings, true, look);

export function frame({ minX, minY, maxX, maxY }: Box, look: PathLook = {}): PathMark {
  const corners: Point[] = [
    [minX, minY],
    [maxX, minY],
    [maxX, maxY],
    [minX, maxY],
  ];
  return path([corners], true, look);
}

/** The corners of a square, from its upper left one. */
export const square = (x: number, y: number, side: number): Point[] => [
  [x, y],
  [x + side, y],
  [x + side, y + side],
  [x, y + side],
];

export const text = (
  at: Point,
  words: string,
  sizeMm: number,
  { face = 'body', anchor = 'start', ink = 'line' }: Partial<Pick<TextMark, 'face' | 'anchor' | 'ink'>> = {},
): TextMark => ({ kind: 'text', at, words, sizeMm, face, anchor, ink });

/** From the middle of a line of figures down to its base line, as a share of the letters' size. */
export const BELOW_MIDDLE = 0.34;
/** Width of a letter as a share of its size, rather too wide than too narrow. */
const LETTER_WIDTH = { body: 0.5, bold: 0.53, head: 0.6 };

/** About how wide a line of words is, mm; never narrower than it is drawn, but for words all in capitals. */
export const widthOf = (words: string, sizeMm: number, face: TextMark['face'] = 'body'): number =>
  words.length * sizeMm * LETTER_WIDTH[face];

/** Words broken into lines that are no wider than there is room. */
export function wrapped(words: string, sizeMm: number, roomMm: number, face: TextMark['face'] = 'body'): string[] {
  const most = Math.max(4, Math.floor(roomMm / (sizeMm * LETTER_WIDTH[face])));
  const lines: string[] = [];
  let now = '';
  for (const word of words.split(' ')) {
    const longer = now === '' ? word : `${now} ${word}`;
    if (longer.length > most && now !== '') {
      lines.push(now);
      now = word;
    } else now = longer;
  }
  return [...lines, now];
}

/** Where a mark reaches, without the width of its lines. */
export function reach(mark: Mark): Box {
  switch (mark.kind) {
    case 'path':
      return boxOf(mark.rings.flat());
    case 'code':
      return box(mark.at[0], mark.at[1], mark.at[0] + mark.sizeMm, mark.at[1] + mark.sizeMm);
    case 'group':
      return mark.clip;
    case 'text': {
      const { words, sizeMm, face, anchor } = mark;
      const [x, y] = mark.at;
      const wide = widthOf(words, sizeMm, face);
      const left = anchor === 'start' ? x : anchor === 'middle' ? x - wide / 2 : x - wide;
      return box(left, y - sizeMm, left + wide, y + sizeMm * 0.3);
    }
  }
}

const movedBy = ([x, y]: Point, [dx, dy]: Point): Point => [x + dx, y + dy];

/** A mark somewhere else, and so much larger. */
export function placed(mark: Mark, by: Point, scale = 1): Mark {
  const there = ([x, y]: Point): Point => movedBy([x * scale, y * scale], by);
  switch (mark.kind) {
    case 'path':
      return { ...mark, rings: mark.rings.map((ring) => ring.map(there)) };
    case 'text':
    case 'code':
      return { ...mark, at: there(mark.at), sizeMm: mark.sizeMm * scale };
    case 'group': {
      const [minX, minY] = there([mark.clip.minX, mark.clip.minY]);
      const [maxX, maxY] = there([mark.clip.maxX, mark.clip.maxY]);
      const [dx, dy] = mark.by;
      const marks = mark.marks.map((one) => placed(placed(one, [dx, dy]), by, scale));
      return { ...mark, by: [0, 0], clip: box(minX, minY, maxX, maxY), marks };
    }
  }
}

export const meets = (a: Box, b: Box): boolean =>
  a.minX <= b.maxX && b.minX <= a.maxX && a.minY <= b.maxY && b.minY <= a.maxY;

/** A colour mixed with white, so that lines and words stay readable on it. */
export function paler(hex: `#${string}`, share: number): `#${string}` {
  const channel = (at: number) => {
    const value = Number.parseInt(hex.slice(at, at + 2), 16);
    return Math.round(value + (255 - value) * share)
      .toString(16)
      .padStart(2, '0');
  };
  return `#${channel(1)}${channel(3)}${channel(5)}`;
}
