import type { Cartoon } from '../cartoon/index.ts';
import { insetRegion, ringPoints, type Ring } from '../geometry/index.ts';
import type { LineAllowance } from './allowance.ts';
import { outsideOfOutline, rimCode, type Opening } from './border.ts';

/**
 * Where what is seen of a panel in its opening ends, in mm on the drawing: the cover of the rebate, stop or bead laps over
 * the opening's edge, from which the panel keeps its play.
 * @returns a ring for each part of the drawing; none where nothing would be seen
 */
export function sightLine(cartoon: Cartoon, allowance: LineAllowance, opening: Opening): Ring[] {
  const inMm = opening.coverMm - opening.clearanceMm - outsideOfOutline(allowance, rimCode(cartoon));
  return cartoon.outlines.flatMap((outline) => insetRegion([ringPoints(cartoon.map, outline)], inMm));
}
