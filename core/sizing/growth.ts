import { nth, numberAt, pointAt } from '../units/index.ts';
import { boxOf, type Point } from '../geometry/index.ts';
import type { Cartoon } from '../cartoon/index.ts';
import type { LineAllowance } from './allowance.ts';
import { outerLines } from './cutOutline.ts';
import { innerKeeps } from './profiles.ts';

/** A straight scan across the panel and what it would grow by if glass were cut to the lines themselves. */
export interface Scan {
  readonly from: Point;
  readonly to: Point;
  readonly crossed: number;
  readonly growthMm: number;
}

const SCANS = 160;

/**
 * The worst scan across and the worst one down: lines crossed × (what the line takes up − what the pattern was cut
 * back by). Lines that a scan only runs along are not crossed.
 * @param paperMm how much paper the pattern lost at each line when it was cut apart
 */
export function worstGrowth(
  cartoon: Cartoon,
  allowance: LineAllowance,
  paperMm = 0,
): { readonly across: Scan | null; readonly down: Scan | null } {
  const outer = outerLines(cartoon);
  const gaps = cartoon.map.lines.map((_, i) =>
    outer.has(i) ? 0 : Math.max(0, 2 * innerKeeps(allowance, cartoon.profiles?.[i] ?? null).cutMm - paperMm),
  );
  const { minX, minY, maxX, maxY } = cartoon.box;
  const scan = (axis: 0 | 1): Scan | null => {
    const [low, high] = axis === 0 ? [minY, maxY] : [minX, maxX];
    const other = axis === 0 ? 1 : 0;
    const best = { at: 0, growthMm: 0, crossed: 0 };
    const boxes = cartoon.map.lines.map(({ points }) => boxOf(points));
    for (let k = 0; k < SCANS; k++) {
      // Off the raster of round numbers that drawings keep to.
      const at = low + ((k + 0.4931) / SCANS) * (high - low);
      let growthMm = 0;
      let crossed = 0;
      cartoon.map.lines.forEach(({ points }, i) => {
        const gap = numberAt(gaps, i);
        const box = nth(boxes, i);
        if (gap === 0 || at < (axis === 0 ? box.minY : box.minX) || at > (axis === 0 ? box.maxY : box.maxX)) return;
        for (let s = 1; s < points.length; s++) {
          const [a, b] = [pointAt(points, s - 1)[other], pointAt(points, s)[other]];
          if (a > at !== b > at) {
            growthMm += gap;
            crossed++;
          }
        }
      });
      if (growthMm > best.growthMm) Object.assign(best, { at, growthMm, crossed });
    }
    if (best.crossed === 0) return null;
    const [from, to]: [Point, Point] =
      axis === 0
        ? [
            [minX, best.at],
            [maxX, best.at],
          ]
        : [
            [best.at, minY],
            [best.at, maxY],
          ];
    return { from, to, crossed: best.crossed, growthMm: best.growthMm };
  };
  return { across: scan(0), down: scan(1) };
}
