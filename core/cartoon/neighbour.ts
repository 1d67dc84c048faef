import type { Point } from '../geometry/index.ts';
import type { CartoonPiece } from './types.ts';

export type Direction = 'left' | 'right' | 'up' | 'down';
const HEADING: Readonly<Record<Direction, Point>> = { left: [-1, 0], right: [1, 0], up: [0, -1], down: [0, 1] };
/** Neighbours further off the heading than this are not meant: cos 75°. */
const LEAST_COS = 0.26;

/**
 * The true neighbour of a piece in a direction: among those that share a line with it the one whose middle
 * lies nearest to that heading. Null at the edge of the panel.
 */
export function neighbourTowards(
  pieces: ReadonlyMap<number, CartoonPiece>,
  from: number,
  direction: Direction,
): number | null {
  const here = pieces.get(from);
  if (!here) return null;
  const [hx, hy] = HEADING[direction];
  let best: { number: number; cos: number } | null = null;
  for (const number of here.neighbours) {
    const there = pieces.get(number);
    if (!there) continue;
    const dx = there.labelAt[0] - here.labelAt[0];
    const dy = there.labelAt[1] - here.labelAt[1];
    const cos = (dx * hx + dy * hy) / (Math.hypot(dx, dy) || 1);
    if (cos > LEAST_COS && (!best || cos > best.cos)) best = { number, cos };
  }
  return best?.number ?? null;
}
