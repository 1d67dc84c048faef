import Coordinate from 'jsts/org/locationtech/jts/geom/Coordinate.js';
import GeometryFactory from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
import Polygonizer from 'jsts/org/locationtech/jts/operation/polygonize/Polygonizer.js';
import UnaryUnionOp from 'jsts/org/locationtech/jts/operation/union/UnaryUnionOp.js';
import type { DrawnLine } from '../cartoon/read/types.ts';

/**
 * Areas in mm² of the polygons that a general planar-geometry library (JTS in JavaScript) makes of the same
 * lines: its union nodes them, its polygonizer traces them.
 */
export function oracleAreas(lines: readonly DrawnLine[]): number[] {
  const factory = new GeometryFactory();
  const strings = lines.map(({ points, closed }) => {
    const all = closed && points[0] ? [...points, points[0]] : points;
    return factory.createLineString(all.map(([x, y]) => new Coordinate(x, y)));
  });
  const noded = UnaryUnionOp.union(factory.createMultiLineString(strings));
  const polygonizer = new Polygonizer();
  polygonizer.add(noded);
  const found = polygonizer.getPolygons();
  const areas: number[] = [];
  for (let i = 0; i < found.size(); i++) areas.push(found.get(i).getArea());
  return areas.sort((a, b) => a - b);
}
