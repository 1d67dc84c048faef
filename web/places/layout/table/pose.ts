import { poleOf, type Point, type Ring } from '#core/geometry';
import { outlineWhereItLies, type Spot } from '#core/stock';

/** How a pattern lies on a sheet: its middle, how it is turned, and which side is up. */
export interface Pose {
  /** mm on the sheet. */
  readonly at: Point;
  /** Clockwise as seen, 0 to 360. */
  readonly rotationDeg: number;
  readonly turnedOver: boolean;
}

type Turn = Pick<Pose, 'rotationDeg' | 'turnedOver'>;

const MIDDLES = new WeakMap<Ring, Point>();

/** The middle of an outline on the panel, well inside it. */
export function middleOf(outline: Ring): Point {
  const known = MIDDLES.get(outline);
  if (known) return known;
  const { at } = poleOf([outline], 0.5);
  MIDDLES.set(outline, at);
  return at;
}

function turned(p: Point, turn: Turn): Point {
  const [at = p] = outlineWhereItLies([p], { ...turn, x: 0, y: 0 });
  return at;
}

/** A pose as it is kept with a piece. */
export function spotOfPose(outline: Ring, { at, ...turn }: Pose): Pick<Spot, 'x' | 'y' | 'at'> & Turn {
  const [x, y] = turned(middleOf(outline), turn);
  return { ...turn, x: at[0] - x, y: at[1] - y, at };
}

export function poseOfSpot(outline: Ring, { turnedOver, rotationDeg, x, y }: Omit<Spot, 'at'>): Pose {
  const turn = { turnedOver, rotationDeg };
  const [mx, my] = turned(middleOf(outline), turn);
  return { at: [mx + x, my + y], ...turn };
}

/** Where an outline lies by a pose. */
export const outlineAt = (outline: Ring, pose: Pose): Ring => outlineWhereItLies(outline, spotOfPose(outline, pose));

export const degrees = (deg: number): number => ((deg % 360) + 360) % 360;

/**
 * How a pattern is laid down first: its flow along the sheet's, which runs upright.
 * @param flowDeg of the piece on the panel; null lays it as it is seen there
 */
export function firstTurn(flowDeg: number | null, turnedOver: boolean): Turn {
  if (flowDeg === null) return { rotationDeg: 0, turnedOver };
  return { rotationDeg: degrees(90 - (turnedOver ? 180 - flowDeg : flowDeg)), turnedOver };
}
