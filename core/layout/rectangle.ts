import { numberAt } from '../units/index.ts';
import { areaOf, moved, type Flat } from './convex.ts';
import type { Rectangle } from './types.ts';

/** Angles that are looked at first, and how often the best of them is halved. */
const ANGLES = 45;
const HALVINGS = 6;
const GOLDEN_STEPS = 15;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * The largest rectangle in a convex polygon, its sides at any angle. At one angle its area is a product of two concave
 * functions of where its sides stand, so that a search by golden section, one within another, ends at the best; over
 * the angles it is looked for at each degree and each side, then nearer round the best.
 */
export function largestRectangle(poly: Flat): Rectangle {
  const tried: { rad: number; width: number; height: number; mm2: number }[] = [];
  const at = (rad: number) => {
    const [width, height] = atAngle(moved(poly, Math.cos(-rad), Math.sin(-rad), 0, 0));
    const found = { rad, width, height, mm2: width * height };
    tried.push(found);
    return found;
  };
  for (let k = 0; k < ANGLES; k++) at((Math.PI / 2) * (k / ANGLES));
  for (let i = 0; i < poly.length; i += 2) {
    const j = (i + 2) % poly.length;
    at(Math.atan2(numberAt(poly, j + 1) - numberAt(poly, i + 1), numberAt(poly, j) - numberAt(poly, i)));
  }
  const best = () => tried.reduce((a, b) => (b.mm2 > a.mm2 + 1e-9 ? b : a));
  for (let k = 1, step = Math.PI / 2 / ANGLES; k <= HALVINGS; k++) {
    step /= 2;
    const { rad } = best();
    at(rad - step);
    at(rad + step);
  }
  const { rad, width, height } = best();
  const quarter = Math.PI / 2;
  const turns = Math.floor(rad / quarter + 1e-12);
  const angleDeg = ((rad - turns * quarter) * 180) / Math.PI;
  return turns % 2 === 0 ? { width, height, angleDeg } : { width: height, height: width, angleDeg };
}

/** Width and height of the largest upright rectangle in a convex polygon. */
function atAngle(poly: Flat): readonly [number, number] {
  if (areaOf(poly) <= 0) return [0, 0];
  let minX = Infinity;
  let maxX = -Infinity;
  for (let i = 0; i < poly.length; i += 2) {
    minX = Math.min(minX, numberAt(poly, i));
    maxX = Math.max(maxX, numberAt(poly, i));
  }
  const heightBetween = (a: number, b: number) => {
    const [lowA, highA] = spanAt(poly, a);
    const [lowB, highB] = spanAt(poly, b);
    return Math.max(0, Math.min(highA, highB) - Math.max(lowA, lowB));
  };
  const right = (left: number) => golden(left, maxX, (x) => (x - left) * heightBetween(left, x));
  const left = golden(minX, maxX, (x) => right(x).value);
  const to = right(left.at).at;
  return [to - left.at, heightBetween(left.at, to)];
}

/** Where a convex polygon lies on the upright line at x. */
function spanAt(poly: Flat, x: number): readonly [number, number] {
  let low = Infinity;
  let high = -Infinity;
  for (let i = 0; i < poly.length; i += 2) {
    const j = (i + 2) % poly.length;
    const [ax, ay] = [numberAt(poly, i), numberAt(poly, i + 1)];
    const [bx, by] = [numberAt(poly, j), numberAt(poly, j + 1)];
    if ((x < ax && x < bx) || (x > ax && x > bx)) continue;
    const y = ax === bx ? ay : ay + ((x - ax) / (bx - ax)) * (by - ay);
    low = Math.min(low, y, ax === bx ? by : y);
    high = Math.max(high, y, ax === bx ? by : y);
  }
  return [low, high];
}

/** The most of a function with one hill between two ends (golden section, Kiefer 1953). */
function golden(from: number, to: number, f: (x: number) => number): { at: number; value: number } {
  let [a, b] = [from, to];
  let c = b - GOLDEN * (b - a);
  let d = a + GOLDEN * (b - a);
  let fc = f(c);
  let fd = f(d);
  for (let i = 0; i < GOLDEN_STEPS; i++) {
    if (fc > fd) {
      [b, d, fd] = [d, c, fc];
      c = b - GOLDEN * (b - a);
      fc = f(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + GOLDEN * (b - a);
      fd = f(d);
    }
  }
  const ends = [
    { at: from, value: f(from) },
    { at: to, value: f(to) },
    { at: (a + b) / 2, value: f((a + b) / 2) },
  ];
  return ends.reduce((best, next) => (next.value > best.value ? next : best));
}
