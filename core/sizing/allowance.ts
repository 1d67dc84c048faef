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
}

/** Gap, hearts and clearance are from memory; a studio sets its own. */
export const DEFAULT_ALLOWANCE: Readonly<Record<Technique, LineAllowance>> = {
  foil: { technique: 'foil', gapMm: 0.8, heartMm: 0, faceMm: 5, clearanceMm: 0, outline: 'glass-edge' },
  lead: { technique: 'lead', gapMm: 0, heartMm: 1.6, faceMm: 6, clearanceMm: 0.25, outline: 'glass-edge' },
};
