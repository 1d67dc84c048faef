import { CAPACITY, TOLERANCE } from '../../limits/index.ts';
import { nth } from '../../units/index.ts';
import { largestStretch, type Matrix } from '../../geometry/index.ts';

/** Collects one shape's subpaths as points in millimetres. Input is in the shape's own units. */
export class PathPen {
  readonly paths: { points: [number, number][]; closed: boolean }[] = [];
  readonly #m: Matrix;
  readonly #toleranceUser: number;
  #path: { points: [number, number][]; closed: boolean } | null = null;
  x = 0;
  y = 0;
  /** Points drawn so far. */
  count = 0;
  #startX = 0;
  #startY = 0;

  constructor(matrix: Matrix) {
    this.#m = matrix;
    const stretch = largestStretch(matrix);
    this.#toleranceUser = stretch > 0 ? TOLERANCE.flatnessMm / stretch : TOLERANCE.flatnessMm;
  }

  moveTo(x: number, y: number): void {
    this.#path = null;
    this.x = this.#startX = x;
    this.y = this.#startY = y;
  }

  lineTo(x: number, y: number): void {
    if (!this.#path) {
      this.#path = { points: [this.#mapped(this.x, this.y)], closed: false };
      this.paths.push(this.#path);
    }
    this.#path.points.push(this.#mapped(x, y));
    this.count++;
    this.x = x;
    this.y = y;
  }

  close(): void {
    if (this.#path) {
      this.#path.closed = true;
      this.#path = null;
    }
    this.x = this.#startX;
    this.y = this.#startY;
  }

  /** n = ⌈√(¾·d/tol)⌉ chords, d the larger second difference: Wang's bound for a cubic. */
  cubicTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void {
    const x0 = this.x;
    const y0 = this.y;
    const d = Math.max(Math.hypot(x0 - 2 * x1 + x2, y0 - 2 * y1 + y2), Math.hypot(x1 - 2 * x2 + x, y1 - 2 * y2 + y));
    const n = chords(Math.sqrt((0.75 * d) / this.#toleranceUser));
    this.#curve(n, (i) => {
      const t = i / n;
      const s = 1 - t;
      const [a, b, c, e] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
      return [a * x0 + b * x1 + c * x2 + e * x, a * y0 + b * y1 + c * y2 + e * y];
    });
    this.x = x;
    this.y = y;
  }

  quadTo(x1: number, y1: number, x: number, y: number): void {
    const x0 = this.x;
    const y0 = this.y;
    this.cubicTo(
      x0 + (2 / 3) * (x1 - x0),
      y0 + (2 / 3) * (y1 - y0),
      x + (2 / 3) * (x1 - x),
      y + (2 / 3) * (y1 - y),
      x,
      y,
    );
  }

  /** Elliptic arc by its centre form (SVG 2, appendix B.2.4), flattened on the ellipse itself. */
  arcTo(rx: number, ry: number, rotationDeg: number, large: boolean, sweep: boolean, x: number, y: number): void {
    const x0 = this.x;
    const y0 = this.y;
    if (x0 === x && y0 === y) return;
    rx = Math.abs(rx);
    ry = Math.abs(ry);
    if (rx === 0 || ry === 0) return this.lineTo(x, y);
    const phi = (rotationDeg * Math.PI) / 180;
    const cos = Math.cos(phi);
    const sin = Math.sin(phi);
    const hx = (x0 - x) / 2;
    const hy = (y0 - y) / 2;
    const px = cos * hx + sin * hy;
    const py = -sin * hx + cos * hy;
    const grow = (px / rx) ** 2 + (py / ry) ** 2;
    if (grow > 1) {
      rx *= Math.sqrt(grow);
      ry *= Math.sqrt(grow);
    }
    const under = (rx * rx * ry * ry - rx * rx * py * py - ry * ry * px * px) / (rx * rx * py * py + ry * ry * px * px);
    const factor = (large === sweep ? -1 : 1) * Math.sqrt(Math.max(0, under));
    const qx = (factor * rx * py) / ry;
    const qy = (-factor * ry * px) / rx;
    const from = Math.atan2((py - qy) / ry, (px - qx) / rx);
    let turn = Math.atan2((-py - qy) / ry, (-px - qx) / rx) - from;
    if (sweep && turn < 0) turn += 2 * Math.PI;
    if (!sweep && turn > 0) turn -= 2 * Math.PI;
    this.ellipse(cos * qx - sin * qy + (x0 + x) / 2, sin * qx + cos * qy + (y0 + y) / 2, rx, ry, phi, from, turn, x, y);
  }

  /** Chords along an ellipse from angle `from` through `turn`, ending exactly at (endX, endY). */
  ellipse(
    cx: number,
    cy: number,
    rx: number,
    ry: number,
    phi: number,
    from: number,
    turn: number,
    endX: number,
    endY: number,
  ): void {
    const step = 2 * Math.acos(Math.max(0, 1 - this.#toleranceUser / Math.max(rx, ry)));
    const cos = Math.cos(phi);
    const sin = Math.sin(phi);
    // In parts of a quarter turn: where it turns back it touches what it was drawn against, and there it stays.
    const parts = Math.max(1, Math.round(Math.abs(turn) / (Math.PI / 2)));
    const n = chords(Math.abs(turn) / parts / (step || 1));
    for (let part = 0; part < parts; part++)
      this.#curve(n, (i) => {
        if (part === parts - 1 && i === n) return [endX, endY];
        const a = from + (turn * (part * n + i)) / (parts * n);
        const ex = rx * Math.cos(a);
        const ey = ry * Math.sin(a);
        return [cx + ex * cos - ey * sin, cy + ex * sin + ey * cos];
      });
  }

  /**
   * n chords along a curve, as many of it outside as inside: on their own all would lie inside, and every piece be too
   * small. A chord cuts off two thirds of its height times its length; each point between the ends, moved outwards by a
   * twelfth of the second difference there (which is eight heights), gives that back. The ends stay where they are.
   */
  #curve(n: number, at: (i: number) => [number, number]): void {
    const balance = n < 2 ? 0 : n / (n - 1) / 12;
    let before: readonly [number, number] = [this.x, this.y];
    let here = at(1);
    for (let i = 1; i < n; i++) {
      const after = at(i + 1);
      const dx = before[0] - 2 * here[0] + after[0];
      const dy = before[1] - 2 * here[1] + after[1];
      this.lineTo(here[0] - dx * balance, here[1] - dy * balance);
      before = here;
      here = after;
    }
    this.lineTo(here[0], here[1]);
  }

  #mapped(x: number, y: number): [number, number] {
    const [a, b, c, d, e, f] = this.#m;
    return [a * x + c * y + e, b * x + d * y + f];
  }
}

const chords = (wanted: number): number =>
  Number.isFinite(wanted) ? Math.min(CAPACITY.chordsOfACurve, Math.max(1, Math.ceil(wanted))) : 1;

const ARGUMENTS: Readonly<Record<string, number>> = { m: 2, l: 2, h: 1, v: 1, c: 6, s: 4, q: 4, t: 2, a: 7, z: 0 };
const NUMBER = /[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/iy;
const SEPARATOR = /[\s,]*/y;

/**
 * Draws SVG path data with a pen. A bad tail ends the path there, and what was valid before it stays
 * (SVG 2, 9.5.4, error handling).
 * @returns false when something had to be left out.
 */
export function drawPathData(d: string, pen: PathPen): boolean {
  let at = 0;
  let command = '';
  let control: [number, number] | null = null;
  let previous = '';
  const skip = () => {
    SEPARATOR.lastIndex = at;
    SEPARATOR.exec(d);
    at = SEPARATOR.lastIndex;
  };
  const number = (isFlag: boolean): number | null => {
    skip();
    if (isFlag) {
      const c = d[at];
      if (c !== '0' && c !== '1') return null;
      at++;
      return Number(c);
    }
    NUMBER.lastIndex = at;
    const match = NUMBER.exec(d);
    if (!match) return null;
    at = NUMBER.lastIndex;
    const value = Number(match[0]);
    return Number.isFinite(value) ? value : null;
  };
  for (skip(); at < d.length && pen.count <= CAPACITY.points; skip()) {
    const c = nth(d, at);
    if (/[a-z]/i.test(c)) {
      if (!(c.toLowerCase() in ARGUMENTS) || (command === '' && c.toLowerCase() !== 'm')) return false;
      command = c;
      at++;
    } else if (command === '' || command.toLowerCase() === 'z') return false;
    const kind = command.toLowerCase();
    const args: number[] = [];
    for (let i = 0; i < (ARGUMENTS[kind] ?? 0); i++) {
      const value = number(kind === 'a' && (i === 3 || i === 4));
      if (value === null) return false;
      args.push(value);
    }
    const relative = command === kind;
    const ox = relative ? pen.x : 0;
    const oy = relative ? pen.y : 0;
    const [p = 0, q = 0, r = 0, s = 0, t = 0, u = 0, v = 0] = args;
    const smooth = (after: string): [number, number] =>
      control && after.includes(previous) ? [2 * pen.x - control[0], 2 * pen.y - control[1]] : [pen.x, pen.y];
    let nextControl: [number, number] | null = null;
    switch (kind) {
      case 'm':
        pen.moveTo(p + ox, q + oy);
        command = relative ? 'l' : 'L';
        break;
      case 'l':
        pen.lineTo(p + ox, q + oy);
        break;
      case 'h':
        pen.lineTo(p + ox, pen.y);
        break;
      case 'v':
        pen.lineTo(pen.x, p + oy);
        break;
      case 'c':
        nextControl = [r + ox, s + oy];
        pen.cubicTo(p + ox, q + oy, r + ox, s + oy, t + ox, u + oy);
        break;
      case 's': {
        const [x1, y1] = smooth('cs');
        nextControl = [p + ox, q + oy];
        pen.cubicTo(x1, y1, p + ox, q + oy, r + ox, s + oy);
        break;
      }
      case 'q':
        nextControl = [p + ox, q + oy];
        pen.quadTo(p + ox, q + oy, r + ox, s + oy);
        break;
      case 't': {
        const [x1, y1] = smooth('qt');
        nextControl = [x1, y1];
        pen.quadTo(x1, y1, p + ox, q + oy);
        break;
      }
      case 'a':
        pen.arcTo(p, q, r, s === 1, t === 1, u + ox, v + oy);
        break;
      case 'z':
        pen.close();
        break;
    }
    control = nextControl;
    previous = kind;
  }
  return true;
}
