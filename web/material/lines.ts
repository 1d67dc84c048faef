import type { Look } from '#core/bench';
import type { Band, DrawnPiece, Metal, PaletteName } from './scene.ts';

/** One stroke along a path; a material is a few of them over each other. */
export interface Line {
  readonly colour: PaletteName;
  readonly widthMm: number;
  readonly alpha: number;
  readonly dash?: readonly number[];
  /** Towards the light from above left, where there is one. */
  readonly shiftMm?: number;
}

/** The edge of a piece, by what its step made of it; each differs by line or texture, not by colour alone. */
export const EDGES: Readonly<Partial<Record<Look, readonly Line[]>>> = {
  glass: [{ colour: 'score', widthMm: 0.55, alpha: 1 }],
  frosted: [
    { colour: 'frost', widthMm: 3.4, alpha: 0.8 },
    { colour: 'frost-edge', widthMm: 2.6, alpha: 0.5, dash: [0.4, 0.9] },
  ],
  copper: [
    { colour: 'foil', widthMm: 3, alpha: 1 },
    { colour: 'foil-light', widthMm: 1, alpha: 0.85 },
  ],
};

/** Dashes nearer than so many dots, and lines over others that are narrower than that, are not seen; and they are dear to draw. */
const SEEN_FROM_PX = { dashes: 1.2, width: 0.5 } as const;

/** The edge of a piece as it is seen with so many dots a millimetre, its lines so much of their width. */
export function edgesSeen(look: Look, pxPerMm: number, share: number): readonly Line[] {
  const lines = EDGES[look] ?? [];
  const isSeen = ({ widthMm, dash }: Line): boolean =>
    dash
      ? dash.reduce((sum, mm) => sum + mm, 0) * pxPerMm >= SEEN_FROM_PX.dashes
      : widthMm * share * pxPerMm >= SEEN_FROM_PX.width;
  return lines.filter((line, i) => i === 0 || isSeen(line)).map((line) => ({ ...line, widthMm: line.widthMm * share }));
}

/** A piece of which the glass has become too small. */
export const TOO_SMALL: Line = { colour: 'crack', widthMm: 1.4, alpha: 1, dash: [4, 2.4] };
/** A piece that broke, and the crack in it. */
export const BROKEN: Line = { colour: 'crack', widthMm: 1, alpha: 1, dash: [3, 1.6] };
export const CRACK: Line = { colour: 'crack', widthMm: 0.9, alpha: 1 };

export function crackPath({ labelAt: [x, y], labelRadiusMm }: Pick<DrawnPiece, 'labelAt' | 'labelRadiusMm'>): string {
  const r = Math.max(5, labelRadiusMm * 1.5);
  return `M${x - r} ${y - r * 0.5}l${r * 0.5} ${r * 0.3} ${r * 0.1} ${-r * 0.35} ${r * 0.5} ${r * 0.6} ${r * 0.3} ${-r * 0.15} ${r * 0.6} ${r * 0.55}M${x - r * 0.4} ${y - r * 0.2}l${-r * 0.15} ${r * 0.7} ${r * 0.3} ${r * 0.4}`;
}

/** The glass that a piece of paper is to become, as a dot on it. */
export const chipOf = ({ labelAt: [x, y], labelRadiusMm }: Pick<DrawnPiece, 'labelAt' | 'labelRadiusMm'>) => ({
  x,
  y: y + Math.min(11, labelRadiusMm * 0.8),
  r: Math.min(3, labelRadiusMm * 0.17),
});

/** A soldered seam, bright or with its patina. */
export const seamLines = ({ dark }: NonNullable<Metal['seams']>): readonly Line[] => [
  { colour: dark ? 'patina' : 'solder', widthMm: 4.6, alpha: 1 },
  { colour: dark ? 'patina-mid' : 'solder-mid', widthMm: 2.6, alpha: 0.95, shiftMm: 0.35 },
  { colour: dark ? 'patina-shine' : 'solder-shine', widthMm: 0.7, alpha: 0.9, shiftMm: 0.75 },
];

/** A came at its own width. */
export const cameLines = ({ faceMm }: Band): readonly Line[] => [
  { colour: 'came', widthMm: faceMm, alpha: 1 },
  { colour: 'came-shine', widthMm: faceMm * 0.46, alpha: 1, shiftMm: faceMm * 0.07 },
  { colour: 'came-glint', widthMm: faceMm * 0.12, alpha: 0.6, shiftMm: faceMm * 0.2 },
];

/** Cement that shows beside a came, mm over its width. */
export const CEMENT_MM = 1.6;
