import type { Box, Point } from '../geometry/index.ts';
import { AROUND_MM, headed, workArea, type Heading } from './heading.ts';
import { box, frame, line, meets, reach, text, type Mark, type Page } from './page.ts';
import { MARGIN_MM, type PaperSize } from './sizes.ts';

/** So far each tile repeats its neighbour, to be glued on each other. */
export const OVERLAP_MM = 10;

interface Tiling {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly across: number;
  readonly down: number;
}

/** A drawing at true size on as many pages as it takes, with an overlap, crosses to lay them on each other, and a map. */
export function tiled(drawing: readonly Mark[], reaches: Box, paper: PaperSize, heading: Heading): Page[] {
  const [width, height] = [reaches.maxX - reaches.minX, reaches.maxY - reaches.minY];
  const tiling = fewestPages(width, height, paper);
  const { across, down, widthMm, heightMm } = tiling;
  const area = workArea(widthMm, heightMm);
  const [stepX, stepY] = [area.maxX - area.minX - OVERLAP_MM, area.maxY - area.minY - OVERLAP_MM];
  // What is left over stands on both sides alike, so that no tile is a mere strip.
  const first: Point = [
    reaches.minX - (across * stepX + OVERLAP_MM - width) / 2,
    reaches.minY - (down * stepY + OVERLAP_MM - height) / 2,
  ];
  const reached = drawing.map((mark) => ({ mark, at: reach(mark) }));
  return Array.from({ length: across * down }, (_, i): Page => {
    const [column, row] = [i % across, Math.floor(i / across)];
    const from: Point = [first[0] + column * stepX, first[1] + row * stepY];
    const by: Point = [area.minX - from[0], area.minY - from[1]];
    const seen = box(from[0], from[1], from[0] + stepX + OVERLAP_MM, from[1] + stepY + OVERLAP_MM);
    const marks = reached.filter(({ at }) => meets(grown(at), seen)).map(({ mark }) => mark);
    const name = tileName(column, row);
    const isOne = across * down === 1;
    const count = isOne ? 'one page, true to scale' : `page ${name}, ${i + 1} of ${across * down}, true to scale`;
    return {
      name,
      widthMm,
      heightMm,
      marks: [
        { kind: 'group', by, clip: area, marks },
        ...(isOne ? [] : [...edges(area, tiling, column, row), ...pageMap(tiling, column, row)]),
        ...headed(heading, { widthMm, heightMm, count, isTrueScale: true }),
      ],
    };
  });
}

/** Lines have width: a mark just outside may still be seen. */
const grown = ({ minX, minY, maxX, maxY }: Box): Box => box(minX - 5, minY - 5, maxX + 5, maxY + 5);

/** `A1` at the upper left, letters to the right, numbers down. */
const tileName = (column: number, row: number): string => {
  const letter = String.fromCharCode('A'.charCodeAt(0) + (column % 26));
  return `${letter.repeat(1 + Math.floor(column / 26))}${row + 1}`;
};

/** The least width of a page, so that its head has room. */
const LEAST_WIDTH_MM = 190;

/** Upright or on its side, whichever takes fewer pages; paper on a roll is cut to the length of the work. */
function fewestPages(width: number, height: number, paper: PaperSize): Tiling {
  const sizes = [
    [paper.widthMm, paper.heightMm ?? height + AROUND_MM],
    [paper.heightMm ?? Math.max(LEAST_WIDTH_MM, width + 2 * MARGIN_MM), paper.widthMm],
  ] as const;
  const ways = sizes.map(([widthMm, heightMm]): Tiling => {
    const area = workArea(widthMm, heightMm);
    const [across, down] = [tiles(width, area.maxX - area.minX), tiles(height, area.maxY - area.minY)];
    return { widthMm, heightMm, across, down };
  });
  return ways.reduce((best, way) => (way.across * way.down < best.across * best.down ? way : best));
}

const tiles = (length: number, room: number): number =>
  length <= room + 1e-6 ? 1 : Math.ceil((length - OVERLAP_MM) / (room - OVERLAP_MM));

/** Where the next page begins: a dashed line along each inner edge, and a cross at its ends. */
function edges(area: Box, { across, down }: Tiling, column: number, row: number): Mark[] {
  const half = OVERLAP_MM / 2;
  const xs = [...(column > 0 ? [area.minX + half] : []), ...(column < across - 1 ? [area.maxX - half] : [])];
  const ys = [...(row > 0 ? [area.minY + half] : []), ...(row < down - 1 ? [area.maxY - half] : [])];
  const look = { widthMm: 0.15, stroke: 'copper' as const, dashMm: [2, 2] as const };
  const at = (from: Point, to: Point) => line([from, to], look);
  const crossXs = xs.length > 0 ? xs : [area.minX + half, area.maxX - half];
  const crossYs = ys.length > 0 ? ys : [area.minY + half, area.maxY - half];
  return [
    ...xs.map((x) => at([x, area.minY], [x, area.maxY])),
    ...ys.map((y) => at([area.minX, y], [area.maxX, y])),
    ...crossXs.flatMap((x) => crossYs.flatMap((y) => cross([x, y]))),
  ];
}

function cross([x, y]: Point): Mark[] {
  const look = { widthMm: 0.2, stroke: 'copper' as const };
  return [
    line(
      [
        [x - 3, y],
        [x + 3, y],
      ],
      look,
    ),
    line(
      [
        [x, y - 3],
        [x, y + 3],
      ],
      look,
    ),
  ];
}

const CELL_MM = 3;
/** All pages small, this one filled. */
function pageMap({ widthMm, across, down }: Tiling, column: number, row: number): Mark[] {
  const cell = Math.min(CELL_MM, 11 / down);
  const left = widthMm / 2 - (across * cell) / 2;
  const cells = Array.from({ length: across * down }, (_, i): Mark => {
    const [x, y] = [left + (i % across) * cell, MARGIN_MM + Math.floor(i / across) * cell];
    const isHere = i === row * across + column;
    return frame(box(x, y, x + cell, y + cell), { widthMm: 0.2, stroke: 'soft', fill: isHere ? 'copper' : 'paper' });
  });
  return [...cells, text([left + across * cell + 2, MARGIN_MM + cell], tileName(column, row), 3.4, { face: 'bold' })];
}
