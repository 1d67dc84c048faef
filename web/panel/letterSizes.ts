/** Numbers are written in so many sizes. */
const SIZES = 12;

/**
 * The largest of a few sizes that fits. A browser makes the letters of each size anew: five hundred numbers, each in a
 * size of its own, take it a tenth of a second to lay out, in twelve sizes a fortieth.
 * @param most the largest size, in the same unit
 */
export const letterSize = (fits: number, most: number): number =>
  Math.max(1, Math.floor((Math.min(fits, most) / most) * SIZES)) * (most / SIZES);
