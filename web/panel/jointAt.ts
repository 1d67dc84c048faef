import type { Joint } from '#core/cartoon';
import type { Point } from '#core/geometry';

/** A finger finds a joint within so many pixels, at any zoom. */
export const JOINT_REACH_PX = 26;

/**
 * The joint that a tap means: of those within reach the nearest open one, else the nearest.
 * @param mmPerPx how much of the panel a pixel of the screen shows
 */
export function jointAt(
  joints: readonly Joint[],
  isOpen: (joint: Joint) => boolean,
  [x, y]: Point,
  mmPerPx: number,
): Joint | null {
  const far = (j: Joint): number => Math.hypot(j.at[0] - x, j.at[1] - y);
  const near = joints.filter((j) => far(j) <= JOINT_REACH_PX * mmPerPx).sort((a, b) => far(a) - far(b));
  return near.find(isOpen) ?? near[0] ?? null;
}
