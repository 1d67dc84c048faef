import { keysOf, recordOf } from '../units/index.ts';
/** How a limit is measured. */
export type LimitUnit = 'mm' | 'mm²' | '°' | 'ratio';

export interface Limit {
  /** What it is as long as a studio has not set its own. */
  readonly value: number;
  readonly unit: LimitUnit;
  /** What a studio may set. */
  readonly least: number;
  readonly most: number;
  readonly words: string;
  readonly source: 'from memory' | 'common practice';
}

/**
 * What a studio judges and measures by, each once, with unit, bounds and source; a studio sets its own. They are handed
 * in to whatever judges by them.
 */
export const LIMITS = {
  sharpDeg: {
    value: 30,
    unit: '°',
    least: 5,
    most: 90,
    words: 'A point sharper than this snaps',
    source: 'from memory',
  },
  fussyBite: {
    value: 0.25,
    unit: 'ratio',
    least: 0.05,
    most: 2,
    words: 'An inside curve is fussy when it is deeper than this share of its mouth',
    source: 'from memory',
  },
  hardBite: {
    value: 0.5,
    unit: 'ratio',
    least: 0.05,
    most: 5,
    words: 'An inside curve is hard when it is deeper than this share of its mouth',
    source: 'from memory',
  },
  mostBite: {
    value: 1.5,
    unit: 'ratio',
    least: 0.2,
    most: 20,
    words: 'An inside curve deeper than this share of its mouth cannot be cut as one',
    source: 'from memory',
  },
  bulbShare: {
    value: 1.2,
    unit: 'ratio',
    least: 1,
    most: 5,
    words: 'An inside curve so many times as wide behind its mouth cannot be cut as one',
    source: 'from memory',
  },
  cornerMm: {
    value: 2,
    unit: 'mm',
    least: 0,
    most: 20,
    words: 'An inside corner of a smaller radius starts a crack',
    source: 'from memory',
  },
  narrowMm: {
    value: 6,
    unit: 'mm',
    least: 1,
    most: 50,
    words: 'A neck or strip narrower than this breaks across',
    source: 'from memory',
  },
  leastNeckMm: {
    value: 2,
    unit: 'mm',
    least: 0,
    most: 20,
    words: 'A neck or strip narrower than this cannot be cut as one',
    source: 'from memory',
  },
  slender: {
    value: 12,
    unit: 'ratio',
    least: 2,
    most: 100,
    words: 'A piece so many times as long as wide is slender',
    source: 'from memory',
  },
  leastDaylightMm2: {
    value: 40,
    unit: 'mm²',
    least: 0,
    most: 2000,
    words: 'Less light than this is only a dark speck',
    source: 'from memory',
  },
  mostPanelMm2: {
    value: 280_000,
    unit: 'mm²',
    least: 10_000,
    most: 4_000_000,
    words: 'A larger panel wants bars or a frame',
    source: 'from memory',
  },
  mostPanelMm: {
    value: 600,
    unit: 'mm',
    least: 100,
    most: 3200,
    words: 'A longer panel wants bars or a frame',
    source: 'from memory',
  },
  hingeMm: {
    value: 40,
    unit: 'mm',
    least: 5,
    most: 1000,
    words: 'A straight run of lines from rim to rim folds from this length on',
    source: 'from memory',
  },
  sliceMm: {
    value: 4,
    unit: 'mm',
    least: 1,
    most: 30,
    words: 'An inside curve is run out in slices of this depth',
    source: 'from memory',
  },
  sheetEdgeMm: {
    value: 6,
    unit: 'mm',
    least: 0,
    most: 50,
    words: 'Strip along the edge of a sheet that no piece is cut from',
    source: 'from memory',
  },
  breakMarginMm: {
    value: 5,
    unit: 'mm',
    least: 0,
    most: 50,
    words: 'Room between two pieces on a sheet, for the pliers on both sides of a break',
    source: 'from memory',
  },
  keepMm: {
    value: 60,
    unit: 'mm',
    least: 10,
    most: 1000,
    words: 'An offcut goes back to the rack where it holds a square of this side',
    source: 'from memory',
  },
  flowOffDeg: {
    value: 10,
    unit: '°',
    least: 0,
    most: 90,
    words: 'A piece may lie so far off its flow on the sheet',
    source: 'from memory',
  },
  fittingMm: {
    value: 3,
    unit: 'mm',
    least: 0,
    most: 50,
    words: 'Play on each side between panel and opening',
    source: 'from memory',
  },
  coverMm: {
    value: 8,
    unit: 'mm',
    least: 0,
    most: 100,
    words: 'Covered by the rebate on each side',
    source: 'from memory',
  },
  foilGapMm: {
    value: 0.8,
    unit: 'mm',
    least: 0,
    most: 5,
    words: 'Gap between two foiled pieces',
    source: 'from memory',
  },
  beadMm: {
    value: 5,
    unit: 'mm',
    least: 1,
    most: 20,
    words: 'Bead of solder that is seen over a foiled seam',
    source: 'from memory',
  },
  heartMm: {
    value: 1.6,
    unit: 'mm',
    least: 0,
    most: 10,
    words: 'Heart of the lead came',
    source: 'from memory',
  },
  faceMm: {
    value: 6,
    unit: 'mm',
    least: 0,
    most: 30,
    words: 'Face of the lead came',
    source: 'from memory',
  },
  playMm: {
    value: 0.25,
    unit: 'mm',
    least: 0,
    most: 5,
    words: 'Play between glass and heart on each side',
    source: 'from memory',
  },
} as const satisfies Readonly<Record<string, Limit>>;

export type LimitName = keyof typeof LIMITS;
export const LIMIT_NAMES = keysOf(LIMITS);
export type Limits = Readonly<Record<LimitName, number>>;
/** What a studio has set itself. */
export type OwnLimits = Readonly<Partial<Record<LimitName, number>>>;

export const DEFAULT_LIMITS: Limits = recordOf(LIMIT_NAMES, (name) => LIMITS[name].value);

/** The limits in force. */
export const limitsWith = (own: OwnLimits): Limits => ({ ...DEFAULT_LIMITS, ...own });

/** Whether a studio may set a limit so. */
export const isLimit = (name: LimitName, value: number): boolean =>
  value >= LIMITS[name].least && value <= LIMITS[name].most;
