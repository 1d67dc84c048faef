import type { Cartoon } from '#core/cartoon';
import { nearestOnSegment, type Point } from '#core/geometry';

/** The line nearest to a place, within `reachMm`; null when none is. */
export function nearestLine({ map }: Cartoon, [x, y]: Point, reachMm: number): number | null {
  let best: { line: number; distSq: number } | null = null;
  map.lines.forEach(({ points }, line) => {
    for (let i = 1; i < points.length; i++) {
      const [a, b] = [points[i - 1] as Point, points[i] as Point];
      const { distSq } = nearestOnSegment(x, y, a[0], a[1], b[0], b[1]);
      if (distSq <= reachMm * reachMm && (!best || distSq < best.distSq)) best = { line, distSq };
    }
  });
  return (best as { line: number } | null)?.line ?? null;
}

/** The joint (or corner node) nearest to a place, within `reachMm`. */
export function nearestNode({ map }: Cartoon, [x, y]: Point, reachMm: number): number | null {
  let best: { node: number; mm: number } | null = null;
  map.nodes.forEach(([nx, ny], node) => {
    const mm = Math.hypot(nx - x, ny - y);
    if (mm <= reachMm && (!best || mm < best.mm)) best = { node, mm };
  });
  return (best as { node: number } | null)?.node ?? null;
}
