import polylabel from 'polylabel';
import { numberAt } from '../units/index.ts';
import type { Point, Ring } from './ring.ts';

/**
 * The point furthest from the border of a region, and how far it is, mm (pole of inaccessibility).
 * @param withinMm how near the answer has to be; where the region is thinner than that the distance is 0
 */
export function poleOf(rings: readonly Ring[], withinMm: number): { at: Point; distanceMm: number } {
  const found = polylabel(
    rings.map((ring) => ring.map(([x, y]) => [x, y])),
    withinMm,
  );
  return { at: [numberAt(found, 0), numberAt(found, 1)], distanceMm: found.distance };
}
