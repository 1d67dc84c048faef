/** How high a bead stands over the glass, mm. From memory. */
const CROWN_MM = 0.9;

/**
 * The area between a chord and its arc, mm².
 * @param chordMm @param heightMm of the arc over the chord, no more than half of it or a little more
 */
export function segmentArea(chordMm: number, heightMm: number): number {
  const radius = (chordMm * chordMm) / (8 * heightMm) + heightMm / 2;
  const below = radius - heightMm;
  return radius * radius * Math.acos(below / radius) - (below * chordMm) / 2;
}

/** Cross-section of a soldered seam of foil, mm²: the gap filled, and a bead on each face. */
export const seamSection = (gapMm: number, thicknessMm: number, overlapMm: number): number =>
  gapMm * thicknessMm + 2 * segmentArea(gapMm + 2 * overlapMm, CROWN_MM);

/** Solder at each joint of a leaded panel, g, until the studio has weighed its own. From memory. */
export const JOINT_G = 0.8;
