import { Delaunay } from 'd3-delaunay';
import { seededRandom } from '../units/index.ts';
import { doc } from './panels.ts';

/** Drawings for leading, in mm. */
export const grid = (across: number, down: number, paneMm: number): string =>
  doc(
    across * paneMm,
    down * paneMm,
    [
      ...Array.from({ length: across + 1 }, (_, i) => `<path d="M${i * paneMm} 0V${down * paneMm}"/>`),
      ...Array.from({ length: down + 1 }, (_, j) => `<path d="M0 ${j * paneMm}H${across * paneMm}"/>`),
    ].join(''),
  );

/** Courses of panes, every other one shifted by half a pane. */
export function courses(across: number, down: number): string {
  const parts = [`<rect width="${across * 80}" height="${down * 50}"/>`];
  for (let j = 1; j < down; j++) parts.push(`<path d="M0 ${j * 50}H${across * 80}"/>`);
  for (let j = 0; j < down; j++)
    for (let i = 1; i < across; i++) parts.push(`<path d="M${i * 80 - (j % 2) * 40} ${j * 50}v50"/>`);
  return doc(across * 80, down * 50, parts.join(''));
}

/** Four oblongs round a square, each held by the next. */
export const PINWHEEL = doc(
  300,
  300,
  '<rect width="300" height="300"/><path d="M100 0V200"/><path d="M0 200H200"/><path d="M200 300V100"/><path d="M300 100H100"/>',
);

/** A disc in a ring of eight in a square. */
export function medallion(): string {
  const parts = [
    '<rect width="400" height="400"/><circle cx="200" cy="200" r="80"/><circle cx="200" cy="200" r="140"/>',
  ];
  const spoke = (rad: number, from: number, to: number, toCorner = false) => {
    const [c, s] = [Math.cos(rad), Math.sin(rad)];
    const end = toCorner ? [200 + 200 * Math.sign(c), 200 + 200 * Math.sign(s)] : [200 + to * c, 200 + to * s];
    parts.push(`<path d="M${200 + from * c} ${200 + from * s}L${end.join(' ')}"/>`);
  };
  for (let k = 0; k < 8; k++) spoke((k * Math.PI) / 4 + 0.2, 80, 140);
  for (let k = 0; k < 4; k++) spoke((k * Math.PI) / 2 + Math.PI / 4, 140, 200, true);
  return doc(400, 400, parts.join(''));
}

/** A disc in a pane: whichever comes first, the other can not be slid in. */
export const DISC_IN_PANE = doc(200, 200, '<rect width="200" height="200"/><circle cx="100" cy="100" r="40"/>');

/** A key whose bow hangs in the piece round it. */
export const KEY = doc(
  300,
  200,
  '<rect width="300" height="200"/><path d="M150 0V70C120 60 110 100 130 115C150 130 190 120 170 75"/><path d="M170 75L180 200"/>',
);

/** Cells of random points, made rounder. */
export function cells(count: number, seed: number, width = 600, height = 500): string {
  const random = seededRandom(seed);
  let points = Array.from({ length: count }, (): [number, number] => [random() * width, random() * height]);
  const box: [number, number, number, number] = [0, 0, width, height];
  for (let k = 0; k < 2; k++) {
    const voronoi = Delaunay.from(points).voronoi(box);
    points = points.map((_, i) => {
      const ring = voronoi.cellPolygon(i).slice(1);
      const sum = ring.reduce(([x, y], p) => [x + p[0], y + p[1]] as [number, number], [0, 0] as [number, number]);
      return [sum[0] / ring.length, sum[1] / ring.length];
    });
  }
  const lines = Delaunay.from(points).voronoi(box).render();
  return doc(width, height, `<path d="${lines}"/><rect width="${width}" height="${height}"/>`);
}

/** Long waves with uprights between them. */
export function waves(rows: number, seed: number): string {
  const random = seededRandom(seed);
  const parts = [`<rect width="500" height="${rows * 50}"/>`];
  const lines = Array.from({ length: rows - 1 }, (_, j) => {
    const turn = random() * 6;
    return (x: number) => (j + 1) * 50 + 9 * Math.sin(x / 45 + turn);
  });
  for (const y of lines) {
    const points = Array.from({ length: 251 }, (_, i) => `${2 * i} ${y(2 * i).toFixed(4)}`);
    parts.push(`<path d="M${points.join('L')}"/>`);
  }
  for (let j = 0; j < rows; j++)
    for (let i = 1; i < 6; i++) {
      const x = Math.round(i * 83 + (random() - 0.5) * 50);
      const [top, bottom] = [lines[j - 1]?.(x) ?? 0, lines[j]?.(x) ?? rows * 50];
      parts.push(`<path d="M${x} ${top.toFixed(4)}V${bottom.toFixed(4)}"/>`);
    }
  return doc(500, rows * 50, parts.join(''));
}

/** Curved arms round a middle, each of which begins on the next: letting all go through may leave no order. */
export function curvedPinwheel(arms: number, twist: number): string {
  const parts = ['<rect width="400" height="400"/>'];
  const at = (rad: number, r: number): readonly [number, number] => [200 + r * Math.cos(rad), 200 + r * Math.sin(rad)];
  for (let k = 0; k < arms; k++) {
    const [from, step] = [(k * 2 * Math.PI) / arms + 0.13, (2 * Math.PI) / arms];
    const points = Array.from({ length: 51 }, (_, i) => at(from + (i / 50) * step, 60));
    for (let i = 1; i <= 50; i++) {
      const [x, y] = at(from + step + (twist * i) / 50, 60 + (240 * i) / 50);
      points.push([Math.max(0, Math.min(400, x)), Math.max(0, Math.min(400, y))]);
      if (x <= 0 || x >= 400 || y <= 0 || y >= 400) break;
    }
    parts.push(`<path d="M${points.map(([x, y]) => `${x.toFixed(4)} ${y.toFixed(4)}`).join('L')}"/>`);
  }
  return doc(400, 400, parts.join(''));
}
