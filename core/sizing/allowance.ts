import { DEFAULT_LIMITS, type Limits } from '../limits/index.ts';

export type Technique = 'foil' | 'lead';
/** What the drawing's outer line stands for. */
export type OutlineMeaning = 'glass-edge' | 'came-outside';

/** What a line takes up between two pieces. All millimetres. */
export interface LineAllowance {
  readonly technique: Technique;
  /** Foil: the whole gap between two pieces. */
  readonly gapMm: number;
  /** Lead: the heart of the came, and its face. */
  readonly heartMm: number;
  readonly faceMm: number;
  /** Lead: play between glass and heart on each side. */
  readonly clearanceMm: number;
  readonly outline: OutlineMeaning;
  /** What goes round the outline, as a code of a profile; what all lines take up where it is left out. */
  readonly border?: string;
}

/** What lines take up in a new panel of a studio, by its own measures. */
export function allowanceFor(technique: Technique, limits: Limits): LineAllowance {
  const outline = 'glass-edge';
  return technique === 'foil'
    ? { technique, gapMm: limits.foilGapMm, heartMm: 0, faceMm: limits.beadMm, clearanceMm: 0, outline }
    : { technique, gapMm: 0, heartMm: limits.heartMm, faceMm: limits.faceMm, clearanceMm: limits.playMm, outline };
}

/** … and as long as it has set none. */
export const DEFAULT_ALLOWANCE: Readonly<Record<Technique, LineAllowance>> = {
  foil: allowanceFor('foil', DEFAULT_LIMITS),
  lead: allowanceFor('lead', DEFAULT_LIMITS),
};
