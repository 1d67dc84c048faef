import type { Point, Ring } from '../geometry/index.ts';

/**
 * Where a piece lies on a sheet, or was cut from it: its outline on the panel, mirrored (x → −x) where it is turned over,
 * then turned about the origin, then moved.
 */
export interface Spot {
  /** The sheet or offcut that it lies on, or lay on when it was cut. */
  readonly stockId: string;
  /** The sheet whose picture it shows. */
  readonly rootId: string;
  readonly turnedOver: boolean;
  /** Clockwise as seen, 0 to 360. */
  readonly rotationDeg: number;
  /** mm. */
  readonly x: number;
  readonly y: number;
  /** A point well inside the piece where it lies. */
  readonly at: Point;
  /** Laid there by the artist: a layout keeps it as it is. */
  readonly byHand: boolean;
}

/** An outline of the panel where it lies on the sheet: same points, same order. */
export function outlineWhereItLies(ring: Ring, spot: Pick<Spot, 'turnedOver' | 'rotationDeg' | 'x' | 'y'>): Ring {
  const rad = (spot.rotationDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(rad), Math.sin(rad)];
  return ring.map(([px, y]): Point => {
    const x = spot.turnedOver ? -px : px;
    return [x * cos - y * sin + spot.x, x * sin + y * cos + spot.y];
  });
}
