import { keysOf } from '../units/index.ts';

/** Paper, mm, upright. */
export interface PaperSize {
  readonly widthMm: number;
  /** Null where it is as long as the work: paper on a roll. */
  readonly heightMm: number | null;
}

/**
 * A4 and A3 by ISO 216; Letter and Tabloid by ANSI/ASME Y14.1 (A and B: 8.5 × 11 and 11 × 17 in). A roll is taken as 24 in
 * wide, a common width of plotters; from memory.
 */
export const PAPER_SIZES = {
  A4: { widthMm: 210, heightMm: 297 },
  A3: { widthMm: 297, heightMm: 420 },
  Letter: { widthMm: 215.9, heightMm: 279.4 },
  Tabloid: { widthMm: 279.4, heightMm: 431.8 },
  Roll: { widthMm: 609.6, heightMm: null },
} as const satisfies Readonly<Record<string, PaperSize>>;

export type PaperName = keyof typeof PAPER_SIZES;
export const PAPER_NAMES = keysOf(PAPER_SIZES);

/** Printers leave a strip along the edges blank; from memory. */
export const MARGIN_MM = 10;
