import type { Point } from '../geometry/index.ts';
import type { LeadPlan } from '../leading/index.ts';
import { count, nth, showLength } from '../units/index.ts';
import { endsWords, lockedWords } from '../words/index.ts';
import { cartoonBox } from './cartoonPaper.ts';
import { headed, workArea, type Heading } from './heading.ts';
import { listed } from './listed.ts';
import { area as filled, line, text, wrapped, BELOW_MIDDLE, type Mark, type Page } from './page.ts';
import { fitted } from './scaled.ts';
import type { PaperSize } from './sizes.ts';
import type { PaperPanel } from './types.ts';

const LETTERS = 26;
/** A came's name on the plan and in the list: `a` to `z`, then `aa` and so on. */
export const runName = (i: number): string => {
  const letter = String.fromCharCode('a'.charCodeAt(0) + (i % LETTERS));
  return i < LETTERS ? letter : runName(Math.floor(i / LETTERS) - 1) + letter;
};

/** The panel with its pieces in the order of leading and each came by name; then the cames to cut, and how they are packed. */
export function leadPages(panel: PaperPanel, paper: PaperSize, heading: Heading): Page[] {
  const { lead } = panel;
  if (!lead) return [];
  const [widthMm, heightMm] = sheetFor(panel, paper);
  const area = workArea(widthMm, heightMm);
  const { plan, cuts } = lead;
  const inOrder = plan.order.flatMap(({ runs }) => runs);
  const names = new Map(inOrder.map((run, i) => [run, runName(i)]));
  const locked = plan.locked.flatMap((one) => wrapped(lockedWords(one), 3.4, area.maxX - area.minX));
  const notes = [
    'Small numbers tell the step at which a piece is laid, letters name its cames. Lead: wash hands before food and drink, and keep to its labels and local rules.',
    ...locked,
  ].flatMap((words) => wrapped(words, 3.4, area.maxX - area.minX));
  const picture = { ...area, maxY: area.maxY - notes.length * 5 };
  const marks: Mark[] = [
    ...fitted(planMarks(panel, plan, names), cartoonBox(panel), picture).marks,
    ...notes.map((words, i) => text([area.minX, picture.maxY + 4 + i * 5], words, 3.4, { ink: 'soft' })),
  ];
  const rows = plan.order.flatMap(({ piece, runs }, step) =>
    runs.map((run, k) => {
      const one = nth(plan.runs, run);
      const when = k > 0 ? '' : `${step + 1}`;
      const after = k > 0 ? '' : piece === null ? (step === 0 ? 'border' : 'last border') : String(piece);
      return [when, after, names.get(run) ?? '', showLength(one.lengthMm, panel.unit, 1), endsWords(one.ends)];
    }),
  );
  const lists = listed(
    [
      { title: 'Step', share: 0.09 },
      { title: 'Piece', share: 0.14, face: 'bold' },
      { title: 'Came', share: 0.1, face: 'bold' },
      { title: 'Length', share: 0.15, isNumber: true },
      { title: 'Its ends', share: 0.52 },
    ],
    rows,
    () => area,
  );
  const packing = listed(
    [
      { title: 'Length', share: 0.12 },
      { title: 'Cames cut from it', share: 0.62 },
      { title: 'Rest', share: 0.26, isNumber: true },
    ],
    cuts.lengths.map(({ parts, leftMm }, i) => [
      String(i + 1),
      parts.map(({ run, part }) => `${names.get(run) ?? ''}${part === null ? '' : ` (part ${part + 1})`}`).join(', '),
      showLength(Math.max(0, leftMm), panel.unit, 1),
    ]),
    () => area,
  );
  const bodies = [marks, ...lists, ...packing];
  return bodies.map((body, i) => ({
    name: i === 0 ? 'Plan' : `Cames ${i}`,
    widthMm,
    heightMm,
    marks: [
      ...body,
      ...headed(i === 0 ? heading : { ...heading, title: i <= lists.length ? 'Cames in order' : 'Cut from lengths' }, {
        widthMm,
        heightMm,
        count: `page ${i + 1} of ${bodies.length}, ${count(plan.runs.length, 'came')}`,
        isTrueScale: false,
      }),
    ],
  }));
}

/** The lines, each came's name at its middle, and in each piece its number and its step. */
function planMarks({ cartoon, allowance }: PaperPanel, plan: LeadPlan, names: ReadonlyMap<number, string>): Mark[] {
  const reaches = cartoonBox({ cartoon, allowance });
  const size = Math.max(reaches.maxX - reaches.minX, reaches.maxY - reaches.minY) / 48;
  const stepOf = new Map(plan.order.map(({ piece }, i) => [piece, i + 1]));
  const came = plan.lines.map(({ path, isBorder }) =>
    line(path, { widthMm: allowance.faceMm * (isBorder ? 1.2 : 1), stroke: 'faint' }),
  );
  const middles = plan.lines.map(({ path }) => line(path, { widthMm: size * 0.05 }));
  const cames = [...names].flatMap(([run, name]): Mark[] => {
    const first = plan.runs[run]?.lines.at(Math.floor((plan.runs[run]?.lines.length ?? 1) / 2));
    const points = first === undefined ? undefined : plan.lines[first < 0 ? ~first : first]?.path;
    if (!points || points.length === 0) return [];
    const [x, y] = middleOf(points);
    const high = size * 0.72;
    return [
      filled([plate(x, y, high * (0.5 + 0.14 * name.length))], { stroke: 'faint', widthMm: 0.2, fill: 'paper' }),
      text([x, y + high * BELOW_MIDDLE], name, high, { anchor: 'middle', ink: 'copper', face: 'bold' }),
    ];
  });
  const numbers = cartoon.pieces.flatMap(({ number, labelAt: [x, y], labelRadiusMm }): Mark[] => {
    const large = Math.min(size * 1.3, labelRadiusMm * 0.9);
    return [
      text([x, y + large * 0.1], String(number), large, { face: 'bold', anchor: 'middle' }),
      text([x, y + large * 0.75], String(stepOf.get(number) ?? ''), large * 0.6, { anchor: 'middle', ink: 'soft' }),
    ];
  });
  return [...came, ...middles, ...numbers, ...cames];
}

/** A round plate under a name. */
const plate = (x: number, y: number, r: number): Point[] =>
  Array.from({ length: 20 }, (_, i): Point => [
    x + r * Math.cos((i * Math.PI) / 10),
    y + r * Math.sin((i * Math.PI) / 10),
  ]);

/** Wide panels lie on a page on its side. */
function sheetFor({ widthMm, heightMm }: PaperPanel, paper: PaperSize): [number, number] {
  const [short, long] = [paper.widthMm, paper.heightMm ?? paper.widthMm * Math.SQRT2];
  return widthMm > heightMm ? [long, short] : [short, long];
}

/** The point half way along, by the number of its points: near enough for a name. */
function middleOf(points: readonly (readonly [number, number])[]): readonly [number, number] {
  const i = Math.floor((points.length - 1) / 2);
  const [a, b] = [points[i] ?? [0, 0], points[i + 1] ?? points[i] ?? [0, 0]];
  return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
}
