import { count, showArea, showNumbers } from '../units/index.ts';
import { cartoonBox, cartoonMarks } from './cartoonPaper.ts';
import { glassesOf } from './glassesOf.ts';
import { headed, workArea, type Heading } from './heading.ts';
import { listed } from './listed.ts';
import { area, box, frame, text, wrapped, type Mark, type Page } from './page.ts';
import { fitted } from './scaled.ts';
import { MARGIN_MM, type PaperSize } from './sizes.ts';
import type { PaperGlass, PaperPanel } from './types.ts';

const CODE_MM = 32;
/** A clock's code, small enough for two beside each other, large enough for a scanner at arm's length. */
const CLOCK_MM = 14;
/** From one clock's code to the one below, with the word between. */
const CLOCK_PITCH_MM = 21;
/** Beside the picture there is room for so many. */
const MOST_CLOCKS = 8;

/** The codes that start and stop the clock, two in a row under the code of the panel. */
function clockCodes(panel: PaperPanel, [x, y]: readonly [number, number]): Mark[] {
  return panel.clocks.slice(0, MOST_CLOCKS).flatMap(({ word, code }, i): Mark[] => {
    const at = [x + (i % 2) * (CODE_MM - CLOCK_MM), y + Math.floor(i / 2) * CLOCK_PITCH_MM] as const;
    return [
      { kind: 'code', at: [at[0], at[1]], sizeMm: CLOCK_MM, text: code },
      text([at[0], at[1] + CLOCK_MM + 3.4], word, 3),
    ];
  });
}

/** One page for the bench: the panel small in its glass, a code that opens it, and each glass with its pieces. */
export function benchCard(panel: PaperPanel, paper: PaperSize, heading: Heading): Page[] {
  const [widthMm, heightMm] = [paper.widthMm, paper.heightMm ?? paper.widthMm * Math.SQRT2];
  const room = workArea(widthMm, heightMm);
  const pictureEnd = room.minY + (room.maxY - room.minY) * 0.55;
  const picture = box(room.minX, room.minY, room.maxX - CODE_MM - 8, pictureEnd);
  const drawn = fitted(cartoonMarks(panel, { isMirrored: false, isColoured: true }), cartoonBox(panel), picture);
  const codeAt = [room.maxX - CODE_MM, room.minY] as const;
  const groups = byGlass(panel);
  const rows = groups.map(({ glass, numbers, areaMm2 }) => [
    glass ? `${glass.code}  ${glass.name}` : 'no glass yet',
    String(numbers.length),
    showArea(areaMm2, panel.unit),
    showNumbers(numbers),
  ]);
  const pages = listed(
    [
      { title: 'Glass', share: 0.34, face: 'bold' },
      { title: 'Pieces', share: 0.09, isNumber: true },
      { title: 'Area', share: 0.15, isNumber: true },
      { title: 'Numbers', share: 0.42 },
    ],
    rows,
    (page) => (page === 0 ? { ...room, minY: pictureEnd + 6 } : room),
  );
  const client = panel.client === '' ? [] : [`for ${panel.client}`];
  const first: Mark[] = [
    ...drawn.marks,
    { kind: 'code', at: [codeAt[0], codeAt[1]], sizeMm: CODE_MM, text: panel.code },
    ...[count(panel.pieces.length, 'piece'), ...client].flatMap((words, i) =>
      wrapped(words, 3.6, CODE_MM).map((part, k) =>
        text([codeAt[0], codeAt[1] + CODE_MM + 6 + (i * 2 + k) * 5], part, 3.6),
      ),
    ),
    ...clockCodes(panel, [codeAt[0], codeAt[1] + CODE_MM + 26]),
  ];
  return pages.map((marks, i) => ({
    name: i === 0 ? 'Bench card' : `Bench card ${i + 1}`,
    widthMm,
    heightMm,
    marks: [
      ...(i === 0 ? first : []),
      ...marks,
      ...headed(heading, { widthMm, heightMm, count: `page ${i + 1} of ${pages.length}`, isTrueScale: false }),
    ],
  }));
}

interface OfGlass {
  readonly glass: PaperGlass | null;
  readonly numbers: number[];
  areaMm2: number;
}

/** Pieces by glass with the area to which they are cut, by code. */
function byGlass({ pieces, cuts }: PaperPanel): OfGlass[] {
  const areas = new Map(cuts.map((cut) => [cut.number, cut.areaMm2]));
  const groups = new Map<string, OfGlass>();
  for (const piece of pieces)
    for (const { glass } of glassesOf(piece)) {
      const group = groups.get(glass?.code ?? '') ?? { glass, numbers: [], areaMm2: 0 };
      group.numbers.push(piece.number);
      group.areaMm2 += areas.get(piece.number) ?? 0;
      groups.set(glass?.code ?? '', group);
    }
  return [...groups]
    .sort(([a], [b]) => (a === '' ? 1 : b === '' ? -1 : a.localeCompare(b, 'en', { numeric: true })))
    .map(([, g]) => g);
}

const LABEL = { widthMm: 38, heightMm: 16 };

/** What stands on one label: large, below it, in its corner, and the glass it is of. */
interface Label {
  readonly large: string;
  readonly below: string;
  readonly colour: PaperGlass['colour'] | null;
}

/** Trays first, then the sheets that are laid out, then every piece. */
function labelsOf({ pieces, sheets }: PaperPanel): Label[] {
  const trays = new Map<string, number>();
  for (const { section } of pieces) if (section !== null) trays.set(section, (trays.get(section) ?? 0) + 1);
  return [
    ...[...trays]
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([letter, many]) => ({ large: `Tray ${letter}`, below: count(many, 'piece'), colour: null })),
    ...sheets.map(({ label, glass }) => ({
      large: label,
      below: `${glass.code} · sheet to cut`,
      colour: glass.colour,
    })),
    ...pieces.flatMap((piece) =>
      glassesOf(piece).map(({ name, glass }) => ({
        large: name,
        below: [glass?.code ?? 'no glass', ...(piece.section ? [`tray ${piece.section}`] : [])].join(' · '),
        colour: glass?.colour ?? null,
      })),
    ),
  ];
}

/** A small label for every tray, sheet and piece, to be cut apart or printed on sheets of labels. */
export function labelPages(panel: PaperPanel, paper: PaperSize, heading: Heading): Page[] {
  const [widthMm, heightMm] = [paper.widthMm, paper.heightMm ?? paper.widthMm * Math.SQRT2];
  const room = workArea(widthMm, heightMm);
  const across = Math.floor((room.maxX - room.minX) / LABEL.widthMm);
  const onAPage = across * Math.floor((room.maxY - room.minY) / LABEL.heightMm);
  const labels = labelsOf(panel);
  const pages = Math.ceil(labels.length / onAPage);
  return Array.from({ length: pages }, (_, page): Page => {
    const marks = labels.slice(page * onAPage, (page + 1) * onAPage).flatMap(({ large, below, colour }, i) => {
      const x = room.minX + (i % across) * LABEL.widthMm;
      const y = room.minY + Math.floor(i / across) * LABEL.heightMm;
      return [
        frame(box(x, y, x + LABEL.widthMm, y + LABEL.heightMm), { widthMm: 0.1, stroke: 'faint' }),
        ...(colour ? [area([colourStrip(x, y)], { stroke: null, fill: colour })] : []),
        text([x + 5, y + 8.6], large, large.length > 6 ? 5.2 : 7.4, { face: 'bold' }),
        text([x + 5, y + 13], below, 3, { ink: 'soft' }),
        text([x + LABEL.widthMm - 2, y + 4.4], panel.name.slice(0, 16), 2.4, { anchor: 'end', ink: 'soft' }),
      ];
    });
    const said = `page ${page + 1} of ${pages}`;
    return {
      name: `Labels ${page + 1}`,
      widthMm,
      heightMm,
      marks: [...marks, ...headed(heading, { widthMm, heightMm, count: said, isTrueScale: false })],
    };
  });
}

const colourStrip = (x: number, y: number): [number, number][] => [
  [x + 1.2, y + 1.2],
  [x + 3.2, y + 1.2],
  [x + 3.2, y + LABEL.heightMm - 1.2],
  [x + 1.2, y + LABEL.heightMm - 1.2],
];

/** What a client is told about looking after the work. */
const CARE: Readonly<Record<'both' | 'foil' | 'lead', readonly string[]>> = {
  both: [
    'Dust it with a soft dry cloth or a soft brush. Where that is not enough, wipe it with a cloth just damp with water, and dry it at once.',
    'No glass cleaner with ammonia or vinegar, no scouring, no metal polish: they eat the patina and dull the glass.',
    'Carry it upright by its frame or its edges, with a hand below. Never carry it flat, and never lift it by the rings alone.',
    'Glass can break into sharp pieces. If a piece cracks, leave it where it is and call the studio; a single piece can be replaced.',
  ],
  foil: [
    'It hangs from its rings by wire or chain made for its weight. Look at hooks and wire once a year.',
    'The dark lines are tin and lead under a thin patina. They may be waxed once a year with a little clear wax.',
  ],
  lead: [
    'The cames are lead. They turn grey with time, and that protects them. Wash your hands after handling, and keep small children from mouthing it; follow local rules on lead in the home.',
    'White bloom on the lead is dry residue: brush it off outdoors and leave dust out of the house. A little loose cement can be brushed off too.',
    'If the panel bows, rattles, or lets in water, have it looked at: the bars and the cement are made to be renewed.',
  ],
};

/** A card of half a page for the client: the panel in its glass, and how to look after it. */
export function careCard(panel: PaperPanel, paper: PaperSize, heading: Heading): Page[] {
  const [widthMm, heightMm] = [paper.widthMm, paper.heightMm ?? paper.widthMm * Math.SQRT2];
  const inner = box(MARGIN_MM * 2, MARGIN_MM * 2, widthMm - MARGIN_MM * 2, heightMm - MARGIN_MM * 2);
  const middle = widthMm / 2;
  const picture = { ...inner, maxY: inner.minY + (inner.maxY - inner.minY) * 0.46 };
  const drawn = fitted(
    cartoonMarks(panel, { isMirrored: false, isColoured: true, isPlain: true }),
    cartoonBox(panel),
    picture,
  );
  const words = [...CARE.both.slice(0, 2), ...CARE[panel.technique], ...CARE.both.slice(2)];
  const marks: Mark[] = [
    ...drawn.marks,
    text([middle, picture.maxY + 14], heading.of, 8, { face: 'head', anchor: 'middle' }),
    text([middle, picture.maxY + 20], heading.facts, 3.4, { anchor: 'middle', ink: 'soft' }),
  ];
  let y = picture.maxY + 33;
  for (const said of words) {
    for (const part of wrapped(said, 4, inner.maxX - inner.minX)) {
      marks.push(text([inner.minX, y], part, 4));
      y += 5.4;
    }
    y += 2.6;
  }
  return [{ name: 'Care', widthMm, heightMm, marks }];
}
