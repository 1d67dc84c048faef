import type { Point } from '#core/geometry';
import { seededRandom, nth, lastOf } from '#core/units';
import { Sketch, smooth } from './sketch.ts';

/** A stair light: a border of fixed width, and tide lines that take the rest. */
export function drawTideLight(widthMm: number, heightMm: number, seed: number, rows = 9): string {
  const s = new Sketch(widthMm, heightMm);
  const random = seededRandom(seed);
  const border = 32;
  const inner: Point[] = [
    [border, border],
    [widthMm - border, border],
    [widthMm - border, heightMm - border],
    [border, heightMm - border],
  ];
  const strips = Math.max(3, Math.round(heightMm / 180));
  for (let i = 1; i < strips; i++) {
    const y = (heightMm * i) / strips;
    s.line([
      [0, y],
      [border, y],
    ]);
    s.line([
      [widthMm - border, y],
      [widthMm, y],
    ]);
  }
  s.line([...inner, nth(inner, 0)]);
  for (const [x, y, ax, ay] of [
    [0, 0, border, border],
    [widthMm, 0, widthMm - border, border],
    [widthMm, heightMm, widthMm - border, heightMm - border],
    [0, heightMm, border, heightMm - border],
  ] as const)
    s.line([
      [x, y],
      [ax, ay],
    ]);
  const left = border;
  const right = widthMm - border;
  const lines: Point[][] = [];
  for (let i = 0; i <= rows; i++) {
    const y = border + ((heightMm - 2 * border) * i) / rows;
    const sway = i === 0 || i === rows ? 0 : 7 + 5 * random();
    const line = smooth(
      [
        [left, y],
        [left + (right - left) / 3, y - sway],
        [left + (2 * (right - left)) / 3, y + sway],
        [right, y - sway * 0.3],
      ],
      false,
      12,
    );
    lines.push(line);
    if (sway > 0) s.line(line);
  }
  const heightAt = (line: readonly Point[], x: number) => (line.find((p) => p[0] >= x) ?? lastOf(line))[1];
  for (let i = 0; i < rows; i++) {
    for (const share of i % 2 ? [0.36, 0.7] : [0.52]) {
      const x = left + (right - left) * (share + (random() - 0.5) * 0.08);
      const lean = (i % 2 ? 8 : -8) * random();
      const top = heightAt(nth(lines, i), x);
      const foot = heightAt(nth(lines, i + 1), x + lean);
      s.between(
        [
          [x, top - 6],
          [x + lean, foot + 6],
        ],
        nth(lines, i),
        nth(lines, i + 1),
      );
    }
  }
  return s.svg();
}

/** Six sides of a porch lantern, laid flat beside each other; each is an outline of its own. */
export function drawLantern(): string {
  const s = new Sketch(620, 230);
  for (let k = 0; k < 6; k++) {
    const x = k * 102 - 4;
    const edge = (y: number, side: -1 | 1) => x + 56 + side * (22 + (26 * (y - 10)) / 210);
    const line = (y: number): [Point, Point] => [
      [edge(y, -1), y],
      [edge(y, 1), y],
    ];
    const [a, b] = line(10);
    const [d, c] = line(220);
    s.line([a, b, c, d, a]);
    s.line([...line(132)]);
    s.line([...line(186)]);
    s.line(
      smooth(
        [
          [x + 56, 10],
          [x + 62, 66],
          [x + 56, 132],
        ],
        false,
        8,
      ),
    );
    s.line(
      smooth(
        [
          [x + 40, 132],
          [x + 46, 160],
          [x + 40, 186],
        ],
        false,
        6,
      ),
    );
  }
  return s.svg(false);
}

/** A half-round fanlight of rays and rings, 680 mm across. */
export function drawFanlight(): string {
  const [cx, cy, r] = [340, 340, 340];
  const s = new Sketch(680, 340);
  const arc = (radius: number): Point[] =>
    Array.from({ length: 73 }, (_, i): Point => [
      cx - radius * Math.cos((Math.PI * i) / 72),
      cy - radius * Math.sin((Math.PI * i) / 72),
    ]);
  s.line([...arc(r), [0, cy]]);
  for (const radius of [96, 190, 272]) s.line(arc(radius));
  for (let i = 1; i < 9; i++) {
    const angle = (Math.PI * i) / 9;
    const ray = (from: number, to: number): Point[] => [
      [cx - from * Math.cos(angle), cy - from * Math.sin(angle)],
      [cx - to * Math.cos(angle), cy - to * Math.sin(angle)],
    ];
    s.line(ray(i % 3 === 0 ? 0 : 96, r));
  }
  return s.svg(false);
}

/** A batch of six small hangings: little fish of four pieces each. */
export function drawFish(): string {
  const s = new Sketch(360, 190);
  for (let k = 0; k < 6; k++) {
    const x = 10 + (k % 3) * 118;
    const y = 45 + Math.floor(k / 3) * 95;
    const body = smooth(
      [
        [x, y],
        [x + 34, y - 28],
        [x + 74, y - 14],
        [x + 88, y],
        [x + 74, y + 14],
        [x + 34, y + 28],
      ],
      true,
      8,
    );
    s.line([...body, nth(body, 0)]);
    s.line([
      [x + 88, y],
      [x + 110, y - 26],
      [x + 102, y],
      [x + 110, y + 26],
      [x + 88, y],
    ]);
    s.inside(
      smooth([
        [x + 26, y - 40],
        [x + 30.5, y],
        [x + 26, y + 40],
      ]),
      body,
    );
    s.inside(
      smooth([
        [x + 30.5, y],
        [x + 60, y - 5],
        [x + 92, y],
      ]),
      body,
    );
  }
  return s.svg(false);
}

/** A plain leaded light of diamonds, as in the finished jobs of the demo. */
export function drawDiamonds(widthMm: number, heightMm: number, across: number): string {
  const s = new Sketch(widthMm, heightMm);
  const stepX = widthMm / across;
  const stepY = stepX * 1.4;
  const down = Math.ceil(heightMm / stepY);
  for (let i = -down; i <= across; i++) {
    s.line(chain([i * stepX, 0], [(i + down) * stepX, down * stepY], 200));
    s.line(chain([(i + down) * stepX, 0], [i * stepX, down * stepY], 200));
  }
  return s.svg();
}

const chain = (a: Point, b: Point, n: number): Point[] =>
  Array.from({ length: n + 1 }, (_, i): Point => [a[0] + ((b[0] - a[0]) * i) / n, a[1] + ((b[1] - a[1]) * i) / n]);
