import Flatbush from 'flatbush';
import polylabel from 'polylabel';
import {
  boxOf,
  centroid,
  checkMap,
  pathLength,
  perimeter,
  regionContains,
  ringPoints,
  signedArea,
  thinLine,
  type MapFaces,
  type MapLine,
  type PlanarMap,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { chainLines } from './chains.ts';
import { heal, type LooseEnd, type Repair } from './heal.ts';
import { numberPieces } from './numbering.ts';
import { removeSlivers } from './slivers.ts';
import type { DrawingFinding, DrawingRefusal, DrawnLine, RawDrawing } from './read/types.ts';

export const DEFAULT_SNAP_MM = 0.8;
/** Exact arithmetic holds within ±3.3 m of the page's corner; no panel in one drawing is larger. */
const MOST_EXTENT_MM = 3200;
/** A panel of 20,000 pieces has about 60,000 lines; more is a scribble or a shaded picture. */
const MOST_LINES = 80_000;
const LEAST_PIECE_MM2 = 4;
/** The outline turns by more than this where two border cames meet in a corner. */
const CORNER_DEG = 30;

/** Lines with more points than this, nearer to each other than the step on the whole, are thinned. */
const DUSTY_POINTS = 500;
const DUSTY_STEP_MM = 0.25;
const DUST_MM = 0.002;

export interface CartoonPiece {
  readonly number: number;
  /** A code or word written inside the region, where there is one. */
  readonly label: string | null;
  /** Signed line references; the outer ring first, then holes. */
  readonly rings: readonly (readonly number[])[];
  readonly areaMm2: number;
  readonly perimeterMm: number;
  readonly centroid: Point;
  /** Where a number is best written, and the radius in mm of the circle free around it. */
  readonly labelAt: Point;
  readonly labelRadiusMm: number;
  /** Numbers of the pieces that share a line with this one. */
  readonly neighbours: readonly number[];
}

export type JointKind = 'L' | 'T' | 'X' | 'many';

export interface Joint {
  readonly id: number;
  readonly at: Point;
  readonly kind: JointKind;
  readonly lines: readonly number[];
  readonly pieces: readonly number[];
}

/** A drawing understood: lines held once, pieces that refer to them. Millimetres, page coordinates. */
export interface Cartoon {
  readonly version: 1;
  readonly map: PlanarMap;
  readonly pieces: readonly CartoonPiece[];
  readonly joints: readonly Joint[];
  /** Outer boundaries as signed line references. */
  readonly outlines: readonly (readonly number[])[];
  readonly box: { readonly minX: number; readonly minY: number; readonly maxX: number; readonly maxY: number };
}

export type CartoonFinding =
  | DrawingFinding
  | { readonly kind: 'loose-line'; readonly at: Point; readonly lengthMm: number }
  | { readonly kind: 'hole'; readonly at: Point; readonly pieces: readonly number[] }
  | { readonly kind: 'many-lines'; readonly at: Point; readonly pieces: readonly number[] };

export interface CartoonReading {
  readonly cartoon: Cartoon;
  readonly findings: readonly CartoonFinding[];
  readonly repairs: readonly Repair[];
  readonly layers: RawDrawing['layers'];
  /** Millimetres on the glass for each millimetre the file states. */
  readonly scale: number;
  readonly physical: boolean;
}

export interface CartoonOptions {
  readonly snapMm?: number;
  /** True width or height of the panel's outline; the other follows. */
  readonly widthMm?: number;
  readonly heightMm?: number;
  readonly onProgress?: (share: number) => void;
}

/**
 * Lines → pieces: heals, arranges, traces and numbers.
 * @returns the cartoon with all that was noticed and repaired, or why the drawing is refused
 */
export function makeCartoon(raw: RawDrawing, options: CartoonOptions = {}): CartoonReading | DrawingRefusal {
  const snapMm = options.snapMm ?? DEFAULT_SNAP_MM;
  const progress = options.onProgress ?? (() => undefined);
  if (!(snapMm >= 0 && snapMm <= 20)) return { refusal: 'bad-size' };
  for (const wanted of [options.widthMm, options.heightMm])
    if (wanted !== undefined && !(wanted > 0)) return { refusal: 'bad-size' };
  const drawn = boxOf(allPoints(raw));
  const width = drawn.maxX - drawn.minX;
  const height = drawn.maxY - drawn.minY;
  if (!(width > 0 && height > 0)) return { refusal: 'nothing-closed' };
  const scale =
    options.widthMm !== undefined
      ? options.widthMm / width
      : options.heightMm !== undefined
        ? options.heightMm / height
        : 1;
  if (Math.max(width, height) * scale > MOST_EXTENT_MM) return { refusal: 'too-wide' };
  // A drawing that lies far off the page is moved to its corner; others keep the page's coordinates.
  const far =
    Math.max(Math.abs(drawn.minX), Math.abs(drawn.maxX), Math.abs(drawn.minY), Math.abs(drawn.maxY)) * scale >
    MOST_EXTENT_MM;
  const place = ([x, y]: Point): Point =>
    far ? [(x - drawn.minX) * scale, (y - drawn.minY) * scale] : [x * scale, y * scale];
  const placed =
    scale === 1 && !far ? raw.lines : raw.lines.map((line) => ({ ...line, points: line.points.map(place) }));
  const lines = placed.map(withoutDust);
  progress(0.15);
  const healed = heal(lines, snapMm);
  if (healed === 'scribble') return { refusal: 'scribble' };
  progress(0.6);
  const drawnMap = chainLines(healed.grid, healed.ends);
  if (drawnMap.lines.length > MOST_LINES) return { refusal: 'scribble' };
  const { map, faces, repairs } = removeSlivers(drawnMap, snapMm);
  if (faces.faces.length === 0) return { refusal: 'nothing-closed' };
  const specks = faces.faces.filter((face) => face.areaMm2 < LEAST_PIECE_MM2).length;
  if (faces.faces.length > 20 && specks > faces.faces.length / 2) return { refusal: 'scribble' };
  const broken = checkMap(map, faces);
  if (broken.length > 0) throw new Error(`the map does not hold: ${broken[0]}`);
  progress(0.8);
  const texts = raw.texts.map((text) => ({ ...text, at: place(text.at) }));
  const pieces = describePieces(map, faces, texts);
  const joints = findJoints(map, pieces);
  const outlines = faces.outsides.filter((o) => o.parent === null).map((o) => o.ring);
  const cartoon: Cartoon = {
    version: 1,
    map,
    pieces,
    joints,
    outlines,
    box: boxOf(map.lines.flatMap((line) => line.points)),
  };
  progress(1);
  return {
    cartoon,
    layers: raw.layers,
    scale,
    physical: raw.page.physical || options.widthMm !== undefined || options.heightMm !== undefined,
    repairs: [...healed.repairs, ...repairs],
    findings: [...raw.findings, ...looseFindings(healed.loose), ...pieceFindings(pieces, joints)],
  };
}

/**
 * A line traced with points every few hundredths of a millimetre says no more than one with fewer, and takes as many
 * times longer. Its ends stay, and it moves by less than a tenth of the flatness of a curve.
 */
function withoutDust(line: DrawnLine): DrawnLine {
  const { points, closed } = line;
  if (closed || points.length < DUSTY_POINTS || pathLength(points) > DUSTY_STEP_MM * points.length) return line;
  return { points: thinLine(points, DUST_MM), closed };
}

function* allPoints(raw: RawDrawing): Generator<Point> {
  for (const line of raw.lines) yield* line.points;
}

const looseFindings = (loose: readonly LooseEnd[]): CartoonFinding[] =>
  loose.map(({ at, lengthMm }) => ({ kind: 'loose-line', at, lengthMm }));

function pieceFindings(pieces: readonly CartoonPiece[], joints: readonly Joint[]): CartoonFinding[] {
  const holes = pieces
    .filter((p) => p.rings.length > 1)
    .map((p): CartoonFinding => ({ kind: 'hole', at: p.labelAt, pieces: [p.number] }));
  const many = joints
    .filter((j) => j.kind === 'many')
    .map((j): CartoonFinding => ({ kind: 'many-lines', at: j.at, pieces: j.pieces }));
  return [...holes, ...many];
}

/** The rings of a piece as points, outer ring first. */
export function pieceRings(cartoon: Pick<Cartoon, 'map'>, piece: Pick<CartoonPiece, 'rings'>): Ring[] {
  return piece.rings.map((ring) => ringPoints(cartoon.map, ring));
}

function describePieces(map: PlanarMap, traced: MapFaces, texts: RawDrawing['texts']): CartoonPiece[] {
  const shapes = traced.faces.map((face) => {
    const rings = face.rings.map((ring) => ringPoints(map, ring));
    const middle = centroid(rings);
    const perimeterMm = rings.reduce((sum, ring) => sum + perimeter(ring), 0);
    return { face, rings, middle, perimeterMm, ...labelPlace(rings, face.areaMm2, middle) };
  });
  const { numbers, labels } = numberPieces(
    shapes.map(({ face, middle }) => ({ areaMm2: face.areaMm2, centroid: middle })),
    wordsInside(
      shapes.map((shape) => shape.rings),
      texts,
    ),
  );
  const sides = new Map<number, number[]>();
  shapes.forEach(({ face }, i) => {
    for (const ref of face.rings.flat())
      sides.set(ref < 0 ? ~ref : ref, [...(sides.get(ref < 0 ? ~ref : ref) ?? []), i]);
  });
  const neighbours = shapes.map(() => new Set<number>());
  for (const [a, b] of sides.values()) {
    if (a === undefined || b === undefined || a === b) continue;
    neighbours[a]?.add(numbers[b] as number);
    neighbours[b]?.add(numbers[a] as number);
  }
  return shapes
    .map(({ face, middle, perimeterMm, labelAt, labelRadiusMm }, i) => ({
      number: numbers[i] as number,
      label: labels[i] ?? null,
      rings: face.rings,
      areaMm2: face.areaMm2,
      perimeterMm,
      centroid: middle,
      labelAt,
      labelRadiusMm,
      neighbours: [...(neighbours[i] as Set<number>)].sort((a, b) => a - b),
    }))
    .sort((a, b) => a.number - b.number);
}

function labelPlace(rings: readonly Ring[], areaMm2: number, middle: Point): { labelAt: Point; labelRadiusMm: number } {
  const found = polylabel(rings as unknown as number[][][], Math.max(0.05, Math.sqrt(areaMm2) / 25));
  // polylabel answers distance 0 where the region is thinner than the precision: the centroid must do.
  if (!(found.distance > 0)) return { labelAt: middle, labelRadiusMm: 0 };
  return { labelAt: [found[0] as number, found[1] as number], labelRadiusMm: found.distance };
}

/** For each region the texts that stand in it. */
function wordsInside(regions: readonly (readonly Ring[])[], texts: RawDrawing['texts']): string[][] {
  const inside: string[][] = regions.map(() => []);
  if (texts.length === 0 || regions.length === 0) return inside;
  const tree = new Flatbush(regions.length);
  for (const rings of regions) {
    const { minX, minY, maxX, maxY } = boxOf(rings[0] as Ring);
    tree.add(minX, minY, maxX, maxY);
  }
  tree.finish();
  for (const { text, at } of texts) {
    const home = tree.search(at[0], at[1], at[0], at[1]).find((i) => regionContains(regions[i] as Ring[], at));
    if (home !== undefined) inside[home]?.push(text);
  }
  return inside;
}

function findJoints(map: PlanarMap, pieces: readonly CartoonPiece[]): Joint[] {
  const meeting: number[][] = map.nodes.map(() => []);
  map.lines.forEach((line, i) => {
    meeting[line.from]?.push(i);
    meeting[line.to]?.push(i);
  });
  const byLine = new Map<number, number[]>();
  for (const piece of pieces) {
    for (const ref of piece.rings.flat())
      byLine.set(ref < 0 ? ~ref : ref, [...(byLine.get(ref < 0 ? ~ref : ref) ?? []), piece.number]);
  }
  const around = (lines: readonly number[]) =>
    [...new Set(lines.flatMap((line) => byLine.get(line) ?? []))].sort((a, b) => a - b);
  const found: Omit<Joint, 'id'>[] = [];
  meeting.forEach((lines, node) => {
    if (lines.length < 3) return;
    const kind: JointKind = lines.length === 3 ? 'T' : lines.length === 4 ? 'X' : 'many';
    found.push({ at: map.nodes[node] as Point, kind, lines, pieces: around(lines) });
  });
  map.lines.forEach((line, i) => {
    if (byLine.get(i)?.length !== 1) return;
    for (const at of corners(line)) found.push({ at, kind: 'L', lines: [i], pieces: around([i]) });
  });
  return found
    .sort((a, b) => Math.round(a.at[1] / 5) - Math.round(b.at[1] / 5) || a.at[0] - b.at[0])
    .map((joint, i) => ({ id: i + 1, ...joint }));
}

function corners(line: MapLine): Point[] {
  const { points } = line;
  const loop = line.from === line.to;
  const found: Point[] = [];
  const last = points.length - 1;
  for (let i = loop ? 0 : 1; i < last; i++) {
    const [ax, ay] = points[i === 0 ? last - 1 : i - 1] as Point;
    const [bx, by] = points[i] as Point;
    const [cx, cy] = points[i + 1] as Point;
    const turn = Math.abs(
      Math.atan2((bx - ax) * (cy - by) - (by - ay) * (cx - bx), (bx - ax) * (cx - bx) + (by - ay) * (cy - by)),
    );
    if (turn > (CORNER_DEG * Math.PI) / 180) found.push([bx, by]);
  }
  return found;
}

/** Area enclosed by the outlines, mm². */
export function outlineArea(cartoon: Cartoon): number {
  return cartoon.outlines.reduce((sum, ring) => sum - signedArea(ringPoints(cartoon.map, ring)), 0);
}
