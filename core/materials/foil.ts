import { MM_PER_INCH } from '../units/index.ts';

/** Widths in which copper foil is sold, in. */
const WIDTHS = [
  ['5/32', 5 / 32],
  ['3/16', 3 / 16],
  ['7/32', 7 / 32],
  ['1/4', 1 / 4],
  ['5/16', 5 / 16],
  ['3/8', 3 / 8],
  ['1/2', 1 / 2],
] as const;

/** A foil that laps over each face by less does not hold, mm: 1/32 in. From memory. */
export const LEAST_OVERLAP_MM = MM_PER_INCH / 32;
/** Two glasses bound as one are lapped wider, mm: 1/2 in goes round two of 3 mm. Common practice. */
export const BOUND_OVERLAP_MM = 3;
/** How much longer a foil is than the edge it goes round: its end laps over, and some is lost. From memory. */
const LAPPED_MM = 10;
const LOST = 1.05;

export interface FoilChoice {
  /** As it is sold: `7/32 in`. */
  readonly stock: string;
  readonly widthMm: number;
  /** On each face, mm. */
  readonly overlapMm: number;
  /** The widest that is sold is too narrow for what was asked. */
  readonly isTooNarrow: boolean;
}

/** The narrowest foil sold that laps over each face of a glass by so much; the widest where none does. */
export function foilFor(thicknessMm: number, overlapMm: number): FoilChoice {
  const wantedMm = thicknessMm + 2 * overlapMm;
  const chosen = (name: string, inches: number, isTooNarrow: boolean): FoilChoice => {
    const widthMm = inches * MM_PER_INCH;
    return { stock: `${name} in`, widthMm, overlapMm: (widthMm - thicknessMm) / 2, isTooNarrow };
  };
  const found = WIDTHS.find(([, inches]) => inches * MM_PER_INCH >= wantedMm - 1e-9);
  return found ? chosen(found[0], found[1], false) : chosen('1/2', 1 / 2, true);
}

/** How much foil a piece takes: once round its edge and a little over itself, mm. */
export const foilRound = (perimeterMm: number): number => perimeterMm + LAPPED_MM;

/** How much to buy for several pieces, mm. */
export const foilForAll = (piecesMm: readonly number[]): number => LOST * piecesMm.reduce((sum, mm) => sum + mm, 0);

/** What a foil's back is to look like behind a glass: unseen, it may be bare copper; seen, it is as the solder will be. */
export type Backing = 'copper' | 'as-solder';
export const backingFor = (hiding: 'clear' | 'veiled' | 'opal'): Backing =>
  hiding === 'opal' ? 'copper' : 'as-solder';
