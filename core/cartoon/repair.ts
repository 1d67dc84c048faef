import type { Point } from '../geometry/index.ts';

export type RepairKind = 'snapped' | 'trimmed' | 'doubled' | 'sliver';

/** Something of the drawing that was moved or taken once, and where. */
export interface Repair {
  readonly kind: RepairKind;
  readonly at: Point;
  readonly movedMm: number;
}
