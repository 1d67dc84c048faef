import type { Point } from '#core/geometry';

/** Which way an arrow key moves something, x right and y down. */
export const ARROW_STEPS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
