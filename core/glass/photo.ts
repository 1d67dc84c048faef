import { asChannel, asLight, lightOf, type Light } from '#core/colour';
import type { Point } from '#core/geometry';
import { nth } from '#core/units';
import type { GlassLook } from './look.ts';
import { AMOUNT } from './sheet.ts';

/** Dots of red, green, blue and alpha, row after row, as a canvas has them. */
export interface Dots {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray<ArrayBufferLike>;
}

/** Top left, top right, bottom right and bottom left of the sheet, in dots of the photo. */
export type Corners = readonly [Point, Point, Point, Point];

/** Corners that lie in this order round a hull and hold this share of the picture are those of a sheet. */
const LEAST_SHARE = 0.01;

/** Whether four corners go once round a quadrangle without a dent, the top left first. */
export function cornersFault(corners: Corners, { width, height }: Pick<Dots, 'width' | 'height'>): boolean {
  let area = 0;
  for (let i = 0; i < 4; i++) {
    const [a, b, c] = [at(corners, i), at(corners, i + 1), at(corners, i + 2)];
    if ((b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]) <= 0) return true;
    area += (a[0] * b[1] - b[0] * a[1]) / 2;
  }
  return area < LEAST_SHARE * width * height;
}
const at = (corners: Corners, i: number): Point => nth(corners, i % 4);

/**
 * Where a point of the unit square stands in a quadrangle seen in perspective (Heckbert, Fundamentals of Texture Mapping
 * and Image Warping, 1989: square to quadrilateral).
 */
export function inPerspective([p0, p1, p2, p3]: Corners): (u: number, v: number) => Point {
  const [dx1, dx2] = [p1[0] - p2[0], p3[0] - p2[0]];
  const [dy1, dy2] = [p1[1] - p2[1], p3[1] - p2[1]];
  const [sx, sy] = [p0[0] - p1[0] + p2[0] - p3[0], p0[1] - p1[1] + p2[1] - p3[1]];
  const den = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / den;
  const h = (dx1 * sy - sx * dy1) / den;
  const [a, b] = [p1[0] - p0[0] + g * p1[0], p3[0] - p0[0] + h * p3[0]];
  const [d, e] = [p1[1] - p0[1] + g * p1[1], p3[1] - p0[1] + h * p3[1]];
  return (u, v) => {
    const w = g * u + h * v + 1;
    return [(a * u + b * v + p0[0]) / w, (d * u + e * v + p0[1]) / w];
  };
}

/**
 * The sheet in a photo, seen straight on.
 * @param width dots of the answer
 */
export function straightened(photo: Dots, corners: Corners, width: number, height: number): Dots {
  const place = inPerspective(corners);
  const data = new Uint8ClampedArray(4 * width * height);
  const [mostX, mostY] = [photo.width - 1, photo.height - 1];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const [px, py] = place((x + 0.5) / width, (y + 0.5) / height);
      const fx = Math.max(0, Math.min(mostX, px - 0.5));
      const fy = Math.max(0, Math.min(mostY, py - 0.5));
      const [x0, y0] = [Math.floor(fx), Math.floor(fy)];
      const [x1, y1] = [Math.min(mostX, x0 + 1), Math.min(mostY, y0 + 1)];
      const [tx, ty] = [fx - x0, fy - y0];
      const k = 4 * (y * width + x);
      for (let c = 0; c < 3; c++) {
        const dot = (i: number, j: number) => photo.data[4 * (j * photo.width + i) + c] ?? 0;
        const top = dot(x0, y0) * (1 - tx) + dot(x1, y0) * tx;
        data[k + c] = top * (1 - ty) + (dot(x0, y1) * (1 - tx) + dot(x1, y1) * tx) * ty;
      }
      data[k + 3] = 255;
    }
  }
  return { width, height, data };
}

/** Places along each side at which the light is measured. */
const GRID = 24;
const LEAST_LIGHT = 1e-3;

/**
 * Takes out of a photo that its light was brighter on one side or in the middle: a surface of the second degree is laid
 * through the logarithm of its light (least squares), and what that has more or less than its mean is taken off. Streaks
 * are narrower and stay.
 */
export function evenlyLit({ width, height, data }: Dots): Dots {
  const sums: number[] = Array.from({ length: 36 }, () => 0);
  const right: number[] = Array.from({ length: 6 }, () => 0);
  const places: { readonly row: readonly number[]; readonly log: number }[] = [];
  for (let j = 0; j < GRID; j++)
    for (let i = 0; i < GRID; i++) {
      const [u, v] = [(i + 0.5) / GRID - 0.5, (j + 0.5) / GRID - 0.5];
      places.push({
        row: termsOf(u, v),
        log: Math.log(Math.max(LEAST_LIGHT, meanLight({ width, height, data }, i, j))),
      });
    }
  for (const { row, log } of places)
    for (let a = 0; a < 6; a++) {
      right[a] = (right[a] ?? 0) + (row[a] ?? 0) * log;
      for (let b = 0; b < 6; b++) sums[6 * a + b] = (sums[6 * a + b] ?? 0) + (row[a] ?? 0) * (row[b] ?? 0);
    }
  const fit = solved(sums, right);
  const surface = (u: number, v: number) => termsOf(u, v).reduce((sum, term, i) => sum + term * (fit[i] ?? 0), 0);
  const mean =
    places.reduce((sum, { row }) => sum + row.reduce((s, term, i) => s + term * (fit[i] ?? 0), 0), 0) / places.length;
  const out = new Uint8ClampedArray(data.length);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const share = Math.exp(mean - surface((x + 0.5) / width - 0.5, (y + 0.5) / height - 0.5));
      const k = 4 * (y * width + x);
      for (let c = 0; c < 3; c++) out[k + c] = 255 * asChannel(Math.min(1, share * linear(data[k + c] ?? 0)));
      out[k + 3] = 255;
    }
  return { width, height, data: out };
}

const termsOf = (u: number, v: number): readonly number[] => [1, u, v, u * u, u * v, v * v];

/** The mean light of one field of the grid. */
function meanLight({ width, height, data }: Dots, i: number, j: number): number {
  const [fromX, toX] = [Math.floor((i * width) / GRID), Math.max(1, Math.floor(((i + 1) * width) / GRID))];
  const [fromY, toY] = [Math.floor((j * height) / GRID), Math.max(1, Math.floor(((j + 1) * height) / GRID))];
  let [sum, count] = [0, 0];
  // Every third dot tells as much.
  for (let y = fromY; y < Math.min(height, toY); y += 3)
    for (let x = fromX; x < Math.min(width, toX); x += 3) {
      const k = 4 * (y * width + x);
      sum += luminance(linear(data[k] ?? 0), linear(data[k + 1] ?? 0), linear(data[k + 2] ?? 0));
      count++;
    }
  return count === 0 ? LEAST_LIGHT : sum / count;
}

/** As the eye weighs red, green and blue (ITU-R BT.709). */
const luminance = (r: number, g: number, b: number): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;

const LINEAR = Float64Array.from({ length: 256 }, (_, i) => asLight(i / 255));
const linear = (channel: number): number => LINEAR[channel & 255] ?? 0;

/** Six equations with six unknowns (Gauss, the largest pivot first). */
function solved(matrix: readonly number[], right: readonly number[]): number[] {
  const rows = right.map((value, i) => [...matrix.slice(6 * i, 6 * i + 6), value]);
  for (let col = 0; col < 6; col++) {
    const best = rows
      .slice(col)
      .reduce((b, row, i) => (Math.abs(row[col] ?? 0) > Math.abs(rows[b]?.[col] ?? 0) ? col + i : b), col);
    const pivot = nth(rows, best);
    rows[best] = nth(rows, col);
    rows[col] = pivot;
    for (const [i, row] of rows.entries()) {
      if (i === col) continue;
      const share = (row[col] ?? 0) / (pivot[col] ?? 1);
      for (let k = col; k < 7; k++) row[k] = (row[k] ?? 0) - share * (pivot[k] ?? 0);
    }
  }
  return rows.map((row, i) => (row[6] ?? 0) / (row[i] ?? 1));
}

/** A photo as what its sheet lets through. */
export interface PhotoTile {
  readonly width: number;
  readonly height: number;
  readonly through: Uint16Array;
  readonly sheen: Uint16Array;
}

/** A sheet that lies on a bench throws back so much. From memory. */
const SHEEN = 0.05;

/**
 * A photo of a sheet as what that lets through. How bright the lamp behind it was nobody knows: on the whole it lets through
 * as much light as the colour of its glass says.
 */
export function throughPhoto(
  { width, height, data }: Dots,
  { colour, coat }: Pick<GlassLook, 'colour' | 'coat'>,
): PhotoTile {
  const count = width * height;
  let sum = 0;
  for (let k = 0; k < count; k++)
    sum += luminance(linear(data[4 * k] ?? 0), linear(data[4 * k + 1] ?? 0), linear(data[4 * k + 2] ?? 0));
  const own: Light = lightOf(colour);
  const scale = Math.min(4, luminance(...own) / Math.max(LEAST_LIGHT, sum / count));
  const through = new Uint16Array(3 * count);
  const sheen = new Uint16Array(3 * count);
  const passes = coat === 'mirror' ? 0 : AMOUNT * scale;
  for (let k = 0; k < count; k++)
    for (let c = 0; c < 3; c++) {
      const light = linear(data[4 * k + c] ?? 0);
      through[3 * k + c] = Math.min(65535, passes * light);
      sheen[3 * k + c] = AMOUNT * (coat === 'mirror' ? 0.6 * light : SHEEN);
    }
  return { width, height, through, sheen };
}

/** The colour of a part of a picture as it looks on the whole: the mean of its light, `#rrggbb`. */
export function meanColour({ width, data }: Dots, [x, y]: Point, radius: number): string {
  const sums = [0, 0, 0];
  let count = 0;
  const rows = data.length / 4 / width;
  for (let j = Math.max(0, Math.floor(y - radius)); j <= Math.min(rows - 1, y + radius); j++)
    for (let i = Math.max(0, Math.floor(x - radius)); i <= Math.min(width - 1, x + radius); i++) {
      if ((i - x) ** 2 + (j - y) ** 2 > radius ** 2) continue;
      for (let c = 0; c < 3; c++) sums[c] = (sums[c] ?? 0) + linear(data[4 * (j * width + i) + c] ?? 0);
      count++;
    }
  const channel = (sum: number) =>
    Math.round(255 * asChannel(count === 0 ? 0 : sum / count))
      .toString(16)
      .padStart(2, '0');
  return `#${sums.map(channel).join('')}`;
}
