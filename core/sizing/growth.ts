import { nth, pointAt } from '../units/index.ts';
import type { Point } from '../geometry/index.ts';
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

/** A row thinner than this is where lines are meant to meet, not a row. */
const LEAST_ROW_MM = 0.2;

/**
 * The worst scan across and the worst one down: lines crossed × (what the line takes up − what the pattern was cut
 * back by). What a scan crosses changes only where a line ends or turns back, so every row is seen, however thin.
 * Lines that a scan only runs along are not crossed.
 * @param paperMm how much paper the pattern lost at each line when it was cut apart
 */
export function worstGrowth(
  cartoon: Cartoon,
  allowance: LineAllowance,
  paperMm = 0,
): { readonly across: Scan | null; readonly down: Scan | null } {
  const outer = outerLines(cartoon);
  const lines = cartoon.map.lines.flatMap(({ points }, i) => {
    const takenMm = 2 * innerKeeps(allowance, cartoon.profiles?.[i] ?? null).cutMm - paperMm;
    return outer.has(i) || takenMm <= 0 ? [] : [{ points, takenMm }];
  });
  const { minX, minY, maxX, maxY } = cartoon.box;
  const across = worstRow(lines, 1);
  const down = worstRow(lines, 0);
  return {
    across: across && { ...across, from: [minX, across.at], to: [maxX, across.at] },
    down: down && { ...down, from: [down.at, minY], to: [down.at, maxY] },
  };
}

interface Row {
  readonly at: number;
  readonly crossed: number;
  readonly growthMm: number;
}

/** @param axis the coordinate that a scan keeps: 1 for one across, 0 for one down */
function worstRow(lines: readonly { points: readonly Point[]; takenMm: number }[], axis: 0 | 1): Row | null {
  const steps = lines.flatMap(({ points, takenMm }) =>
    reaches(points, axis).flatMap(([low, high]) => [
      { at: low, crossed: 1, growthMm: takenMm },
      { at: high, crossed: -1, growthMm: -takenMm },
    ]),
  );
  steps.sort((a, b) => a.at - b.at);
  const rows: Row[] = [];
  let [crossed, growthMm] = [0, 0];
  steps.forEach((step, i) => {
    crossed += step.crossed;
    growthMm += step.growthMm;
    if (steps[i + 1]?.at !== step.at) rows.push({ at: step.at, crossed, growthMm });
  });
  let best: Row | null = null;
  rows.forEach((row, i) => {
    // A scan must hold over a row: what is crossed all along it counts.
    let least = row;
    let next = i + 1;
    for (; next < rows.length && nth(rows, next).at - row.at < LEAST_ROW_MM; next++)
      if (nth(rows, next).growthMm < least.growthMm) least = nth(rows, next);
    if (least.growthMm <= (best?.growthMm ?? 1e-9)) return;
    best = { at: (row.at + (rows[next]?.at ?? row.at)) / 2, crossed: least.crossed, growthMm: least.growthMm };
  });
  return best;
}

/** The stretches of a line along which it does not turn back, as far as each reaches. */
function reaches(points: readonly Point[], axis: 0 | 1): [number, number][] {
  const found: [number, number][] = [];
  let from = pointAt(points, 0)[axis];
  for (let i = 1; i < points.length; i++) {
    const here = pointAt(points, i)[axis];
    const next = points[i + 1]?.[axis];
    if (next !== undefined && (here - from) * (next - here) >= 0) continue;
    if (here !== from) found.push([Math.min(from, here), Math.max(from, here)]);
    from = here;
  }
  return found;
}
