import { compose, IDENTITY, type Matrix } from '../../geometry/index.ts';
import { lengthToMm, MM_PER_UNIT, readLength } from '../../units/index.ts';
import { isHelperLayer } from './layers.ts';
import { readMarkup, type MarkupNode } from './markup.ts';
import { drawPathData, MOST_POINTS, PathPen } from './pathData.ts';
import { readStyleSheets, styleOf, type Style } from './style.ts';
import { readTransform } from './transform.ts';
import type { DrawingFinding, DrawingRefusal, DrawnLine, DrawnText, RawDrawing } from './types.ts';

/** A larger file is refused before it is read. */
export const MOST_SOURCE_CHARS = 32_000_000;
const MOST_USES = 20_000;

/** Never drawn by themselves: they only lend, clip, paint or describe. */
const ONLY_LENDING = new Set([
  'defs',
  'symbol',
  'clippath',
  'mask',
  'pattern',
  'marker',
  'lineargradient',
  'radialgradient',
  'filter',
  'style',
  'script',
  'title',
  'desc',
  'metadata',
  'foreignobject',
  'namedview',
  'switch-off',
]);
const SHAPES = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon']);

interface Walk {
  readonly byId: Map<string, MarkupNode>;
  readonly rules: ReturnType<typeof readStyleSheets>;
  readonly layersIn: ReadonlySet<string>;
  readonly strokes: DrawnLine[];
  readonly fills: DrawnLine[];
  readonly texts: DrawnText[];
  readonly leftOut: Map<string, number>;
  readonly layers: Map<string, { name: string; hidden: boolean; shapes: number }>;
  points: number;
  shapes: number;
  uses: number;
  badNumbers: number;
  shortened: number;
}

/**
 * Reads the lines of an SVG drawing, in millimetres, x right and y down from the page's corner.
 * Nothing of the file but numbers and short texts is kept; scripts, links and entities are never followed.
 * @param layersIn names of hidden or helper layers that the user wants in
 */
export function readSvg(source: string, layersIn: ReadonlySet<string> = new Set()): RawDrawing | DrawingRefusal {
  if (source.length > MOST_SOURCE_CHARS) return { refusal: 'too-large' };
  const markup = readMarkup(source);
  if ('problem' in markup) return { refusal: markup.problem === 'not-markup' ? 'not-a-drawing' : 'too-large' };
  const svg = markup.root.children.find((node) => node.name === 'svg');
  if (!svg) return { refusal: 'not-a-drawing' };
  const page = readPage(svg);
  if ('refusal' in page) return page;
  const walk: Walk = {
    byId: new Map(),
    rules: readStyleSheets(gather(svg, 'style')),
    layersIn,
    strokes: [],
    fills: [],
    texts: [],
    leftOut: new Map(),
    layers: new Map(),
    points: 0,
    shapes: 0,
    uses: 0,
    badNumbers: 0,
    shortened: 0,
  };
  index(svg, walk.byId);
  for (const child of svg.children) visit(child, [svg], styleOf(svg, [], {}, walk.rules), page.matrix, false, [], walk);
  if (walk.points > MOST_POINTS) return { refusal: 'too-large' };
  const findings: DrawingFinding[] = [...page.findings];
  for (const [what, count] of walk.leftOut) findings.push({ kind: 'left-out', what, count });
  if (walk.shortened > 0) findings.push({ kind: 'path-cut-short', count: walk.shortened });
  const lines = walk.strokes.length > 0 ? walk.strokes : walk.fills;
  if (lines.length === 0) return { refusal: walk.badNumbers > 0 ? 'no-numbers' : 'nothing-drawn' };
  if (walk.strokes.length > 0 && walk.fills.length > 0) {
    findings.push({ kind: 'left-out', what: 'fills without a stroke', count: walk.fills.length });
  }
  if (walk.badNumbers > 0) findings.push({ kind: 'bad-numbers', count: walk.badNumbers });
  return {
    lines,
    texts: walk.texts,
    findings,
    layers: [...walk.layers.values()],
    page: { widthMm: page.widthMm, heightMm: page.heightMm, physical: page.physical },
  };
}

function gather(node: MarkupNode, name: string): string[] {
  return node.children.flatMap((child) => (child.name === name ? [child.text] : gather(child, name)));
}

function index(node: MarkupNode, byId: Map<string, MarkupNode>): void {
  const id = node.attributes.get('id');
  if (id !== undefined && !byId.has(id)) byId.set(id, node);
  for (const child of node.children) index(child, byId);
}

interface Page {
  readonly matrix: Matrix;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly physical: boolean;
  readonly findings: readonly DrawingFinding[];
}

function readPage(svg: MarkupNode): Page | DrawingRefusal {
  const findings: DrawingFinding[] = [];
  const view = (svg.attributes.get('viewbox') ?? '')
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  const hasView = view.length === 4 && view.every(Number.isFinite);
  if (svg.attributes.has('viewbox') && !hasView) return { refusal: 'no-numbers' };
  if (hasView && ((view[2] as number) <= 0 || (view[3] as number) <= 0)) return { refusal: 'no-size' };
  const sizeOf = (name: string): number | null => {
    const text = svg.attributes.get(name);
    return text === undefined || text.includes('%') ? null : lengthToMm(text, 'px');
  };
  const isPhysical = (name: string) => {
    const unit = readLength(svg.attributes.get(name) ?? '')?.unit;
    return unit !== undefined && unit !== null && unit !== 'px';
  };
  let widthMm = sizeOf('width');
  let heightMm = sizeOf('height');
  if (widthMm !== null && heightMm !== null && (widthMm <= 0 || heightMm <= 0)) return { refusal: 'no-size' };
  const px = MM_PER_UNIT.px;
  const [vx, vy, vw, vh] = hasView ? (view as [number, number, number, number]) : [0, 0, 0, 0];
  const physical = isPhysical('width') || isPhysical('height');
  if (!physical) findings.push({ kind: 'assumed-96', count: 1 });
  if (!hasView) {
    const matrix: Matrix = [px, 0, 0, px, 0, 0];
    return { matrix, widthMm: widthMm ?? 0, heightMm: heightMm ?? 0, physical, findings };
  }
  if (widthMm === null && heightMm === null) [widthMm, heightMm] = [vw * px, vh * px];
  else if (widthMm === null) widthMm = ((heightMm as number) * vw) / vh;
  else if (heightMm === null) heightMm = (widthMm * vh) / vw;
  let sx = widthMm / vw;
  let sy = (heightMm as number) / vh;
  const fit = svg.attributes.get('preserveaspectratio') ?? 'xMidYMid meet';
  let tx = 0;
  let ty = 0;
  if (!/^\s*none/.test(fit)) {
    const s = /slice/.test(fit) ? Math.max(sx, sy) : Math.min(sx, sy);
    const share = (word: string, axis: string) =>
      word.includes(`${axis}Min`) ? 0 : word.includes(`${axis}Max`) ? 1 : 0.5;
    tx = (widthMm - s * vw) * share(fit, 'x');
    ty = ((heightMm as number) - s * vh) * share(fit, 'Y');
    sx = sy = s;
  }
  const matrix: Matrix = [sx, 0, 0, sy, tx - sx * vx, ty - sy * vy];
  return { matrix, widthMm, heightMm: heightMm as number, physical, findings };
}

function visit(
  node: MarkupNode,
  ancestors: readonly MarkupNode[],
  parent: Style,
  matrix: Matrix,
  hidden: boolean,
  usesOpen: readonly string[],
  walk: Walk,
): void {
  if (walk.points > MOST_POINTS) return;
  const leave = (what: string, count = 1) => walk.leftOut.set(what, (walk.leftOut.get(what) ?? 0) + count);
  if (ONLY_LENDING.has(node.name)) {
    const shapes = countShapes(node);
    if (shapes > 0 && node.name !== 'defs' && node.name !== 'symbol')
      leave('shapes that only clip, mask or paint', shapes);
    if (node.name === 'script') leave('scripts');
    return;
  }
  const style = styleOf(node, ancestors, parent, walk.rules);
  const own = readTransform(node.attributes.get('transform'));
  if (own === null) walk.badNumbers++;
  const here = compose(matrix, own ?? IDENTITY);
  const layer = layerName(node);
  const faint = style.display === 'none' || Number.parseFloat(style.opacity ?? '1') === 0;
  let out = hidden || faint;
  if (layer !== null) {
    const off = faint || style.visibility === 'hidden' || isHelperLayer(layer);
    walk.layers.set(layer, { name: layer, hidden: off, shapes: countShapes(node) });
    if (off) out = !walk.layersIn.has(layer);
  }
  if (node.name === 'image') leave('pictures');
  else if (node.name === 'text') readText(node, here, out || style.visibility === 'hidden', walk);
  else if (node.name === 'use') followUse(node, ancestors, style, here, out, usesOpen, walk);
  else if (SHAPES.has(node.name)) {
    if (out || style.visibility === 'hidden' || style.visibility === 'collapse') leave('hidden shapes');
    else drawShape(node, style, here, walk, leave);
  } else {
    const inner = node.name === 'svg' ? compose(here, nestedPage(node)) : here;
    for (const child of node.children) visit(child, [...ancestors, node], style, inner, out, usesOpen, walk);
  }
}

function layerName(node: MarkupNode): string | null {
  if (node.name !== 'g') return null;
  if (node.attributes.get('groupmode') === 'layer')
    return node.attributes.get('label') ?? node.attributes.get('id') ?? 'layer';
  const id = node.attributes.get('id');
  return id !== undefined && isHelperLayer(id) ? id.replace(/[_-]+/g, ' ') : null;
}

const countShapes = (node: MarkupNode): number =>
  node.children.reduce((sum, child) => sum + countShapes(child), SHAPES.has(node.name) ? 1 : 0);

function nestedPage(node: MarkupNode): Matrix {
  const n = (name: string, otherwise: number) => lengthToUser(node.attributes.get(name)) ?? otherwise;
  const view = (node.attributes.get('viewbox') ?? '')
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  const x = n('x', 0);
  const y = n('y', 0);
  if (view.length !== 4 || view.some((v) => !Number.isFinite(v)) || !view[2] || !view[3]) return [1, 0, 0, 1, x, y];
  const [vx, vy, vw, vh] = view as [number, number, number, number];
  const s = Math.min(n('width', vw) / vw, n('height', vh) / vh);
  return [s, 0, 0, s, x - s * vx + (n('width', vw) - s * vw) / 2, y - s * vy + (n('height', vh) - s * vh) / 2];
}

function followUse(
  node: MarkupNode,
  ancestors: readonly MarkupNode[],
  style: Style,
  matrix: Matrix,
  hidden: boolean,
  usesOpen: readonly string[],
  walk: Walk,
): void {
  const href = node.attributes.get('href') ?? '';
  const id = href.startsWith('#') ? href.slice(1) : '';
  const target = walk.byId.get(id);
  if (!target || usesOpen.includes(id) || ++walk.uses > MOST_USES) {
    walk.leftOut.set('links that lead nowhere', (walk.leftOut.get('links that lead nowhere') ?? 0) + 1);
    return;
  }
  const x = lengthToUser(node.attributes.get('x')) ?? 0;
  const y = lengthToUser(node.attributes.get('y')) ?? 0;
  let placed = compose(matrix, [1, 0, 0, 1, x, y]);
  const chain = [...ancestors, node];
  if (target.name !== 'symbol') return visit(target, chain, style, placed, hidden, [...usesOpen, id], walk);
  const width = node.attributes.get('width');
  const height = node.attributes.get('height');
  const sized = new Map(target.attributes);
  for (const [name, value] of [
    ['width', width],
    ['height', height],
    ['x', '0'],
    ['y', '0'],
  ] as const)
    if (value) sized.set(name, value);
  placed = compose(placed, nestedPage({ ...target, attributes: sized }));
  for (const child of target.children)
    visit(
      child,
      [...chain, target],
      styleOf(target, chain, style, walk.rules),
      placed,
      hidden,
      [...usesOpen, id],
      walk,
    );
}

function readText(node: MarkupNode, matrix: Matrix, hidden: boolean, walk: Walk): void {
  if (hidden) return;
  const [a, b, c, d, e, f] = matrix;
  const put = (from: MarkupNode, words: string) => {
    const x = Number.parseFloat(from.attributes.get('x') ?? node.attributes.get('x') ?? '0');
    const y = Number.parseFloat(from.attributes.get('y') ?? node.attributes.get('y') ?? '0');
    const text = words.replace(/\s+/g, ' ').trim().slice(0, 40);
    if (text === '' || !Number.isFinite(x) || !Number.isFinite(y)) return;
    const size =
      Number.parseFloat(
        /font-size\s*:\s*([\d.]+)/.exec(from.attributes.get('style') ?? '')?.[1] ??
          from.attributes.get('font-size') ??
          node.attributes.get('font-size') ??
          '10',
      ) || 10;
    const anchor =
      /text-anchor\s*:\s*(\w+)/.exec(node.attributes.get('style') ?? '')?.[1] ??
      node.attributes.get('text-anchor') ??
      'start';
    // The middle of the words lies inside the piece more surely than their first corner: 0.55 em a letter, 0.35 em up.
    const along = 0.55 * size * text.length * (anchor === 'middle' ? 0 : anchor === 'end' ? -0.5 : 0.5);
    const mx = x + along;
    const my = y - 0.35 * size;
    walk.texts.push({ text, at: [a * mx + c * my + e, b * mx + d * my + f] });
  };
  const spans = node.children.filter((child) => child.name === 'tspan' && child.text.trim() !== '');
  if (node.text.trim() !== '') put(node, node.text);
  for (const span of spans) put(span, span.text);
}

function lengthToUser(text: string | undefined): number | null {
  if (text === undefined || text.trim() === '') return null;
  const parsed = readLength(text);
  if (!parsed) return null;
  return parsed.unit === null ? parsed.value : (parsed.value * MM_PER_UNIT[parsed.unit]) / MM_PER_UNIT.px;
}

const isNone = (value: string | undefined) => value === undefined || value === 'none' || value === 'transparent';
const isClear = (value: string | undefined) => value !== undefined && Number.parseFloat(value) === 0;

function drawShape(node: MarkupNode, style: Style, matrix: Matrix, walk: Walk, leave: (what: string) => void): void {
  const stroked =
    !isNone(style.stroke) && !isClear(style['stroke-opacity']) && Number.parseFloat(style['stroke-width'] ?? '1') !== 0;
  const filled = style.fill === undefined ? true : !isNone(style.fill) && !isClear(style['fill-opacity']);
  if (stroked && style['stroke-dasharray'] !== undefined && /[1-9]/.test(style['stroke-dasharray']))
    return leave('dashed lines');
  if (stroked && (!isNone(style['marker-start']) || !isNone(style['marker-end'])))
    return leave('arrows and dimension lines');
  if (!stroked && !filled) return leave('shapes with neither stroke nor fill');
  const pen = new PathPen(matrix);
  const whole = drawInto(pen, node);
  const shape = ++walk.shapes;
  if (!whole) walk.shortened++;
  for (const { points, closed } of pen.paths) {
    if (points.some(([x, y]) => !Number.isFinite(x) || !Number.isFinite(y))) {
      walk.badNumbers++;
      continue;
    }
    walk.points += points.length;
    if (walk.points > MOST_POINTS) return;
    if (stroked) walk.strokes.push({ points, closed, shape });
    else walk.fills.push({ points, closed: true, shape });
  }
  if (pen.paths.length === 0 && !whole) walk.badNumbers++;
}

/** @returns false when part of the shape's data was no numbers. */
function drawInto(pen: PathPen, node: MarkupNode): boolean {
  const raw = (name: string) => node.attributes.get(name);
  const n = (name: string): number => (raw(name) === undefined ? 0 : (lengthToUser(raw(name)) ?? Number.NaN));
  switch (node.name) {
    case 'path':
      return drawPathData(raw('d') ?? '', pen);
    case 'line':
      pen.moveTo(n('x1'), n('y1'));
      pen.lineTo(n('x2'), n('y2'));
      return true;
    case 'polyline':
    case 'polygon': {
      const values = (raw('points') ?? '').match(/[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi)?.map(Number) ?? [];
      for (let i = 0; i + 1 < values.length; i += 2) {
        if (i === 0) pen.moveTo(values[0] as number, values[1] as number);
        else pen.lineTo(values[i] as number, values[i + 1] as number);
      }
      if (node.name === 'polygon' && values.length >= 4) pen.close();
      return values.length > 0;
    }
    case 'circle':
      return oval(pen, n('cx'), n('cy'), n('r'), n('r'));
    case 'ellipse':
      return oval(pen, n('cx'), n('cy'), n('rx'), n('ry'));
    case 'rect':
      return box(
        pen,
        n('x'),
        n('y'),
        n('width'),
        n('height'),
        raw('rx') === undefined ? null : n('rx'),
        raw('ry') === undefined ? null : n('ry'),
      );
    default:
      return true;
  }
}

function oval(pen: PathPen, cx: number, cy: number, rx: number, ry: number): boolean {
  if (!(rx > 0 && ry > 0)) return false;
  pen.moveTo(cx + rx, cy);
  pen.ellipse(cx, cy, rx, ry, 0, 0, 2 * Math.PI, cx + rx, cy);
  pen.close();
  return true;
}

function box(
  pen: PathPen,
  x: number,
  y: number,
  w: number,
  h: number,
  rxRaw: number | null,
  ryRaw: number | null,
): boolean {
  if (!(w > 0 && h > 0)) return false;
  const rx = Math.min(rxRaw ?? ryRaw ?? 0, w / 2);
  const ry = Math.min(ryRaw ?? rxRaw ?? 0, h / 2);
  pen.moveTo(x + rx, y);
  pen.lineTo(x + w - rx, y);
  if (rx > 0 && ry > 0) pen.arcTo(rx, ry, 0, false, true, x + w, y + ry);
  pen.lineTo(x + w, y + h - ry);
  if (rx > 0 && ry > 0) pen.arcTo(rx, ry, 0, false, true, x + w - rx, y + h);
  pen.lineTo(x + rx, y + h);
  if (rx > 0 && ry > 0) pen.arcTo(rx, ry, 0, false, true, x, y + h - ry);
  pen.lineTo(x, y + ry);
  if (rx > 0 && ry > 0) pen.arcTo(rx, ry, 0, false, true, x + rx, y);
  pen.close();
  return true;
}
