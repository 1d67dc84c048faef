import Flatbush from 'flatbush';
import {
  boxOf,
  centroid,
  facesOf,
  perimeter,
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
    const bent = isRim ? corners(line, CORNER_DEG) : corners(line, BEND_DEG).filter((i) => isBend(line, i));
    for (const k of bent) found.push({ at: pointAt(line.points, k), kind: 'L', lines: [i], pieces: around([i]) });
  });
  return found.sort((a, b) => Math.round(a.at[1] / 5) - Math.round(b.at[1] / 5) || a.at[0] - b.at[0]);
}

/** Indices of the points of a line at which it turns by more than so much. */
function corners(line: MapLine, leastDeg: number): number[] {
  const { points } = line;
  const loop = line.from === line.to;
  const found: number[] = [];
  const last = points.length - 1;
  for (let i = loop ? 0 : 1; i < last; i++) {
    const [ax, ay] = pointAt(points, i === 0 ? last - 1 : i - 1);
    const [bx, by] = pointAt(points, i);
    const [cx, cy] = pointAt(points, i + 1);
    const turn = Math.abs(
      Math.atan2((bx - ax) * (cy - by) - (by - ay) * (cx - bx), (bx - ax) * (cx - bx) + (by - ay) * (cy - by)),
    );
    if (turn > (leastDeg * Math.PI) / 180) found.push(i);
  }
  return found;
}

/** Whether a line runs another way on the whole behind a corner than before it: a traced line is all small corners. */
function isBend(line: MapLine, i: number): boolean {
  const [x, y] = pointAt(line.points, i);
  const [a, b] = [awayFrom(line, i, -1), awayFrom(line, i, 1)];
  const [ux, uy, vx, vy] = [x - a[0], y - a[1], b[0] - x, b[1] - y];
  return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) > (BEND_DEG * Math.PI) / 180;
}

/** The first point of a line that lies so far along it from another, or its end; a loop goes on at its beginning. */
function awayFrom({ points, from, to }: MapLine, i: number, step: 1 | -1): Point {
  const last = points.length - 1;
  let here = pointAt(points, i);
  let leftMm = BEND_OVER_MM;
  for (let k = i, steps = 0; leftMm > 0 && steps < last; steps++) {
    let next = k + step;
    if (next < 0 || next > last) {
      if (from !== to) break;
      next = next < 0 ? last - 1 : 1;
    }
    const there = pointAt(points, next);
    leftMm -= Math.hypot(there[0] - here[0], there[1] - here[1]);
    [here, k] = [there, next];
  }
  return here;
}
