import type { Matrix } from '../../geometry/index.ts';
import { pathLength } from '../../geometry/index.ts';
import type { Style } from './style.ts';
import { lengthToUser } from './svgPage.ts';
import type { DrawnLine } from './types.ts';

/** A drawn line and how it looks. */
export interface Stroke {
  readonly line: DrawnLine;
  readonly widthMm: number;
  readonly paint: string;
  /** It ends in an arrowhead or the like. */
  readonly marked: boolean;
}

/** A paint that leaves nothing to see: none, transparent, or a pattern that is not there. */
export function isNoPaint(paint: string | undefined, isThere: (id: string) => boolean): boolean {
  const said = (paint ?? 'none').trim().toLowerCase();
  if (said.startsWith('url(')) {
    const [, id = '', instead = ''] = /^url\(\s*["']?#([^"')]*)["']?\s*\)\s*(.*)$/i.exec((paint ?? '').trim()) ?? [];
    return !isThere(id) && isNoPaint(instead === '' ? 'none' : instead, isThere);
  }
  if (said === 'none' || said === 'transparent' || said === '') return true;
  if (/^#(?:[\da-f]{3}0|[\da-f]{6}00)$/.test(said)) return true;
  const alpha = /^(?:rgb|hsl|hwb|lab|lch|oklab|oklch|color)a?\(.*[,/]\s*([\d.]+)(%?)\s*\)$/.exec(said);
  const hasAlpha = /a\(|\//.test(said) || said.split(',').length === 4;
  return alpha !== null && hasAlpha && Number(alpha[1]) === 0;
}

/** @param matrix from the stroke's units to millimetres */
export function strokeOf(line: DrawnLine, style: Style, [a, b, c, d]: Matrix): Stroke {
  const width = lengthToUser(style['stroke-width'], 0) ?? 1;
  const isMarked = (value: string | undefined) => value !== undefined && value !== 'none';
  return {
    line,
    widthMm: width * Math.sqrt(Math.abs(a * d - b * c)),
    paint: (style.stroke ?? '').replace(/\s+/g, '').toLowerCase(),
    marked: isMarked(style['marker-start']) || isMarked(style['marker-end']),
  };
}

/** Lines with an arrowhead are as wide as the others within this factor, or they are another kind of line. */
const AS_WIDE = 1.5;

/**
 * Lines that end in arrowheads are arrows and dimension lines, unless they look like the lines of the drawing.
 * @returns the lines, and how many were left out
 */
export function sortStrokes(strokes: readonly Stroke[]): { lines: DrawnLine[]; arrows: number } {
  const plain = strokes.filter((s) => !s.marked);
  const lengths = new Map<string, { mm: number; like: Stroke }>();
  for (const stroke of plain) {
    const key = `${stroke.paint} ${stroke.widthMm.toFixed(3)}`;
    const mm = pathLength(stroke.line.points);
    const known = lengths.get(key);
    if (known) known.mm += mm;
    else lengths.set(key, { mm, like: stroke });
  }
  const main = [...lengths.values()].sort((a, b) => b.mm - a.mm)[0]?.like;
  const isLine = ({ marked, paint, widthMm }: Stroke) =>
    !marked || !main || (paint === main.paint && widthMm < main.widthMm * AS_WIDE && widthMm > main.widthMm / AS_WIDE);
  const lines = strokes.filter(isLine);
  return { lines: lines.map((s) => s.line), arrows: strokes.length - lines.length };
}
