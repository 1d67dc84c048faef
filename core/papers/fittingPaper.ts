import { fittingSteps, fittingTools, playIn, type FinishPlan } from '../finish/index.ts';
import { finishedSize, outsideOf, type Opening } from '../sizing/index.ts';
import { showFineLength, showLength } from '../units/index.ts';
import { cartoonBox, cartoonMarks } from './cartoonPaper.ts';
import { headed, workArea, type Heading } from './heading.ts';
import { area, box, frame, line, square, text, wrapped, type Mark, type Page } from './page.ts';
import { fitted } from './scaled.ts';
import type { PaperSize } from './sizes.ts';
import type { PaperPanel } from './types.ts';

const SIZE_MM = 4;
const LEADING_MM = 5.4;
const SQUARE_MM = 4;

/** The day on site on paper: the panel with its bars, what play it has, what to take along, and each step to be ticked. */
export function fittingPages(panel: PaperPanel, paper: PaperSize, heading: Heading): Page[] {
  const [widthMm, heightMm] = [paper.widthMm, paper.heightMm ?? paper.widthMm * Math.SQRT2];
  const room = workArea(widthMm, heightMm);
  const { finish } = panel;
  const pictureEnd = room.minY + (room.maxY - room.minY) * 0.34;
  const middle = (room.minX + room.maxX) / 2;
  const look = { isMirrored: false, isColoured: true, isPlain: true };
  const cartoon = cartoonBox(panel);
  const bars = finish.bars.map((y) =>
    line(
      [
        [cartoon.minX - 12, y],
        [cartoon.maxX + 12, y],
      ],
      { widthMm: 6 },
    ),
  );
  const drawn = fitted(
    [...cartoonMarks(panel, look), ...bars],
    cartoon,
    box(room.minX, room.minY, middle - 4, pictureEnd),
  );
  const marks: Mark[] = [...drawn.marks];
  let y = room.minY + SIZE_MM;
  const say = (words: string, x: number, wide: number, look_: Parameters<typeof text>[3] = {}) => {
    for (const part of wrapped(words, SIZE_MM, wide, look_.face)) {
      marks.push(text([x, y], part, SIZE_MM, look_));
      y += LEADING_MM;
    }
  };
  for (const words of factsOf(panel)) {
    say(words, middle + 4, room.maxX - middle - 4);
    y += 1.4;
  }
  y += 2;
  say(`Take along: ${fittingTools(finish).join(', ')}.`, middle + 4, room.maxX - middle - 4, { ink: 'soft' });
  y = Math.max(y, pictureEnd) + 10;
  const pages: Mark[][] = [marks];
  const x = room.minX + SQUARE_MM + 4;
  for (const [i, step] of fittingSteps(finish).entries()) {
    const lines = wrapped(`${i + 1}  ${step.says}`, SIZE_MM, room.maxX - x);
    const care = step.caution === null ? [] : wrapped(step.caution, SIZE_MM * 0.88, room.maxX - x);
    const high = (lines.length + care.length) * LEADING_MM + 3;
    if (y + high > room.maxY) {
      pages.push([]);
      y = room.minY + SIZE_MM + 4;
    }
    const page = pages.at(-1) ?? marks;
    page.push(area([square(room.minX, y - SQUARE_MM + 0.6, SQUARE_MM)], { widthMm: 0.3 }));
    for (const part of lines) {
      page.push(text([x, y], part, SIZE_MM));
      y += LEADING_MM;
    }
    for (const part of care) {
      page.push(text([x, y], part, SIZE_MM * 0.88, { ink: 'copper' }));
      y += LEADING_MM;
    }
    y += 3;
  }
  const last = pages.at(-1) ?? marks;
  if (y + 24 < room.maxY) {
    last.push(text([room.minX, y + 8], 'Fitted on', SIZE_MM, { ink: 'soft' }));
    last.push(text([middle, y + 8], 'Taken over by', SIZE_MM, { ink: 'soft' }));
    last.push(frame(box(room.minX, y + 10, middle - 6, y + 22), { widthMm: 0.2, stroke: 'faint' }));
    last.push(frame(box(middle, y + 10, room.maxX, y + 22), { widthMm: 0.2, stroke: 'faint' }));
  }
  return pages.map((of, i) => ({
    name: i === 0 ? 'Fitting sheet' : `Fitting sheet ${i + 1}`,
    widthMm,
    heightMm,
    marks: [
      ...of,
      ...headed(heading, { widthMm, heightMm, count: `page ${i + 1} of ${pages.length}`, isTrueScale: false }),
    ],
  }));
}

/** Sizes, play, and what holds it. */
function factsOf({ cartoon, allowance, widthMm, heightMm, finish, opening, unit, materials }: PaperPanel): string[] {
  const drawn = finishedSize({ widthMm, heightMm }, outsideOf(cartoon, allowance));
  const size = finish.measured ?? drawn;
  const measures = `${showLength(size.widthMm, unit)} × ${showLength(size.heightMm, unit)}`;
  return [
    `The panel ${finish.measured ? 'measures' : 'finishes at'} ${measures}${materials ? ` and weighs ${(materials.weightG.total / 1000).toFixed(1)} kg` : ''}.`,
    ...(opening && finish.hold === 'fitted' ? playLines(opening, size, unit) : []),
    ...holdLines(finish, unit, cartoon.box.minY),
  ];
}

function playLines(opening: Opening, size: { widthMm: number; heightMm: number }, unit: PaperPanel['unit']): string[] {
  const { leftMm, topMm, bottomMm } = playIn(opening, size);
  const says = (mm: number) => `${mm < 0 ? 'minus ' : ''}${showFineLength(Math.abs(mm), unit)}`;
  return [
    `Opening ${showLength(opening.widthMm, unit)} × ${showLength(opening.heightMm, unit)}: ${says(leftMm)} left and right, ${says(topMm)} above, blocks of ${says(bottomMm)} below, at the quarter points.`,
  ];
}

function holdLines({ hold, bars, rings }: FinishPlan, unit: PaperPanel['unit'], top: number): string[] {
  const at = bars.map((y) => showLength(y - top, unit)).join(', ');
  return [
    ...(bars.length > 0 ? [`${bars.length === 1 ? 'A bar' : 'Bars'} ${at} from the top, tied to the panel.`] : []),
    ...(hold === 'hung' ? [rings.length === 0 ? 'Rings as proposed.' : `${rings.length} rings.`] : []),
  ];
}
