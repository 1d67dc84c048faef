import { poleOf } from '../geometry/index.ts';
import { outlineWhereItLies, type Spot } from '../stock/index.ts';
import { nth } from '../units/index.ts';
import type { LayoutPiece, Placement } from './types.ts';

/** How near the middle of a piece is looked for, mm. */
const MIDDLE_MM = 0.5;

/** Where a piece lies, as it is kept with it. */
export type SpotFound = Omit<Spot, 'stockId' | 'rootId'>;

/** The spot of a placement: what brings the outline of the piece on the panel to where it lies. */
export function spotOf(piece: LayoutPiece, placement: Placement, byHand = false): SpotFound {
  const { turnedOver, rotationDeg, outline } = placement;
  const turned = outlineWhereItLies([nth(piece.outline, 0)], { turnedOver, rotationDeg, x: 0, y: 0 });
  const [ax, ay] = nth(turned, 0);
  const [bx, by] = nth(outline, 0);
  return {
    turnedOver,
    rotationDeg,
    x: bx - ax,
    y: by - ay,
    at: poleOf([outline], MIDDLE_MM).at,
    byHand,
  };
}
