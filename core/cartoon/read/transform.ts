import { compose, IDENTITY, type Matrix } from '../../geometry/index.ts';
import { lengthToUser } from './svgPage.ts';

const CALL = /([a-z]+)\s*\(([^)]*)\)/gi;
const rad = (deg: number) => (deg * Math.PI) / 180;

/** Degrees of the units that a style may give an angle in. */
const DEG_PER_UNIT: Readonly<Record<string, number>> = { deg: 1, grad: 0.9, rad: 180 / Math.PI, turn: 360 };

/** A bare number, an angle in degrees or a length in user units. */
function readMeasure(text: string): number {
  const angle = /^(.*?\d\.?)(deg|grad|rad|turn)$/i.exec(text);
  const perUnit = DEG_PER_UNIT[angle?.[2]?.toLowerCase() ?? ''];
  if (angle && perUnit !== undefined) return Number(angle[1]) * perUnit;
  return lengthToUser(text, Number.NaN) ?? Number.parseFloat(text);
}

/** The matrix of a transform as attribute or style; null when it holds something that is no transform. */
export function readTransform(text: string | undefined): Matrix | null {
  if (text === undefined || text.trim() === '' || text.trim() === 'none') return IDENTITY;
  let matrix: Matrix = IDENTITY;
  let found = false;
  for (const [, name = '', inside = ''] of text.matchAll(CALL)) {
    found = true;
    const n = inside
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(readMeasure);
    if (n.some((value) => !Number.isFinite(value))) return null;
    const step = one(name.toLowerCase(), n);
    if (!step) return null;
    matrix = compose(matrix, step);
  }
  return found ? matrix : null;
}

function one(name: string, n: readonly number[]): Matrix | null {
  const [a = 0, b, c, d = 0, e = 0, f = 0] = n;
  switch (name) {
    case 'matrix':
      return n.length === 6 ? [a, b ?? 0, c ?? 0, d, e, f] : null;
    case 'translate':
      return [1, 0, 0, 1, a, b ?? 0];
    case 'translatex':
      return [1, 0, 0, 1, a, 0];
    case 'translatey':
      return [1, 0, 0, 1, 0, a];
    case 'scalex':
      return [a, 0, 0, 1, 0, 0];
    case 'scaley':
      return [1, 0, 0, a, 0, 0];
    case 'scale':
      return [n.length ? a : 1, 0, 0, b ?? (n.length ? a : 1), 0, 0];
    case 'rotate': {
      const turn: Matrix = [Math.cos(rad(a)), Math.sin(rad(a)), -Math.sin(rad(a)), Math.cos(rad(a)), 0, 0];
      if (b === undefined) return turn;
      return compose(compose([1, 0, 0, 1, b, c ?? 0], turn), [1, 0, 0, 1, -b, -(c ?? 0)]);
    }
    case 'skewx':
      return [1, 0, Math.tan(rad(a)), 1, 0, 0];
    case 'skewy':
      return [1, Math.tan(rad(a)), 0, 1, 0, 0];
    default:
      return null;
  }
}
