import { lineSearch, type Cartoon } from '#core/cartoon';
import type { Point } from '#core/geometry';

/** The line nearest to a place, within `reachMm`; null when none is. */
export const nearestLine = ({ map }: Cartoon, place: Point, reachMm: number): number | null =>
  lineSearch(map)(place, reachMm);

/** The joint (or corner node) nearest to a place, within `reachMm`. */
export function nearestNode({ map }: Cartoon, [x, y]: Point, reachMm: number): number | null {
  let best: { node: number; mm: number } | null = null;
  map.nodes.forEach(([nx, ny], node) => {
    const mm = Math.hypot(nx - x, ny - y);
    if (mm <= reachMm && (!best || mm < best.mm)) best = { node, mm };
  });
  return (best as { node: number } | null)?.node ?? null;
}
