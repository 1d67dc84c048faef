/** Of soda-lime glass, g/cm³ (EN 572-1: 2500 kg/m³). */
export const GLASS_G_PER_CM3 = 2.5;

/** The area of a piece of glass by its weight, whole mm². */
export const areaByWeight = (grams: number, thicknessMm: number): number =>
  Math.round(grams / ((GLASS_G_PER_CM3 / 1000) * thicknessMm));

/** What a piece of glass weighs, g. */
export const weightOfGlass = (areaMm2: number, thicknessMm: number): number =>
  areaMm2 * thicknessMm * (GLASS_G_PER_CM3 / 1000);
