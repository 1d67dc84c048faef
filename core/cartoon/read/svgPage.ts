import type { Matrix } from '../../geometry/index.ts';
import { lengthToMm, MM_PER_UNIT, readLength } from '../../units/index.ts';
import type { MarkupNode } from './markup.ts';
import type { DrawingFinding, DrawingRefusal } from './types.ts';

/** Width and height of what percentages are of, in user units. */
export type View = readonly [width: number, height: number];

export interface Page {
  readonly matrix: Matrix;
  readonly view: View;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Whether the file states a size in real units. */
  readonly physical: boolean;
  readonly findings: readonly DrawingFinding[];
}

/** The size of the drawing's page and the way from its user units to millimetres. */
export function readPage(svg: MarkupNode): Page | DrawingRefusal {
  const view = viewBoxOf(svg);
  if (view === null && (svg.attributes.get('viewbox') ?? '').trim() !== '') return { refusal: 'no-numbers' };
  if (view && !(view[2] > 0 && view[3] > 0)) return { refusal: 'no-size' };
  const sizeOf = (name: string): number | null => {
    const text = svg.attributes.get(name);
    return text === undefined || text.includes('%') ? null : lengthToMm(text, 'px');
  };
  const isPhysical = (name: string) => {
    const unit = readLength(svg.attributes.get(name) ?? '')?.unit;
    return unit !== undefined && unit !== null && unit !== 'px';
  };
  const widthMm = sizeOf('width');
  const heightMm = sizeOf('height');
  if (widthMm !== null && heightMm !== null && (widthMm <= 0 || heightMm <= 0)) return { refusal: 'no-size' };
  const px = MM_PER_UNIT.px;
  const physical = isPhysical('width') || isPhysical('height');
  const findings: DrawingFinding[] = physical ? [] : [{ kind: 'assumed-96', count: 1 }];
  if (!view) {
    const size = { widthMm: widthMm ?? 0, heightMm: heightMm ?? 0 };
    return { matrix: [px, 0, 0, px, 0, 0], view: [size.widthMm / px, size.heightMm / px], ...size, physical, findings };
  }
  const [, , vw, vh] = view;
  // What is not said follows the view box; where nothing is said one user unit is a pixel.
  const size = {
    widthMm: widthMm ?? (heightMm === null ? vw * px : (heightMm * vw) / vh),
    heightMm: heightMm ?? (widthMm === null ? vh * px : (widthMm * vh) / vw),
  };
  const matrix = fitView(view, size.widthMm, size.heightMm, svg.attributes.get('preserveaspectratio'));
  return { matrix, view: [vw, vh], ...size, physical, findings };
}

/** Where the inside of a nested `svg` or a `symbol` stands in the units outside it. */
export function nestedPage(node: MarkupNode, outer: View): { matrix: Matrix; view: View; box: ViewBox } {
  const length = (name: string, of: number) => lengthToUser(node.attributes.get(name), of);
  const x = length('x', outer[0]) ?? 0;
  const y = length('y', outer[1]) ?? 0;
  const width = length('width', outer[0]);
  const height = length('height', outer[1]);
  const view = viewBoxOf(node);
  // Without a size of its own it is as large as what it stands in.
  const box: ViewBox = [x, y, width ?? outer[0], height ?? outer[1]];
  if (!view || !(view[2] > 0 && view[3] > 0)) return { matrix: [1, 0, 0, 1, x, y], view: [box[2], box[3]], box };
  const [a, b, c, d, e, f] = fitView(view, box[2], box[3], node.attributes.get('preserveaspectratio'));
  return { matrix: [a, b, c, d, e + x, f + y], view: [view[2], view[3]], box };
}

/** A length in user units; percentages are of `whole`. Null when it is none. */
export function lengthToUser(text: string | undefined, whole: number): number | null {
  if (text === undefined || text.trim() === '') return null;
  const share = /^\s*([-+]?[\d.]+(?:e[-+]?\d+)?)%\s*$/i.exec(text);
  if (share) return (Number(share[1]) / 100) * whole;
  const parsed = readLength(text);
  if (!parsed) return null;
  return parsed.unit === null ? parsed.value : (parsed.value * MM_PER_UNIT[parsed.unit]) / MM_PER_UNIT.px;
}

export type ViewBox = readonly [x: number, y: number, width: number, height: number];

function viewBoxOf(node: MarkupNode): ViewBox | null {
  const view = (node.attributes.get('viewbox') ?? '')
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  const [x = 0, y = 0, width = 0, height = 0] = view;
  return view.length === 4 && view.every(Number.isFinite) ? [x, y, width, height] : null;
}

/** The view box laid into a width and height as `preserveAspectRatio` says (SVG 2, section 8.6). */
function fitView([vx, vy, vw, vh]: ViewBox, width: number, height: number, preserve = 'xMidYMid meet'): Matrix {
  let sx = width / vw;
  let sy = height / vh;
  let tx = 0;
  let ty = 0;
  if (!/^\s*none/.test(preserve)) {
    sx = sy = /slice/.test(preserve) ? Math.max(sx, sy) : Math.min(sx, sy);
    const share = (axis: string) => (preserve.includes(`${axis}Min`) ? 0 : preserve.includes(`${axis}Max`) ? 1 : 0.5);
    tx = (width - sx * vw) * share('x');
    ty = (height - sy * vh) * share('Y');
  }
  return [sx, 0, 0, sy, tx - sx * vx, ty - sy * vy];
}
