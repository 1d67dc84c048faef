import { boxOf, poleOf, signedArea, type Box, type Point, type Ring } from '../geometry/index.ts';
import { arrow, rad } from './cartoonPaper.ts';
import { nested } from './nest.ts';
import { glassesOf } from './glassesOf.ts';
import { headed, workArea, type Heading } from './heading.ts';
import { area, square, box, line, text, BELOW_MIDDLE, widthOf, type Mark, type Page } from './page.ts';
import type { PaperSize } from './sizes.ts';
import { tiled } from './tiled.ts';
import type { PaperGlass, PaperPanel, PaperPiece } from './types.ts';

export interface PatternLook {
  /** Pieces of rough glass are scored on the smooth side: their patterns are turned over. */
  readonly isTurnedOver: boolean;
  /** Each glass begins a page of its own. */
  readonly isByGlass: boolean;
}

interface Pattern {
  readonly piece: PaperPiece;
  /** Of its one glass, or of one of its two. */
  readonly name: string;
  readonly glass: PaperGlass | null;
  readonly rings: readonly Ring[];
  readonly reaches: Box;
  readonly isTurned: boolean;
}

/** Between two patterns, mm: room for the scissors. */
const BETWEEN_MM = 4;
const GLASS_LINE_MM = 8;
const MOST_NUMBER_MM = 9;
const LEAST_NUMBER_MM = 2.2;
/** Smaller words are not read from a print. */
const LEAST_WORDS_MM = 1.2;

/**
 * Every piece at the size to which it is cut, with its number, glass, the way its glass runs, its upper side and its face, on
 * few pages; or each glass on pages of its own. What is larger than a page has pages of its own.
 */
export function patternPages(panel: PaperPanel, paper: PaperSize, look: PatternLook, heading: Heading): Page[] {
  const patterns = patternsOf(panel, look.isTurnedOver);
  const [widthMm, heightMm] = [paper.widthMm, paper.heightMm ?? rollLength(patterns, paper.widthMm)];
  const area = workArea(widthMm, heightMm);
  const room = look.isByGlass ? { ...area, minY: area.minY + GLASS_LINE_MM } : area;
  const page = { wide: widthOfBox(room) + BETWEEN_MM, high: heightOfBox(room) + BETWEEN_MM };
  const isTooLarge = ({ reaches }: Pattern) =>
    widthOfBox(reaches) > widthOfBox(room) || heightOfBox(reaches) > heightOfBox(room);
  const small = patterns.filter((one) => !isTooLarge(one));
  const pages: Mark[][] = [];
  for (const [glass, list] of look.isByGlass ? byGlass(small) : [[null, small] as const]) {
    const places = nested(
      list.map(({ reaches }) => ({ wide: widthOfBox(reaches) + BETWEEN_MM, high: heightOfBox(reaches) + BETWEEN_MM })),
      page,
    );
    const first = pages.length;
    list.forEach((pattern, i) => {
      const place = places[i];
      if (place)
        (pages[first + place.page] ??= []).push(...patternMarks(pattern, [room.minX + place.x, room.minY + place.y]));
    });
    if (look.isByGlass)
      for (const marks of pages.slice(first)) marks.push(...glassLine(glass, list, [area.minX, area.minY], area.maxX));
  }
  const inRows = pages.map((marks, i): Page => {
    const count = `page ${i + 1} of ${pages.length}, true to scale`;
    const told = headed(heading, { widthMm, heightMm, count, isTrueScale: true });
    return { name: `Patterns ${i + 1}`, widthMm, heightMm, marks: [...marks, ...told] };
  });
  const large = patterns.filter(isTooLarge).flatMap((one) =>
    tiled(patternMarks(one, [0, 0]), box(0, 0, widthOfBox(one.reaches), heightOfBox(one.reaches)), paper, {
      ...heading,
      title: `Pattern of ${one.name}`,
    }),
  );
  return [...inRows, ...large];
}

const widthOfBox = ({ minX, maxX }: Box): number => maxX - minX;
const heightOfBox = ({ minY, maxY }: Box): number => maxY - minY;

function patternsOf({ cuts, pieces }: PaperPanel, isTurnedOver: boolean): Pattern[] {
  const byNumber = new Map(pieces.map((piece) => [piece.number, piece]));
  return cuts.flatMap(({ number, rings }): Pattern[] => {
    const piece = byNumber.get(number);
    if (!piece || rings.length === 0) return [];
    return glassesOf(piece).map(({ name, glass }): Pattern => {
      const isTurned = isTurnedOver && glass !== null && glass.texture !== null;
      const turned = isTurned ? rings.map((ring) => ring.map(([x, y]): Point => [-x, y])) : rings;
      return { piece, name, glass, rings: turned, reaches: boxOf(turned.flat()), isTurned };
    });
  });
}

/** By the code of their glass, those without a glass last; in each the tallest first. */
function byGlass(patterns: readonly Pattern[]): [PaperGlass | null, Pattern[]][] {
  const groups = new Map<string, [PaperGlass | null, Pattern[]]>();
  for (const pattern of patterns) {
    const { glass } = pattern;
    const group = groups.get(glass?.code ?? '');
    if (group) group[1].push(pattern);
    else groups.set(glass?.code ?? '', [glass, [pattern]]);
  }
  const sorted = [...groups.values()].sort(([a], [b]) =>
    a === null ? 1 : b === null ? -1 : a.code.localeCompare(b.code, 'en', { numeric: true }),
  );
  for (const [, list] of sorted)
    list.sort((a, b) => heightOfBox(b.reaches) - heightOfBox(a.reaches) || a.piece.number - b.piece.number);
  return sorted;
}

/** The name of a glass over its patterns. */
function glassLine(glass: PaperGlass | null, { length }: readonly Pattern[], [x, y]: Point, right: number): Mark[] {
  const words = glass === null ? 'No glass chosen yet' : `${glass.code}  ${glass.name}`;
  const count = `${length} ${length === 1 ? 'piece' : 'pieces'}`;
  return [
    ...(glass ? [area([square(x, y + 0.6, 4.4)], { widthMm: 0.2, fill: glass.colour })] : []),
    text([x + (glass ? 6.5 : 0), y + 4.4], words, 3.8, { face: 'bold' }),
    text([right, y + 4.4], count, 3.2, { anchor: 'end', ink: 'soft' }),
  ];
}

function patternMarks({ piece, name, glass, rings, reaches, isTurned }: Pattern, [x, y]: Point): Mark[] {
  const by = ([px, py]: Point): Point => [px - reaches.minX + x, py - reaches.minY + y];
  const outlines = rings.map((ring) => ring.map(by));
  const outer = outlines.find((ring) => signedArea(ring) > 0) ?? outlines[0] ?? [];
  const { at, distanceMm } = poleOf([outer], 0.5);
  const size = fitted(name, distanceMm);
  const small = Math.max(LEAST_NUMBER_MM * 0.8, size * 0.42);
  const marks: Mark[] = [
    area(outlines, { widthMm: 0.25 }),
    text([at[0], at[1] + size * BELOW_MIDDLE], name, size, { face: 'bold', anchor: 'middle' }),
    upperSide(outer),
  ];
  const hasRoom = distanceMm > size * 1.15;
  if (glass && (hasRoom || isTurned)) {
    const words = isTurned ? `${glass.code} turned over` : glass.code;
    const fits = Math.min(small, (small * distanceMm * 1.8) / widthOf(words, small));
    if (fits >= LEAST_WORDS_MM)
      marks.push(text([at[0], at[1] + size * 0.5 + fits], words, fits, { anchor: 'middle', ink: 'soft' }));
  }
  if (glass?.hasFlow && piece.flowDeg !== null) {
    const sign = isTurned ? -1 : 1;
    const way: Point = [sign * Math.cos(rad(piece.flowDeg)), Math.sin(rad(piece.flowDeg))];
    const lift = hasRoom ? size * 0.85 : size * 0.6;
    marks.push(...arrow([at[0], at[1] - lift], way, Math.max(5, Math.min(16, distanceMm * 1.1))));
  }
  return marks;
}

const fitted = (number: string, distanceMm: number): number =>
  Math.min(MOST_NUMBER_MM, Math.max(LEAST_NUMBER_MM, (distanceMm * 1.5) / Math.max(1.4, number.length)));

/** A short mark inwards from the highest point: this side is up on the panel. */
function upperSide(outer: Ring): Mark {
  const top = outer.reduce((best, point) => (point[1] < best[1] ? point : best), outer[0] ?? [0, 0]);
  return line([top, [top[0], top[1] + 2.5]], { widthMm: 0.5, stroke: 'copper' });
}

/** Paper on a roll is as long as all patterns in rows, near enough: longer than needed does no harm to a roll. */
function rollLength(patterns: readonly Pattern[], widthMm: number): number {
  const room = workArea(widthMm, 1000);
  const wide = room.maxX - room.minX;
  const area = patterns.reduce(
    (sum, { reaches }) => sum + (widthOfBox(reaches) + BETWEEN_MM) * (heightOfBox(reaches) + BETWEEN_MM),
    0,
  );
  const tallest = Math.max(0, ...patterns.map(({ reaches }) => heightOfBox(reaches)));
  return Math.ceil((area / wide) * 1.25 + 2 * tallest + 120);
}
