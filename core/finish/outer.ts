import { GLASS_G_PER_CM3 } from '../stock/index.ts';

/** The glass that stands before a leaded panel, outside. */
export interface OuterGlass {
  /** Of float glass; null where somebody who reckons with the wind has to say it. */
  readonly thicknessMm: number | null;
  readonly massKg: number | null;
  /** Between the two at the least, mm. */
  readonly gapMm: number;
  /** High enough above and below for air to pass, over the whole width, mm. */
  readonly slotMm: number;
}

/** Up to these areas float glass of this thickness, m² and mm. From memory; wind, height and place may ask for more. */
const BY_AREA = [
  { mostM2: 0.5, thicknessMm: 4 },
  { mostM2: 1.5, thicknessMm: 6 },
] as const;
/** From memory: with less, air does not move and dew runs down the panel. */
const GAP_MM = 30;
const SLOT_MM = 10;

/** Protective glazing with the room between aired from inside, so that both faces of the panel stay dry. */
export function outerGlassFor(widthMm: number, heightMm: number): OuterGlass {
  const areaM2 = (widthMm * heightMm) / 1e6;
  const thicknessMm = BY_AREA.find(({ mostM2 }) => areaM2 <= mostM2)?.thicknessMm ?? null;
  const massKg = thicknessMm === null ? null : areaM2 * thicknessMm * GLASS_G_PER_CM3;
  return { thicknessMm, massKg, gapMm: GAP_MM, slotMm: SLOT_MM };
}
