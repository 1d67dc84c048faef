import type { Box, Point } from '../geometry/index.ts';
import { box, line, text, widthOf, type Mark } from './page.ts';
import { MARGIN_MM } from './sizes.ts';

/** What stands on every page of a paper. */
export interface Heading {
  /** What the paper is: `Full-size cartoon`. */
  readonly title: string;
  /** The panel, and the job where that is another name. */
  readonly of: string;
  /** Facts in a few words: size, technique, day. */
  readonly facts: string;
}

const HEAD_MM = 15;
const FOOT_MM = 9;
const TITLE_MM = 5.4;
const FACTS_MM = 3.1;
/** Lengths of the bar by which a print is checked. */
export const CHECK_BAR_MM = 100;

/** Where the work itself goes on a page of this size. */
export const workArea = (widthMm: number, heightMm: number): Box =>
  box(MARGIN_MM, MARGIN_MM + HEAD_MM, widthMm - MARGIN_MM, heightMm - MARGIN_MM - FOOT_MM);

/** How much taller a page is than the work on it. */
export const AROUND_MM = 2 * MARGIN_MM + HEAD_MM + FOOT_MM;

/** The head and the foot of a page: what it is, of what, which page; and at true scale the bar to check it by. */
export function headed(
  { title, of, facts }: Heading,
  page: { readonly widthMm: number; readonly heightMm: number; readonly count: string; readonly isTrueScale: boolean },
): Mark[] {
  const { widthMm, heightMm, count, isTrueScale } = page;
  const [left, right, top, foot] = [MARGIN_MM, widthMm - MARGIN_MM, MARGIN_MM, heightMm - MARGIN_MM];
  const marks: Mark[] = [
    text([left, top + TITLE_MM], of, TITLE_MM, { face: 'head' }),
    text([left, top + TITLE_MM + 4.6], facts, FACTS_MM, { ink: 'soft' }),
    text([right, top + TITLE_MM], title, TITLE_MM * 0.8, { face: 'bold', anchor: 'end', ink: 'copper' }),
    text([right, top + TITLE_MM + 4.6], count, FACTS_MM, { anchor: 'end', ink: 'soft' }),
    line(
      [
        [left, top + HEAD_MM - 3],
        [right, top + HEAD_MM - 3],
      ],
      { widthMm: 0.3, stroke: 'line' },
    ),
  ];
  return isTrueScale ? [...marks, ...checkBar([left, foot - 2], right)] : marks;
}

/** A bar of 100 mm with its ends marked, and what it is for beside it. */
function checkBar([x, y]: Point, right: number): Mark[] {
  const end = x + CHECK_BAR_MM;
  const tick = (at: number, high: number) =>
    line(
      [
        [at, y - high],
        [at, y],
      ],
      { widthMm: 0.25 },
    );
  const words = `${CHECK_BAR_MM} mm: measure it before you cut. Print at actual size, without fitting to the page.`;
  const sizeMm = Math.min(FACTS_MM, ((right - end - 4) / widthOf(words, 1)) * 1);
  return [
    line(
      [
        [x, y],
        [end, y],
      ],
      { widthMm: 0.35 },
    ),
    ...Array.from({ length: 11 }, (_, i) => tick(x + (i * CHECK_BAR_MM) / 10, i % 5 === 0 ? 3 : 1.6)),
    text([end + 4, y], words, sizeMm, { ink: 'soft' }),
  ];
}
