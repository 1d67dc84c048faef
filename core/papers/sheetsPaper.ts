import { boxOf, poleOf, type Point } from '../geometry/index.ts';
import { stripsLaid } from '../layout/index.ts';
import { count, type DisplayUnit } from '../units/index.ts';
import { measureWords, stripWords } from '../words/index.ts';
import { headed, workArea, type Heading } from './heading.ts';
import { area, square, box, line, paler, text, BELOW_MIDDLE, type Mark, type Page } from './page.ts';
import { fitted } from './scaled.ts';
import type { PaperSize } from './sizes.ts';
import type { PaperPanel, PaperSheet } from './types.ts';

/** So many sheets of glass on one page, one above the other. */
const ON_A_PAGE = 2;
const WORDS_MM = 14;
const LINE_MM = 4.6;

/** Each sheet and offcut as it will be cut, with its breaks in their order. */
export function sheetPages({ sheets, unit }: PaperPanel, paper: PaperSize, heading: Heading): Page[] {
  const [widthMm, heightMm] = [paper.widthMm, paper.heightMm ?? paper.widthMm * Math.SQRT2];
  const room = workArea(widthMm, heightMm);
  const pages = Math.ceil(sheets.length / ON_A_PAGE);
  return Array.from({ length: pages }, (_, i): Page => {
    const here = sheets.slice(i * ON_A_PAGE, (i + 1) * ON_A_PAGE);
    const high = (room.maxY - room.minY) / ON_A_PAGE;
    const marks = here.flatMap((sheet, k): Mark[] => {
      const top = room.minY + k * high;
      const strips = stripLines(sheet, unit);
      const place = box(room.minX, top + WORDS_MM + strips.length * LINE_MM, room.maxX, top + high - 6);
      const { minX, minY, maxX, maxY } = boxOf(sheet.outline);
      const drawn = fitted(sheetMarks(sheet), boxOf(sheet.outline), place);
      const size = measureWords(maxX - minX, maxY - minY, unit);
      const facts = `${size}, ${count(sheet.pieces.length, 'piece')}, ${count(sheet.breaks.length, 'break')}, drawn 1 : ${(1 / drawn.scale).toFixed(1)}`;
      return [
        area([square(room.minX, top + 1, 5)], { widthMm: 0.2, fill: sheet.glass.colour }),
        text([room.minX + 7.5, top + 5], `${sheet.label}   ${sheet.glass.code} ${sheet.glass.name}`, 4.4, {
          face: 'bold',
        }),
        text([room.minX + 7.5, top + 10], facts, 3.4, { ink: 'soft' }),
        ...strips.map((words, n) => text([room.minX + 7.5, top + 10 + (n + 1) * LINE_MM], words, 3.4)),
        ...drawn.marks,
      ];
    });
    const told = headed(heading, { widthMm, heightMm, count: `page ${i + 1} of ${pages}`, isTrueScale: false });
    return { name: `Sheets ${i + 1}`, widthMm, heightMm, marks: [...marks, ...told] };
  });
}

/** How equal pieces are cut in strips from it, a sentence a line. */
const stripLines = ({ label, pieces, ...sheet }: PaperSheet, unit: DisplayUnit): string[] =>
  stripsLaid([{ ...sheet, id: label, pieces: pieces.map(({ name, outline }) => ({ id: name, outline })) }]).flatMap(
    (plan) => stripWords(plan, unit).split(/(?<=\.) /),
  );

function sheetMarks({ outline, glass, pieces, breaks }: PaperSheet): Mark[] {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  const size = Math.max(maxX - minX, maxY - minY) / 50;
  return [
    area([outline], { widthMm: size * 0.08, fill: paler(glass.colour, 0.86) }),
    ...pieces.map((piece) => area([piece.outline], { widthMm: size * 0.06, fill: paler(glass.colour, 0.5) })),
    ...breaks.map(({ from, to }) =>
      line([from, to], { widthMm: size * 0.05, stroke: 'copper', dashMm: [size * 0.5, size * 0.3] }),
    ),
    ...pieces.flatMap((piece): Mark[] => {
      const { at, distanceMm } = poleOf([piece.outline], 0.5);
      const high = Math.min(size, distanceMm * 1.2);
      return [text([at[0], at[1] + high * BELOW_MIDDLE], piece.name, high, { face: 'bold', anchor: 'middle' })];
    }),
    ...breaks.flatMap(({ from, to }, i): Mark[] => {
      const at: Point = [from[0] + (to[0] - from[0]) * 0.07, from[1] + (to[1] - from[1]) * 0.07];
      const high = size * 0.62;
      return [
        text([at[0], at[1] + high * BELOW_MIDDLE], String(i + 1), high, {
          anchor: 'middle',
          ink: 'copper',
          face: 'bold',
        }),
      ];
    }),
  ];
}
