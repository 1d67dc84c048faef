import { ratedKg } from './wire.ts';

/** What a shade is carried by inside. */
export type Spider = 'cap' | 'three arms' | 'six arms';

export interface LampFitting {
  readonly spider: Spider;
  /** The cap, across, at the least, mm: caps are sold in few sizes, and the top opening is made to one of them. */
  readonly capMm: number;
  /** Chain, hook and fixing of one that hangs are marked for so much, kg. */
  readonly ratedKg: number;
  /** The base of one that stands: as heavy as this, and so wide, at the least. */
  readonly baseKg: number;
  readonly baseMm: number;
}

/** Caps as they are sold, mm (from memory), and up to which weight of a shade each is enough, kg. */
const CARRIED = [
  { mostKg: 1.5, capMm: 50, spider: 'cap' },
  { mostKg: 4, capMm: 75, spider: 'three arms' },
  { mostKg: 8, capMm: 100, spider: 'three arms' },
  { mostKg: Infinity, capMm: 125, spider: 'six arms' },
] as const;
/** A base is as heavy as its shade, and this share of its width. From memory. */
const BASE_SHARE = 0.6;
const GRAVITY = 9.80665;

/**
 * What carries a lamp shade.
 * @param widthMm of its drawing, where its sides lie in a row
 * @param sides that stand up to a ring; 1 where it is drawn as it is wide
 */
export function lampFitting(massG: number, widthMm: number, sides = 1): LampFitting {
  const acrossMm = sides > 1 ? widthMm / Math.PI : widthMm;
  const kg = massG / 1000;
  const { capMm, spider } = CARRIED.find(({ mostKg }) => kg <= mostKg) ?? CARRIED[3];
  return { spider, capMm, ratedKg: ratedKg(kg * GRAVITY), baseKg: kg, baseMm: BASE_SHARE * acrossMm };
}
