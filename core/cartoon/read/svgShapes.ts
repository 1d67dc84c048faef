import { numberAt } from '../../units/index.ts';
import type { MarkupNode } from './markup.ts';
import { drawPathData, type PathPen } from './pathData.ts';
import { lengthToUser, type View } from './svgPage.ts';

export const SHAPES: ReadonlySet<string> = new Set([
  'path',
  'rect',
  'circle',
  'ellipse',
  'line',
  'polyline',
  'polygon',
]);

/** What a percentage is of: the width, the height, or for a circle's radius their root mean square (SVG 2, 8.9). */
const percentageBase = (name: string, [width, height]: View): number =>
  name === 'r' ? Math.sqrt((width ** 2 + height ** 2) / 2) : /y|height/.test(name) ? height : width;

/**
 * Draws a shape with a pen.
 * @returns false when part of the shape's data was no numbers
 */
export function drawInto(pen: PathPen, node: MarkupNode, view: View): boolean {
  const raw = (name: string) => node.attributes.get(name);
  const n = (name: string): number =>
    raw(name) === undefined ? 0 : (lengthToUser(raw(name), percentageBase(name, view)) ?? Number.NaN);
  const radius = (name: string) => (raw(name) === undefined || raw(name) === 'auto' ? null : n(name));
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
        if (i === 0) pen.moveTo(numberAt(values, 0), numberAt(values, 1));
        else pen.lineTo(numberAt(values, i), numberAt(values, i + 1));
      }
      if (node.name === 'polygon' && values.length >= 4) pen.close();
      return values.length > 0;
    }
    case 'circle':
      return oval(pen, n('cx'), n('cy'), n('r'), n('r'));
    case 'ellipse':
      return oval(pen, n('cx'), n('cy'), radius('rx') ?? n('ry'), radius('ry') ?? n('rx'));
    case 'rect':
      return box(pen, n('x'), n('y'), n('width'), n('height'), radius('rx'), radius('ry'));
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
