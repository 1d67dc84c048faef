import { CAPACITY, TOLERANCE } from '../limits/index.ts';
import { numberAt } from '../units/index.ts';
import { checkMap, pathLength, type MapFaces, type PlanarMap } from '../geometry/index.ts';
import { chainLines } from './chains.ts';
import { heal, type Tolerance } from './heal.ts';
import type { Repair } from './repair.ts';
import type { LooseEnd } from './tails.ts';
import type { DrawingRefusal, DrawnLine } from './read/types.ts';
import { removeSlivers } from './slivers.ts';

export interface Arranged {
  readonly map: PlanarMap;
  readonly faces: MapFaces;
  readonly repairs: readonly Repair[];
  readonly loose: readonly LooseEnd[];
  readonly toleranceMm: number;
}

/**
 * Lines → a map whose faces are the pieces, healed within a tolerance and checked, or why there is none.
 * @throws when the map does not hold: that is a fault of ours, not of the drawing
 */
export function arrange(lines: readonly DrawnLine[], tolerance: Tolerance): Arranged | DrawingRefusal['refusal'] {
  const healed = heal(lines, tolerance);
  if (typeof healed === 'string') return healed;
  const drawnMap = chainLines(healed.grid, healed.ends);
  if (drawnMap.lines.length > CAPACITY.lines) return 'scribble';
  const { map, faces, repairs } = removeSlivers(drawnMap, healed.toleranceMm, healed.hadFreeEnds, tolerance.refused);
  if (faces.faces.length === 0) return 'nothing-closed';
  if (faces.faces.length > CAPACITY.pieces) return 'too-many';
  if (isScribble(map, faces)) return 'scribble';
  const broken = checkMap(map, faces);
  if (broken.length > 0) throw new Error(`the map does not hold: ${broken[0]}`);
  const { loose, toleranceMm } = healed;
  return { map, faces, repairs: [...healed.repairs, ...repairs], loose, toleranceMm };
}

/** Whether a piece runs to and fro so closely that it cannot be glass. The ink of a pen does so too. */
export function isTangled(map: PlanarMap, { faces }: MapFaces): boolean {
  const lengths = map.lines.map(({ points }) => pathLength(points));
  return faces.some(({ rings, areaMm2 }) => {
    const around = rings.flat().reduce((sum, ref) => sum + numberAt(lengths, ref < 0 ? ~ref : ref), 0);
    return around * around > CAPACITY.windingOfAPiece * areaMm2;
  });
}

/** Most regions are specks and most joints plain crossings: islands are small too, but nothing crosses there. */
function isScribble(map: PlanarMap, { faces }: MapFaces): boolean {
  const specks = faces.filter((face) => face.areaMm2 < TOLERANCE.speckMm2).length;
  if (faces.length <= 20 || specks <= faces.length / 2) return false;
  const meeting = new Map<number, number>();
  for (const { from, to } of map.lines) for (const node of [from, to]) meeting.set(node, (meeting.get(node) ?? 0) + 1);
  const crossings = [...meeting.values()].filter((n) => n >= 4).length;
  return crossings > meeting.size / 2;
}
