import { CAPACITY, TOLERANCE } from '../../limits/index.ts';
import { nth } from '../../units/index.ts';
import DxfParser from 'dxf-parser';
import { compose, largestStretch, type Matrix, type Point } from '../../geometry/index.ts';
import type { DxfEntity, DxfFile, Place } from './dxfEntity.ts';
import { SplineReader } from './dxfSpline.ts';
import { isHelperLayer } from './layers.ts';
import { LeftOut } from './leftOut.ts';
import { PathPen } from './pathData.ts';
import { isSound, splineChords } from './spline.ts';
import type { DrawingFinding, DrawingRefusal, DrawnLine, DrawnText, RawDrawing } from './types.ts';

/** Millimetres for each value of the header's $INSUNITS (DXF reference, header group codes); 0 states no unit. */
const UNIT_MM: Readonly<Record<number, number>> = {
  1: 25.4,
  2: 304.8,
  4: 1,
  5: 10,
  6: 1000,
  8: 2.54e-5,
  9: 0.0254,
  14: 100,
};
/** Linetypes that say "not a line of glass": dashes, hidden edges, middles, phantoms. Names are common practice. */
const HELPER_LINETYPE = /dash|hidden|center|centre|phantom|dot|divide|border/i;
const LEFT_OUT: Readonly<Record<string, string>> = {
  DIMENSION: 'arrows and dimension lines',
  LEADER: 'arrows and dimension lines',
  HATCH: 'hatchings',
  SOLID: 'hatchings',
  IMAGE: 'pictures',
  POINT: 'points',
  ATTDEF: 'texts of templates',
  '3DFACE': 'surfaces',
};

/** What a file looks like that is a DXF: its first group is a comment (999) or opens a section. */
export const looksLikeDxf = (source: string): boolean =>
  /^\uFEFF?\s*(?:999\r?\n[^\n]*\r?\n\s*)*0\r?\n\s*SECTION\b/.test(source.slice(0, 4000));

interface Walk {
  readonly dxf: DxfFile;
  readonly layersIn: ReadonlySet<string>;
  readonly lines: DrawnLine[];
  readonly texts: DrawnText[];
  readonly leftOut: LeftOut;
  readonly layers: Map<string, { name: string; hidden: boolean; shapes: number }>;
  points: number;
  inserts: number;
  badNumbers: number;
  simplified: number;
}

/**
 * Reads the lines of a DXF drawing, in millimetres, x right and y *down*. Blocks are laid out, curves flattened,
 * dimensions, hatchings, dashed lines and switched-off layers left out and told.
 */
export function readDxf(
  source: string,
  layersIn: ReadonlySet<string> = new Set(),
  scale = 1,
): RawDrawing | DrawingRefusal {
  let dxf: DxfFile | null;
  try {
    const parser = new DxfParser();
    parser.registerEntityHandler(SplineReader as never);
    dxf = parser.parseSync(source) as DxfFile | null;
  } catch {
    return { refusal: 'not-a-drawing' };
  }
  if (!dxf || !Array.isArray(dxf.entities)) return { refusal: 'not-a-drawing' };
  const stated = UNIT_MM[Number(dxf.header?.$INSUNITS ?? 0)];
  const mm = (stated ?? 1) * scale;
  const walk: Walk = {
    dxf,
    layersIn,
    lines: [],
    texts: [],
    leftOut: new LeftOut(),
    layers: new Map(),
    points: 0,
    inserts: 0,
    badNumbers: 0,
    simplified: 0,
  };
  // y grows upwards in a DXF and downwards here.
  for (const entity of dxf.entities) draw(entity, [mm, 0, 0, -mm, 0, 0], walk, [], false);
  if (walk.points > CAPACITY.points) return { refusal: 'too-large' };
  if (walk.lines.length === 0) return { refusal: walk.badNumbers > 0 ? 'no-numbers' : 'nothing-drawn' };
  const findings: DrawingFinding[] = [];
  if (stated === undefined) findings.push({ kind: 'assumed-mm', count: 1 });
  findings.push(...walk.leftOut.findings());
  if (walk.badNumbers > 0) findings.push({ kind: 'bad-numbers', count: walk.badNumbers });
  if (walk.simplified > 0) findings.push({ kind: 'weights-ignored', count: walk.simplified });
  return {
    ...ontoPage(walk),
    findings,
    layers: [...walk.layers.values()],
    page: { widthMm: 0, heightMm: 0, physical: stated !== undefined },
  };
}

/** A DXF has no page: the drawing's own upper left corner becomes the corner of one. */
function ontoPage({ lines, texts }: Walk): Pick<RawDrawing, 'lines' | 'texts'> {
  let minX = Infinity;
  let minY = Infinity;
  for (const { points } of lines)
    for (const [x, y] of points) {
      if (x < minX) minX = x;
      if (y < minY) minY = y;
    }
  const move = ([x, y]: Point): Point => [x - minX, y - minY];
  return {
    lines: lines.map((line) => ({ ...line, points: line.points.map(move) })),
    texts: texts.map((text) => ({ ...text, at: move(text.at) })),
  };
}

function draw(entity: DxfEntity, matrix: Matrix, walk: Walk, open: readonly string[], hidden: boolean): void {
  if (walk.points > CAPACITY.points) return;
  const leave = (what: string) => walk.leftOut.add(what);
  const aside = hidden || isAside(entity, walk);
  if (entity.type === 'INSERT') return insert(entity, matrix, walk, open, aside);
  const what = LEFT_OUT[entity.type];
  if (what) return leave(what);
  if (entity.type === 'TEXT' || entity.type === 'MTEXT') return aside ? undefined : write(entity, matrix, walk);
  if (aside) return leave('hidden shapes');
  if (HELPER_LINETYPE.test(entity.lineType ?? '')) return leave('dashed lines');
  // A drawing seen from behind (extrusion −1) has its x the other way round (DXF reference, object coordinates).
  const { extrusionDirectionZ, extrusionDirection, normalVector } = entity;
  const away = Number(extrusionDirectionZ ?? extrusionDirection?.z ?? normalVector?.z ?? 1) < 0;
  const flips = away && entity.type !== 'LINE' && entity.type !== 'SPLINE' && entity.type !== 'ELLIPSE';
  const pen = new PathPen(flips ? compose(matrix, [-1, 0, 0, 1, 0, 0]) : matrix);
  if (!trace(entity, pen, matrix, walk)) return leave(`${entity.type.toLowerCase().slice(0, 20)} entities`);
  for (const { points, closed } of pen.paths) {
    if (points.some(([x, y]) => !Number.isFinite(x) || !Number.isFinite(y))) {
      walk.badNumbers++;
      continue;
    }
    walk.points += points.length;
    walk.lines.push({ points, closed });
  }
}

/** Notes the layer, and tells whether what stands on it stays out. */
function isAside(entity: DxfEntity, walk: Walk): boolean {
  const name = entity.layer ?? '0';
  const layer = walk.dxf.tables?.layer?.layers?.[name];
  const off = layer?.visible === false || layer?.frozen === true || isHelperLayer(name);
  const known = walk.layers.get(name) ?? { name, hidden: off, shapes: 0 };
  walk.layers.set(name, { ...known, shapes: known.shapes + 1 });
  return (off && !walk.layersIn.has(name)) || entity.visible === false || entity.inPaperSpace === true;
}

function insert(entity: DxfEntity, matrix: Matrix, walk: Walk, open: readonly string[], hidden: boolean): void {
  const { name = '' } = entity;
  const block = walk.dxf.blocks?.[name];
  if (!block?.entities || open.includes(name) || open.length >= CAPACITY.blocksDeep) {
    walk.leftOut.add('links that lead nowhere');
    return;
  }
  const angle = ((entity.rotation ?? 0) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const { x: bx = 0, y: by = 0 } = block.position ?? {};
  const [sx, sy] = [entity.xScale ?? 1, entity.yScale ?? 1];
  const mirrored = (entity.extrusionDirection?.z ?? 1) < 0;
  const outer = mirrored ? compose(matrix, [-1, 0, 0, 1, 0, 0]) : matrix;
  const { x: px = 0, y: py = 0 } = entity.position ?? {};
  for (let row = 0; row < Math.max(1, entity.rowCount ?? 1); row++) {
    for (let column = 0; column < Math.max(1, entity.columnCount ?? 1); column++) {
      if (++walk.inserts > CAPACITY.repeats) return;
      const dx = column * (entity.columnSpacing ?? 0);
      const dy = row * (entity.rowSpacing ?? 0);
      const turn: Matrix = [cos, sin, -sin, cos, px + cos * dx - sin * dy, py + sin * dx + cos * dy];
      const placed = compose(compose(outer, turn), [sx, 0, 0, sy, -sx * bx, -sy * by]);
      for (const child of block.entities) draw(child, placed, walk, [...open, name], hidden);
    }
  }
}

function write(entity: DxfEntity, [a, b, c, d, e, f]: Matrix, walk: Walk): void {
  const isLong = entity.type === 'MTEXT';
  const { x = Number.NaN, y = Number.NaN }: Place = (isLong ? entity.position : entity.startPoint) ?? {};
  const size = (isLong ? entity.height : entity.textHeight) || 1;
  // Formatting codes of long texts: {\fname;words} and \P for a new line.
  const text = (entity.text ?? '')
    .replace(/\\P/g, ' ')
    .replace(/\\[A-Za-z][^;\\]*;|[{}]/g, '')
    .trim()
    .slice(0, 40);
  if (text === '' || !Number.isFinite(x) || !Number.isFinite(y)) return;
  const up = isLong ? -0.35 * size : 0.35 * size;
  const [mx, my] = [x + 0.3 * size * text.length, y + up];
  walk.texts.push({ text, at: [a * mx + c * my + e, b * mx + d * my + f] });
}

/** @returns false for a kind of entity that is no line */
function trace(entity: DxfEntity, pen: PathPen, matrix: Matrix, walk: Walk): boolean {
  switch (entity.type) {
    case 'LINE':
    case 'LWPOLYLINE':
    case 'POLYLINE':
      tracePolyline(entity, pen);
      return true;
    case 'CIRCLE':
    case 'ARC': {
      const { center, radius = 0, startAngle = 0, endAngle = 0 } = entity;
      if (!center || !(radius > 0)) return true;
      const whole = entity.type === 'CIRCLE';
      const from = whole ? 0 : startAngle;
      oval(pen, center.x, center.y, radius, radius, 0, from, whole ? 2 * Math.PI : turnTo(from, endAngle), whole);
      return true;
    }
    case 'ELLIPSE': {
      const { center, majorAxisEndPoint, axisRatio = 1, startAngle = 0, endAngle = 2 * Math.PI } = entity;
      if (!center || !majorAxisEndPoint) return true;
      const major = Math.hypot(majorAxisEndPoint.x, majorAxisEndPoint.y);
      const phi = Math.atan2(majorAxisEndPoint.y, majorAxisEndPoint.x);
      const turn = turnTo(startAngle, endAngle);
      oval(pen, center.x, center.y, major, major * axisRatio, phi, startAngle, turn, turn > 2 * Math.PI - 1e-9);
      return true;
    }
    case 'SPLINE':
      traceSpline(entity, pen, matrix, walk);
      return true;
    default:
      return false;
  }
}

/** From one angle on to another, anticlockwise, as arcs of a DXF run; a full turn where they are the same. */
const turnTo = (from: number, to: number): number => {
  const turn = (to - from) % (2 * Math.PI);
  return turn <= 1e-12 ? turn + 2 * Math.PI : turn;
};

function oval(
  pen: PathPen,
  cx: number,
  cy: number,
  rx: number,
  ry: number,
  phi: number,
  from: number,
  turn: number,
  closed: boolean,
): void {
  const at = (angle: number): Point => {
    const [ex, ey] = [rx * Math.cos(angle), ry * Math.sin(angle)];
    return [cx + ex * Math.cos(phi) - ey * Math.sin(phi), cy + ex * Math.sin(phi) + ey * Math.cos(phi)];
  };
  pen.moveTo(...at(from));
  pen.ellipse(cx, cy, rx, ry, phi, from, turn, ...at(from + turn));
  if (closed) pen.close();
}

/** Straight runs and bulges: the bulge is the tangent of a quarter of the arc's turn, left of its chord. */
function tracePolyline(entity: DxfEntity, pen: PathPen): void {
  const corners = entity.vertices ?? [];
  const first = corners[0];
  if (!first) return;
  const shape = entity.shape === true;
  pen.moveTo(first.x, first.y);
  for (let i = 0; i < corners.length - (shape ? 0 : 1); i++) {
    const from = nth(corners, i);
    const to = nth(corners, (i + 1) % corners.length);
    const bulge = from.bulge ?? 0;
    if (Math.abs(bulge) < 1e-9) pen.lineTo(to.x, to.y);
    else {
      const chord = Math.hypot(to.x - from.x, to.y - from.y);
      const radius = (chord * (1 + bulge * bulge)) / (4 * Math.abs(bulge));
      pen.arcTo(radius, radius, 0, Math.abs(bulge) > 1, bulge > 0, to.x, to.y);
    }
  }
  if (shape) pen.close();
}

function traceSpline(entity: DxfEntity, pen: PathPen, matrix: Matrix, walk: Walk): void {
  const at = (p: { x: number; y: number }): Point => [p.x, p.y];
  const { weights = [] } = entity;
  const areWeights = weights.length === entity.controlPoints?.length && weights.every((w) => w > 0);
  const spline = {
    degree: entity.degreeOfSplineCurve ?? 3,
    knots: entity.knotValues ?? [],
    controls: (entity.controlPoints ?? []).map(at),
    weights: areWeights ? weights : undefined,
  };
  if (entity.rational && !areWeights) walk.simplified++;
  const tolerance = TOLERANCE.flatnessMm / (largestStretch(matrix) || 1);
  const points = isSound(spline)
    ? splineChords(spline, tolerance)
    : (entity.fitPoints ?? entity.controlPoints ?? []).map(at);
  points.forEach(([x, y], i) => (i === 0 ? pen.moveTo(x, y) : pen.lineTo(x, y)));
  const [first, last] = [points[0], points.at(-1)];
  if (
    entity.closed &&
    first &&
    last &&
    Math.hypot(first[0] - last[0], first[1] - last[1]) * largestStretch(matrix) < 0.01
  )
    pen.close();
}
