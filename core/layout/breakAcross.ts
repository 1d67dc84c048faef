import { boxOf, type Point, type Ring } from '../geometry/index.ts';
import { pointAt } from '../units/index.ts';
import type { StraightBreak } from '../stock/index.ts';

/**
 * The straight break square to a sheet's edges, so far from its left (`down`) or its top (`across`); of several runs through
 * the glass, as where a corner is gone, the longest.
 * @param atMm from the box round the outline
 * @returns null where it does not meet the glass
 */
export function breakAcross(outline: Ring, way: 'down' | 'across', atMm: number): StraightBreak | null {
  const box = boxOf(outline);
  const [along, over] = way === 'down' ? ([0, 1] as const) : ([1, 0] as const);
  const at = (way === 'down' ? box.minX : box.minY) + atMm;
  const hits: number[] = [];
  outline.forEach((p, i) => {
    const q = pointAt(outline, (i + 1) % outline.length);
    const [a, b] = [p[along], q[along]];
    if (a < at === b < at) return;
    hits.push(p[over] + ((at - a) / (b - a)) * (q[over] - p[over]));
  });
  hits.sort((a, b) => a - b);
  let best: readonly [number, number] | null = null;
  for (let i = 0; i + 1 < hits.length; i += 2) {
    const [from = 0, to = 0] = [hits[i], hits[i + 1]];
    if (best === null || to - from > best[1] - best[0]) best = [from, to];
  }
  if (best === null) return null;
  const placed = (run: number): Point => (way === 'down' ? [at, run] : [run, at]);
  return { from: placed(best[0]), to: placed(best[1]) };
}
