export { compose, IDENTITY, largestStretch, type Matrix } from './matrix.ts';
export {
  boxOf,
  centroid,
  contains,
  crossesItself,
  meetingOf,
  nearestOnSegment,
  pathLength,
  perimeter,
  regionContains,
  signedArea,
  type Box,
  type Point,
  type Ring,
} from './ring.ts';
export { areaOfRings, closeGaps, cutAway, insetRegion, intersection, type Strip } from './offset.ts';
export { splitAtMeetings, UNITS_PER_MM, VertexGrid, withoutDoubles } from './arrangement.ts';
export { checkMap, facesOf, ringPoints, type Face, type MapFaces, type MapLine, type PlanarMap } from './planarMap.ts';
export { halfWay, pointAlong } from './along.ts';
export { mitredInset } from './mitredInset.ts';
export { depthsInHull, hullIndices, narrowestBand } from './hull.ts';
export { poleOf } from './pole.ts';
export { Meetings, PairTable } from './tables.ts';
export { thinLine, thinRing } from './thin.ts';
