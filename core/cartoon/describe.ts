import Flatbush from 'flatbush';
import {
  boxOf,
  centroid,
  facesOf,
  perimeter,
  pointAlong,
  regionContains,
  ringPoints,
  signedArea,
  type MapFaces,
  type MapLine,
  type PlanarMap,
  type Point,
  type Ring,
  poleOf,
} from '../geometry/index.ts';
import { nth, type JointId, type LineId, type PieceId, numberAt, pointAt, lastingId } from '../units/index.ts';
import { numberPieces } from './numbering.ts';
import type { RawDrawing } from './read/types.ts';
import type { Cartoon, CartoonPiece, Joint, JointKind } from './types.ts';

/** The outline turns by more than this where two border cames meet in a corner. */
const CORNER_DEG = 30;
/** A came within the panel is not bent further than this, but cut and joined (from memory). */
const BEND_DEG = 35;
/** A bend is one when the line has turned by so much this far before and behind it too, mm. */
const BEND_OVER_MM = 2;

/** Gives the faces of a map, in their order, a number and words. */
export type NameFaces = (
  faces: readonly { readonly areaMm2: number; readonly centroid: Point; readonly rings: readonly Ring[] }[],
) => { readonly numbers: readonly number[]; readonly labels: readonly (string | null)[] };

/** Numbers written in the drawing where there are any, else rows from the top left; see {@link numberPieces}. */
export const namedByTexts =
  (texts: RawDrawing['texts']): NameFaces =>
  (faces) =>
    numberPieces(
      faces,
      wordsInside(
        faces.map((face) => face.rings),
        texts,
      ),
    );

/** From a sound map to pieces with neighbours, joints and outlines; all get fresh ids, from 1 up. */
export function describeCartoon(map: PlanarMap, name: NameFaces, traced: MapFaces = facesOf(map)): Cartoon {
  const pieces = describePieces(map, traced, name).map((piece, i) => ({ id: lastingId<PieceId>(i + 1), ...piece }));
  const found = findJoints(map, pieces);
  const joints = found.map((joint, i) => ({ id: lastingId<JointId>(pieces.length + i + 1), number: i + 1, ...joint }));
  const firstLine = pieces.length + joints.length + 1;
  return {
    version: 2,
    map,
    lineIds: map.lines.map((_, i) => lastingId<LineId>(firstLine + i)),
    freeId: firstLine + map.lines.length,
    pieces,
    joints,
    outlines: traced.outsides.filter((o) => o.parent === null).map((o) => o.ring),
    box: boxOf(map.lines.flatMap((line) => line.points)),
  };
}

/** The rings of a piece as points, outer ring first. */
export function pieceRings(cartoon: Pick<Cartoon, 'map'>, piece: Pick<CartoonPiece, 'rings'>): Ring[] {
  return piece.rings.map((ring) => ringPoints(cartoon.map, ring));
}

/** Area enclosed by the outlines, mm². */
export function outlineArea(cartoon: Cartoon): number {
  return cartoon.outlines.reduce((sum, ring) => sum - signedArea(ringPoints(cartoon.map, ring)), 0);
}

function describePieces(map: PlanarMap, traced: MapFaces, name: NameFaces): Omit<CartoonPiece, 'id'>[] {
  const shapes = traced.faces.map((face) => {
    const rings = face.rings.map((ring) => ringPoints(map, ring));
    const middle = centroid(rings);
    const perimeterMm = rings.reduce((sum, ring) => sum + perimeter(ring), 0);
    return { face, rings, middle, perimeterMm, ...labelPlace(rings, face.areaMm2, middle) };
  });
  const { numbers, labels } = name(
    shapes.map(({ face, middle, rings }) => ({ areaMm2: face.areaMm2, centroid: middle, rings })),
  );
  const sides = new Map<number, number[]>();
  shapes.forEach(({ face }, i) => {
    for (const ref of face.rings.flat()) {
      const line = ref < 0 ? ~ref : ref;
      const both = sides.get(line);
      if (both) both.push(i);
      else sides.set(line, [i]);
    }
  });
  const neighbours = shapes.map(() => new Set<number>());
  for (const [a, b] of sides.values()) {
    if (a === undefined || b === undefined || a === b) continue;
    neighbours[a]?.add(numberAt(numbers, b));
    neighbours[b]?.add(numberAt(numbers, a));
  }
  return shapes
    .map(({ face, middle, perimeterMm, labelAt, labelRadiusMm }, i) => ({
      number: numberAt(numbers, i),
      label: labels[i] ?? null,
      rings: face.rings,
      areaMm2: face.areaMm2,
      perimeterMm,
      centroid: middle,
      labelAt,
      labelRadiusMm,
      neighbours: [...nth(neighbours, i)].sort((a, b) => a - b),
    }))
    .sort((a, b) => a.number - b.number);
}

function labelPlace(rings: readonly Ring[], areaMm2: number, middle: Point): { labelAt: Point; labelRadiusMm: number } {
  const { at, distanceMm } = poleOf(rings, Math.max(0.05, Math.sqrt(areaMm2) / 25));
  // The centroid must do where the region is thinner than the precision.
  return distanceMm > 0 ? { labelAt: at, labelRadiusMm: distanceMm } : { labelAt: middle, labelRadiusMm: 0 };
}

/** For each region the texts that stand in it. */
function wordsInside(regions: readonly (readonly Ring[])[], texts: RawDrawing['texts']): string[][] {
  const inside: string[][] = regions.map(() => []);
  const homes = regionsAt(
    regions,
    texts.map(({ at }) => at),
  );
  texts.forEach(({ text }, i) => inside[numberAt(homes, i)]?.push(text));
  return inside;
}

/** For each point the region it lies in, -1 outside of all. */
function regionsAt(regions: readonly (readonly Ring[])[], points: readonly Point[]): number[] {
  if (points.length === 0 || regions.length === 0) return points.map(() => -1);
  const tree = new Flatbush(regions.length);
  for (const rings of regions) {
    const { minX, minY, maxX, maxY } = boxOf(nth(rings, 0));
    tree.add(minX, minY, maxX, maxY);
  }
  tree.finish();
  return points.map(([x, y]) => tree.search(x, y, x, y).find((i) => regionContains(nth(regions, i), [x, y])) ?? -1);
}

/** For each point the number of the piece it lies in, null outside of all. */
export function piecesAt(cartoon: Pick<Cartoon, 'map' | 'pieces'>, points: readonly Point[]): (number | null)[] {
  if (points.length === 0) return [];
  const regions = cartoon.pieces.map((piece) => pieceRings(cartoon, piece));
  return regionsAt(regions, points).map((i) => cartoon.pieces[i]?.number ?? null);
}

/** Along a line it is asked so often, evenly, which piece it is in. */
const ALONG = 64;

/** Numbers of the pieces that a straight line goes through, in the order in which it meets them. */
export function piecesAlong(cartoon: Pick<Cartoon, 'map' | 'pieces'>, [ax, ay]: Point, [bx, by]: Point): number[] {
  const places = Array.from({ length: ALONG }, (_, i): Point => {
    const t = (i + 0.5) / ALONG;
    return [ax + t * (bx - ax), ay + t * (by - ay)];
  });
  return [...new Set(piecesAt(cartoon, places))].filter((n) => n !== null);
}

function findJoints(map: PlanarMap, pieces: readonly CartoonPiece[]): Omit<Joint, 'id' | 'number'>[] {
  const meeting: number[][] = map.nodes.map(() => []);
  map.lines.forEach((line, i) => {
    meeting[line.from]?.push(i);
    meeting[line.to]?.push(i);
  });
  const byLine: number[][] = map.lines.map(() => []);
  for (const piece of pieces)
    for (const ring of piece.rings) for (const ref of ring) byLine[ref < 0 ? ~ref : ref]?.push(piece.number);
  const around = (lines: readonly number[]) =>
    [...new Set(lines.flatMap((line) => byLine[line] ?? []))].sort((a, b) => a - b);
  const found: Omit<Joint, 'id' | 'number'>[] = [];
  meeting.forEach((lines, node) => {
    if (lines.length < 3) return;
    const kind: JointKind = lines.length === 3 ? 'T' : lines.length === 4 ? 'X' : 'many';
    found.push({ at: pointAt(map.nodes, node), kind, lines, pieces: around(lines) });
  });
  map.lines.forEach((line, i) => {
    const isRim = byLine[i]?.length === 1;
    const bent = isRim ? corners(line, CORNER_DEG) : corners(line, BEND_DEG).filter((at) => isBend(line, at));
    for (const at of bent) found.push({ at, kind: 'L', lines: [i], pieces: around([i]) });
  });
  return found.sort((a, b) => Math.round(a.at[1] / 5) - Math.round(b.at[1] / 5) || a.at[0] - b.at[0]);
}

function corners(line: MapLine, leastDeg: number): Point[] {
  const { points } = line;
  const loop = line.from === line.to;
  const found: Point[] = [];
  const last = points.length - 1;
  for (let i = loop ? 0 : 1; i < last; i++) {
    const [ax, ay] = pointAt(points, i === 0 ? last - 1 : i - 1);
    const [bx, by] = pointAt(points, i);
    const [cx, cy] = pointAt(points, i + 1);
    const turn = Math.abs(
      Math.atan2((bx - ax) * (cy - by) - (by - ay) * (cx - bx), (bx - ax) * (cx - bx) + (by - ay) * (cy - by)),
    );
    if (turn > (leastDeg * Math.PI) / 180) found.push([bx, by]);
  }
  return found;
}

/** Whether a line runs another way on the whole behind a corner than before it: a traced line is all small corners. */
function isBend({ points, from, to }: MapLine, [x, y]: Point): boolean {
  const at = points.findIndex((p) => p[0] === x && p[1] === y);
  const ahead = points.slice(at);
  const before = points.slice(0, at + 1).reverse();
  if (from === to && at === 0) before.push(...[...points].reverse().slice(1));
  const [a, b] = [pointAlong(before, BEND_OVER_MM).at, pointAlong(ahead, BEND_OVER_MM).at];
  const [ux, uy, vx, vy] = [x - a[0], y - a[1], b[0] - x, b[1] - y];
  return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) > (BEND_DEG * Math.PI) / 180;
}
