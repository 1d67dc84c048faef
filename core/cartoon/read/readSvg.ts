import { CAPACITY } from '../../limits/index.ts';
import { compose, IDENTITY, type Matrix } from '../../geometry/index.ts';
import { isHelperLayer } from './layers.ts';
import { LeftOut } from './leftOut.ts';
import { readMarkup, type MarkupNode } from './markup.ts';
import { PathPen } from './pathData.ts';
import { readStyleSheets } from './styleSheets.ts';
import { styleOf, type Style } from './style.ts';
import { pageWindow, seenThrough } from './clip.ts';
import { isNoPaint, strokeOf, sortStrokes } from './strokes.ts';
import type { Surroundings, Walk } from './walk.ts';
import { windowsOn } from './windows.ts';
import { lengthToUser, nestedPage, readPage, type View } from './svgPage.ts';
import { drawInto, SHAPES } from './svgShapes.ts';
import { readTransform } from './transform.ts';
import type { DrawingFinding, DrawingRefusal, RawDrawing } from './types.ts';

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
]);

/**
 * Reads the lines of an SVG drawing, in millimetres, x right and y down from the page's corner.
 * Nothing of the file but numbers and short texts is kept; scripts, links and entities are never followed.
 * @param layersIn names of hidden or helper layers that the user wants in
 * @param scale how many times larger than it says it really is
 */
export function readSvg(
  source: string,
  layersIn: ReadonlySet<string> = new Set(),
  scale = 1,
): RawDrawing | DrawingRefusal {
  if (source.length > CAPACITY.sourceChars) return { refusal: 'too-large' };
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
    leftOut: new LeftOut(),
    layers: new Map(),
    points: 0,
    shapes: 0,
    uses: 0,
    badNumbers: 0,
    shortened: 0,
  };
  index(svg, walk.byId);
  const around: Surroundings = {
    style: styleOf(svg, {}, walk.rules),
    matrix: compose([scale, 0, 0, scale, 0, 0], page.matrix),
    view: page.view,
    windows: [],
    hidden: false,
    following: [],
  };
  for (const child of svg.children) visit(child, around, walk);
  if (walk.points > CAPACITY.points) return { refusal: 'too-large' };
  const { lines: strokes, arrows } = sortStrokes(walk.strokes);
  if (arrows > 0) walk.leftOut.add('arrows and dimension lines', arrows);
  const lines = strokes.length > 0 ? strokes : walk.fills;
  if (lines === strokes && walk.fills.length > 0) walk.leftOut.add('fills without a stroke', walk.fills.length);
  const findings: DrawingFinding[] = [...page.findings, ...walk.leftOut.findings()];
  if (walk.shortened > 0) findings.push({ kind: 'path-cut-short', count: walk.shortened });
  if (lines.length === 0) return { refusal: walk.badNumbers > 0 ? 'no-numbers' : 'nothing-drawn' };
  if (walk.badNumbers > 0) findings.push({ kind: 'bad-numbers', count: walk.badNumbers });
  return {
    lines,
    texts: walk.texts,
    findings,
    layers: [...walk.layers.values()],
    page: { widthMm: page.widthMm * scale, heightMm: page.heightMm * scale, physical: page.physical },
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

function visit(node: MarkupNode, around: Surroundings, walk: Walk): void {
  if (walk.points > CAPACITY.points) return;
  if (!isForThisReader(node)) return walk.leftOut.add('shapes for another reader', countShapes(node));
  if (ONLY_LENDING.has(node.name)) {
    const shapes = countShapes(node);
    if (shapes > 0 && node.name !== 'defs' && node.name !== 'symbol')
      walk.leftOut.add('shapes that only clip, mask or paint', shapes);
    if (node.name === 'script') walk.leftOut.add('scripts');
    return;
  }
  let style = styleOf(node, around.style, walk.rules);
  const own = transformOf(style, around.view);
  if (own === null) walk.badNumbers++;
  const faint = style.display === 'none' || Number.parseFloat(style.opacity ?? '1') === 0;
  let unseen = style.visibility === 'hidden' || style.visibility === 'collapse';
  let hidden = around.hidden || faint;
  const layer = layerName(node, faint || unseen);
  if (layer !== null) {
    const off = faint || unseen || isHelperLayer(layer);
    walk.layers.set(layer, { name: layer, hidden: off, shapes: countShapes(node) });
    if (off) hidden = !walk.layersIn.has(layer);
    // What is in it takes over that it is not seen: switched in it is.
    if (unseen && !hidden) [style, unseen] = [{ ...style, visibility: 'visible' }, false];
  }
  const moved: Surroundings = { ...around, style, matrix: compose(around.matrix, own ?? IDENTITY), hidden };
  const here = { ...moved, windows: [...around.windows, ...windowsOn(node, moved, walk)] };
  if (node.name === 'image') walk.leftOut.add('pictures');
  else if (node.name === 'text') {
    if (!hidden && !unseen) readText(node, here, walk);
  } else if (node.name === 'use') followUse(node, here, walk);
  else if (SHAPES.has(node.name)) {
    if (hidden || unseen) walk.leftOut.add('hidden shapes');
    else drawShape(node, here, walk);
  } else if (node.name === 'svg') visitChildren(node, within(here, node), walk);
  else if (node.name === 'switch') {
    const chosen = node.children.find(isForThisReader);
    if (chosen) visit(chosen, here, walk);
  } else if (GROUPS.has(node.name)) visitChildren(node, here, walk);
  else if (countShapes(node) > 0) walk.leftOut.add('shapes in what is no group', countShapes(node));
}

const GROUPS: ReadonlySet<string> = new Set(['g', 'a']);

function visitChildren(node: MarkupNode, here: Surroundings, walk: Walk): void {
  for (const child of node.children) visit(child, here, walk);
}

/** Whether an element asks for nothing that a plain reader of English drawings lacks (SVG 2, 5.9). */
function isForThisReader({ attributes }: MarkupNode): boolean {
  const language = attributes.get('systemlanguage');
  const isSpoken = language === undefined || language.split(',').some((one) => /^en\b/i.test(one.trim()));
  return isSpoken && attributes.get('requiredextensions') === undefined;
}

/** The same surroundings in the units inside a nested `svg` or a `symbol`. */
function within(here: Surroundings, node: MarkupNode): Surroundings {
  const { matrix, view, box } = nestedPage(node, here.view);
  const isOpen = here.style.overflow === 'visible' || here.style.overflow === 'auto';
  const windows = isOpen ? here.windows : [...here.windows, pageWindow(box, here.matrix)];
  return { ...here, matrix: compose(here.matrix, matrix), view, windows };
}

/** An element's own transform, by attribute or by style, about its origin. Null when it is no transform. */
function transformOf(style: Style, view: View): Matrix | null {
  if (style.transform === undefined) return IDENTITY;
  const matrix = readTransform(style.transform);
  const [x, y = '0'] = (style['transform-origin'] ?? '').split(/[\s,]+/).filter(Boolean);
  if (!matrix || x === undefined) return matrix;
  const ox = lengthToUser(x, view[0]) ?? 0;
  const oy = lengthToUser(y, view[1]) ?? 0;
  return compose(compose([1, 0, 0, 1, ox, oy], matrix), [1, 0, 0, 1, -ox, -oy]);
}

/** Layers are what an editor calls so, groups named like helpers, and groups on the page itself that are not shown. */
function layerName(node: MarkupNode, isOff: boolean): string | null {
  if (node.name !== 'g') return null;
  const names = ['label', 'id', 'data-name', 'class'].flatMap((key) => node.attributes.get(key) ?? []);
  const title = node.children.find((child) => child.name === 'title')?.text.trim();
  if (title) names.push(title);
  const name = names.find(isHelperLayer) ?? names[0];
  if (node.attributes.get('groupmode') === 'layer') return names[0] ?? 'layer';
  if (name === undefined) return null;
  const isLayer = isHelperLayer(name) || (isOff && node.parent?.parent?.name === '');
  return isLayer ? name.replace(/[_-]+/g, ' ') : null;
}

const countShapes = (node: MarkupNode): number =>
  node.children.reduce((sum, child) => sum + countShapes(child), SHAPES.has(node.name) ? 1 : 0);

function followUse(node: MarkupNode, here: Surroundings, walk: Walk): void {
  const href = node.attributes.get('href') ?? '';
  const id = href.startsWith('#') ? href.slice(1) : '';
  const target = walk.byId.get(id);
  if (!target || here.following.includes(id) || ++walk.uses > CAPACITY.repeats)
    return walk.leftOut.add('links that lead nowhere');
  const x = lengthToUser(node.attributes.get('x'), here.view[0]) ?? 0;
  const y = lengthToUser(node.attributes.get('y'), here.view[1]) ?? 0;
  const there: Surroundings = {
    ...here,
    matrix: compose(here.matrix, [1, 0, 0, 1, x, y]),
    following: [...here.following, id],
  };
  if (target.name !== 'symbol') return visit(target, there, walk);
  const sized = new Map(target.attributes).set('x', '0').set('y', '0');
  for (const name of ['width', 'height']) {
    const own = node.attributes.get(name);
    if (own !== undefined) sized.set(name, own);
  }
  const style = styleOf(target, here.style, walk.rules);
  visitChildren(target, within({ ...there, style }, { ...target, attributes: sized }), walk);
}

/** The middle of the words lies inside the piece more surely than their first corner: 0.55 em a letter, 0.35 em up. */
function readText(node: MarkupNode, here: Surroundings, walk: Walk): void {
  const [a, b, c, d, e, f] = here.matrix;
  const put = (from: MarkupNode, words: string, style: Style) => {
    const x = Number.parseFloat(from.attributes.get('x') ?? node.attributes.get('x') ?? '0');
    const y = Number.parseFloat(from.attributes.get('y') ?? node.attributes.get('y') ?? '0');
    const text = words.replace(/\s+/g, ' ').trim().slice(0, 40);
    if (text === '' || !Number.isFinite(x) || !Number.isFinite(y)) return;
    const size = lengthToUser(style['font-size'], 16) ?? 16;
    const anchor = style['text-anchor'];
    const mx = x + 0.55 * size * text.length * (anchor === 'middle' ? 0 : anchor === 'end' ? -0.5 : 0.5);
    const my = y - 0.35 * size;
    walk.texts.push({ text, at: [a * mx + c * my + e, b * mx + d * my + f] });
  };
  const spans = node.children.filter((child) => child.name === 'tspan' && child.text.trim() !== '');
  if (node.text.trim() !== '') put(node, node.text, here.style);
  for (const span of spans) put(span, span.text, styleOf(span, here.style, walk.rules));
}

const isClear = (value: string | undefined) => value !== undefined && Number.parseFloat(value) === 0;

function drawShape(node: MarkupNode, { style, matrix, view, windows }: Surroundings, walk: Walk): void {
  const isPainted = (paint: string | undefined) => !isNoPaint(paint, (id) => walk.byId.has(id));
  const stroked =
    isPainted(style.stroke ?? 'none') &&
    !isClear(style['stroke-opacity']) &&
    Number.parseFloat(style['stroke-width'] ?? '1') !== 0;
  const filled = isPainted(style.fill ?? 'black') && !isClear(style['fill-opacity']);
  if (stroked && style['stroke-dasharray'] !== undefined && /[1-9]/.test(style['stroke-dasharray']))
    return walk.leftOut.add('dashed lines');
  if (isHelperLayer(`${node.attributes.get('id') ?? ''} ${node.attributes.get('class') ?? ''}`))
    return walk.leftOut.add('arrows and dimension lines');
  if (!stroked && !filled) return walk.leftOut.add('shapes with neither stroke nor fill');
  const pen = new PathPen(matrix);
  const whole = drawInto(pen, node, view);
  const shape = ++walk.shapes;
  if (!whole) walk.shortened++;
  let seen = 0;
  for (const { points, closed } of pen.paths) {
    if (points.some(([x, y]) => !Number.isFinite(x) || !Number.isFinite(y))) {
      walk.badNumbers++;
      continue;
    }
    walk.points += points.length;
    if (walk.points > CAPACITY.points) return;
    for (const line of seenThrough({ points, closed: closed || !stroked, shape }, windows)) {
      seen++;
      if (stroked) walk.strokes.push(strokeOf(line, style, matrix));
      else walk.fills.push(line);
    }
  }
  if (pen.paths.length > 0 && seen === 0) walk.leftOut.add('shapes that a clip or mask hides');
  if (pen.paths.length === 0 && !whole) walk.badNumbers++;
}
