import { lay, sidesOf, type Laid } from './lay.ts';
import type { Part } from './part.ts';
import { allowedTurn, type Shape } from './shape.ts';

/** Angles at which a shape is tried beside those flush with a side. */
const TURNS = 180;

/** Whether a shape goes into an empty part. */
export const goesIn = (shape: Shape, part: Part, graceMm: number): boolean => firstPlace(shape, part, graceMm) !== null;

/**
 * A place for a shape in an empty part, or null. At each turn it is slid along each side of the room: if there is a place for
 * it at all there is one in a corner. Turns between the tried ones are missed.
 */
export function firstPlace(shape: Shape, part: Part, graceMm: number): Laid | null {
  if (part.room.length === 0) return null;
  const sides = sidesOf(part.room);
  for (const turn of turnsOf(shape, part)) {
    for (const base of sides) {
      for (const end of [0, 1] as const) {
        const laid = lay(shape, turn, part, sides, base, end, graceMm);
        if (laid !== null) return laid;
      }
    }
  }
  return null;
}

/** Turns that may lay a shape into a part: flush ones first, then all round, or over its tolerance both ways up. */
function* turnsOf(shape: Shape, part: Part): Generator<number> {
  const { flowRad } = part.bed;
  for (const side of sidesOf(part.room)) {
    for (const angle of shape.angles) yield allowedTurn(shape, flowRad, Math.atan2(side.dy, side.dx) - angle);
  }
  if (flowRad === null || shape.flowRad === null) {
    for (let k = 0; k < TURNS; k++) yield (2 * Math.PI * k) / TURNS;
    return;
  }
  const steps = shape.toleranceRad === 0 ? 1 : TURNS / 2;
  for (let k = 0; k < steps; k++) {
    const off = steps === 1 ? 0 : shape.toleranceRad * ((2 * k) / (steps - 1) - 1);
    yield flowRad - shape.flowRad + off;
    yield flowRad - shape.flowRad + off + Math.PI;
  }
}
