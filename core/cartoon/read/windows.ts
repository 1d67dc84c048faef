import { compose, IDENTITY, boxOf, type Matrix, type Point } from '../../geometry/index.ts';
import { windowShape, type Window, type WindowShape } from './clip.ts';
import type { MarkupNode } from './markup.ts';
import { PathPen } from './pathData.ts';
import type { Surroundings, Walk } from './walk.ts';
import { isNoPaint } from './strokes.ts';
import { styleInFile, styleOf } from './style.ts';
import { drawInto, SHAPES } from './svgShapes.ts';
import { readTransform } from './transform.ts';

/** A clip within a clip within a clip. */
const MOST_NESTED = 4;

type Kind = 'clippath' | 'mask';

/** The clips and masks that an element itself names; one that is not there hides nothing (CSS Masking 1, 5.1). */
export function windowsOn(node: MarkupNode, here: Surroundings, walk: Walk): Window[] {
  const wanted = [
    ['clippath', here.style['clip-path']],
    ['mask', here.style.mask],
  ] as const;
  return wanted.flatMap(([kind, value]) => {
    const id = /^url\(\s*["']?#([^"')]*)["']?\s*\)/i.exec(value ?? '')?.[1];
    const target = id === undefined ? undefined : walk.byId.get(id);
    return target?.name === kind ? windowsOf(kind, target, node, here, walk, 0) : [];
  });
}

function windowsOf(
  kind: Kind,
  target: MarkupNode,
  on: MarkupNode,
  here: Surroundings,
  walk: Walk,
  depth: number,
): Window[] {
  const units = target.attributes.get(kind === 'mask' ? 'maskcontentunits' : 'clippathunits');
  const style = styleInFile(target, walk.rules);
  const own = style.transform === undefined ? IDENTITY : (readTransform(style.transform) ?? IDENTITY);
  const inBox = units === 'objectBoundingBox' ? boxMatrix(on, here, walk) : IDENTITY;
  const matrix = compose(compose(here.matrix, own), inBox);
  const shapes: WindowShape[] = [];
  for (const child of target.children) gatherShapes(kind, child, { ...here, style, matrix }, walk, shapes, 0);
  const outer = /^url\(\s*["']?#([^"')]*)["']?\s*\)/i.exec(style['clip-path'] ?? '')?.[1];
  const next = outer === undefined ? undefined : walk.byId.get(outer);
  const within =
    next?.name === 'clippath' && depth < MOST_NESTED ? windowsOf('clippath', next, on, here, walk, depth + 1) : [];
  return [{ shapes }, ...within];
}

function gatherShapes(
  kind: Kind,
  node: MarkupNode,
  around: Surroundings,
  walk: Walk,
  into: WindowShape[],
  depth: number,
): void {
  const style = styleOf(node, around.style, walk.rules);
  if (style.display === 'none' || Number.parseFloat(style.opacity ?? '1') === 0) return;
  const own = style.transform === undefined ? IDENTITY : (readTransform(style.transform) ?? IDENTITY);
  const here = { ...around, style, matrix: compose(around.matrix, own) };
  if (node.name === 'use' || (kind === 'mask' && (node.name === 'g' || node.name === 'a'))) {
    const target = node.name === 'use' ? walk.byId.get((node.attributes.get('href') ?? '').slice(1)) : undefined;
    const offset: Matrix = [1, 0, 0, 1, Number(node.attributes.get('x') ?? 0), Number(node.attributes.get('y') ?? 0)];
    const there = node.name === 'use' ? { ...here, matrix: compose(here.matrix, offset) } : here;
    if (depth < MOST_NESTED)
      for (const child of target ? [target] : node.children) gatherShapes(kind, child, there, walk, into, depth + 1);
    return;
  }
  if (!SHAPES.has(node.name) || style.visibility === 'hidden' || style.visibility === 'collapse') return;
  const fill = style.fill ?? 'black';
  if (kind === 'mask' && isNoPaint(fill, (id) => walk.byId.has(id))) return;
  const pen = new PathPen(here.matrix);
  drawInto(pen, node, here.view);
  const rings = pen.paths.map(({ points }) => points);
  const rule = kind === 'mask' ? style['fill-rule'] : style['clip-rule'];
  const shape = windowShape(rings, kind === 'clippath' || !isBlack(fill), rule !== 'evenodd');
  if (shape) into.push(shape);
}

/** What is painted black in a mask hides (CSS Masking 1, 6.3: by luminance). */
const isBlack = (paint: string): boolean =>
  /^(?:black|#0{3,4}|#0{6}(?:[\da-f]{2})?|rgba?\(\s*0%?\s*[, ]\s*0%?\s*[, ]\s*0%?.*\))$/i.test(paint.trim());

/** From the unit square to the box of what an element draws, in its own units. */
function boxMatrix(node: MarkupNode, here: Surroundings, walk: Walk): Matrix {
  const points: Point[] = [];
  const add = (one: MarkupNode, matrix: Matrix) => {
    const transform = one === node ? null : one.attributes.get('transform');
    const own = compose(matrix, (transform && readTransform(transform)) || IDENTITY);
    if (SHAPES.has(one.name)) {
      const pen = new PathPen(own);
      drawInto(pen, one, here.view);
      for (const path of pen.paths) for (const p of path.points) points.push(p);
    } else if (one.name === 'g' || one.name === 'a') for (const child of one.children) add(child, own);
    else if (one.name === 'use') {
      const target = walk.byId.get((one.attributes.get('href') ?? '').slice(1));
      const [x, y] = [Number(one.attributes.get('x') ?? 0), Number(one.attributes.get('y') ?? 0)];
      if (target && SHAPES.has(target.name)) add(target, compose(own, [1, 0, 0, 1, x, y]));
    }
  };
  add(node, IDENTITY);
  if (points.length === 0) return [0, 0, 0, 0, 0, 0];
  const { minX, minY, maxX, maxY } = boxOf(points);
  return [maxX - minX, 0, 0, maxY - minY, minX, minY];
}
