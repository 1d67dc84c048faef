import { nth, lastOf } from '#core/units';
import { contains, type Point } from '#core/geometry';

/** Lines of a cartoon being composed: what lies in front hides the lines behind it. */
export class Sketch {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly #fronts: Point[][] = [];
  readonly #lines: Point[][] = [];

  constructor(widthMm: number, heightMm: number) {
    this.widthMm = widthMm;
    this.heightMm = heightMm;
  }

  /** A closed shape in front of all that is drawn later; its own outline is hidden only by what came before. */
  shape(outline: readonly Point[]): void {
    this.line([...outline, nth(outline, 0)]);
    this.#fronts.push([...outline]);
  }

  /** A line inside a shape that is already there, and outside another that lies on it. */
  inside(points: readonly Point[], shape: readonly Point[], except?: readonly Point[]): void {
    for (const part of split(points, (p) => contains(shape, p) && !(except && contains(except, p))))
      this.#lines.push(part);
  }

  /** A line from one line down to another, both running from left to right; behind every shape so far. */
  between(points: readonly Point[], above: readonly Point[], below: readonly Point[]): void {
    const free = (p: Point) =>
      p[1] > heightAt(above, p[0]) && p[1] < heightAt(below, p[0]) && !this.#fronts.some((front) => contains(front, p));
    for (const part of split(points, free)) this.#lines.push(part);
  }

  /** A line behind every shape so far. */
  line(points: readonly Point[]): void {
    const seen = (p: Point) => this.#within(p) && !this.#fronts.some((front) => contains(front, p));
    for (const part of split(points, seen)) this.#lines.push(part);
  }

  #within([x, y]: Point): boolean {
    return x >= -0.01 && y >= -0.01 && x <= this.widthMm + 0.01 && y <= this.heightMm + 0.01;
  }

  /** The drawing as an artist would save it: millimetres, centre-lines only. */
  svg(frame = true): string {
    const d = (points: readonly Point[]) =>
      points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`).join('');
    const rim = frame ? `<rect width="${this.widthMm}" height="${this.heightMm}"/>` : '';
    const paths = this.#lines.map((line) => `<path d="${d(line)}"/>`).join('\n');
    return `<svg xmlns="http://www.w3.org/2000/svg" width="${this.widthMm}mm" height="${this.heightMm}mm" viewBox="0 0 ${this.widthMm} ${this.heightMm}">\n<g fill="none" stroke="#222" stroke-width="0.8">\n${rim}\n${paths}\n</g>\n</svg>\n`;
  }
}

/** Height of a line that runs from left to right, at x. */
function heightAt(line: readonly Point[], x: number): number {
  for (let i = 1; i < line.length; i++) {
    const [ax, ay] = nth(line, i - 1);
    const [bx, by] = nth(line, i);
    if (x >= ax && x <= bx) return bx === ax ? ay : ay + ((by - ay) * (x - ax)) / (bx - ax);
  }
  return (x < nth(line, 0)[0] ? nth(line, 0) : lastOf(line))[1];
}

/** Points at most 1.5 mm apart along the same line, so that no crossing is stepped over. */
function dense(points: readonly Point[]): Point[] {
  const result: Point[] = points.slice(0, 1);
  for (let i = 1; i < points.length; i++) {
    const [ax, ay] = nth(points, i - 1);
    const [bx, by] = nth(points, i);
    const n = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / 1.5));
    for (let k = 1; k <= n; k++) result.push([ax + ((bx - ax) * k) / n, ay + ((by - ay) * k) / n]);
  }
  return result;
}

/** The parts of a line where `keep` holds, cut at the crossing to 0.001 mm. */
function split(line: readonly Point[], keep: (p: Point) => boolean): Point[][] {
  const points = dense(line);
  const parts: Point[][] = [];
  let part: Point[] = [];
  const at = (a: Point, b: Point, t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
  for (let i = 0; i < points.length; i++) {
    const here = nth(points, i);
    const before = points[i - 1];
    const on = keep(here);
    if (before && keep(before) !== on) {
      let low = 0;
      let high = 1;
      while ((high - low) * Math.hypot(here[0] - before[0], here[1] - before[1]) > 1e-3) {
        const mid = (low + high) / 2;
        if (keep(at(before, here, mid)) === on) high = mid;
        else low = mid;
      }
      const edge = at(before, here, (low + high) / 2);
      if (on) part = [edge];
      else {
        parts.push([...part, edge]);
        part = [];
      }
    }
    if (on) part.push(here);
  }
  if (part.length > 1) parts.push(part);
  return parts.filter((p) => p.length > 1);
}

/** A smooth line through points (centripetal enough for a drawing: uniform Catmull-Rom), `steps` chords a span. */
export function smooth(points: readonly Point[], closed = false, steps = 10): Point[] {
  const n = points.length;
  const get = (i: number): Point => (closed ? points[(i + n) % n] : points[Math.max(0, Math.min(n - 1, i))]) as Point;
  const result: Point[] = [];
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [p0, p1, p2, p3] = [get(i - 1), get(i), get(i + 1), get(i + 2)];
    for (let s = 0; s < steps; s++) {
      const t = s / steps;
      const f = (k: 0 | 1) =>
        0.5 *
        (2 * p1[k] +
          (p2[k] - p0[k]) * t +
          (2 * p0[k] - 5 * p1[k] + 4 * p2[k] - p3[k]) * t * t +
          (3 * p1[k] - p0[k] - 3 * p2[k] + p3[k]) * t * t * t);
      result.push([f(0), f(1)]);
    }
  }
  if (!closed) result.push(nth(points, n - 1));
  return result;
}

export const circle = (cx: number, cy: number, r: number, n = 64): Point[] =>
  Array.from({ length: n }, (_, i): Point => [
    cx + r * Math.cos((2 * Math.PI * i) / n),
    cy + r * Math.sin((2 * Math.PI * i) / n),
  ]);
