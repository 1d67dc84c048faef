import type { LayoutJob } from '../layout/index.ts';
import { areaOf, clip, leastWidth, ringOf, type Flat } from '../layout/convex.ts';
import { nth, numberAt, seededRandom } from '../units/index.ts';

export interface JigsawOptions {
  readonly seed?: number;
  /** Decimals of the outlines. */
  readonly digits?: number;
  /** Every piece has a flow that has to lie along the sheet's. */
  readonly isFixed?: boolean;
  /** So many pieces are lost. */
  readonly missing?: number;
}

/**
 * A sheet of 600 × 400 taken apart by straight breaks right across a part, each piece then turned and written down
 * rounded: all of it can be put together again, and then nothing of the sheet is lost.
 */
export function jigsaw(
  count: number,
  { seed = 1, digits = 2, isFixed = false, missing = 0 }: JigsawOptions = {},
): LayoutJob {
  const random = seededRandom(seed);
  const parts: Flat[] = [[0, 0, 600, 0, 600, 400, 0, 400]];
  while (parts.length < count) {
    parts.sort((a, b) => areaOf(b) - areaOf(a));
    const part = nth(parts, 0);
    const halves = halved(part, random);
    if (halves.every((half) => areaOf(half) > 150 && leastWidth(half) > 8)) parts.splice(0, 1, ...halves);
  }
  const step = 10 ** digits;
  const pieces = parts.map((part, i) => {
    const rad = random() * 2 * Math.PI;
    const [cos, sin] = [Math.cos(rad), Math.sin(rad)];
    return {
      id: String(i),
      outline: ringOf(part).map(
        ([x, y]) =>
          [Math.round((x * cos - y * sin) * step) / step, Math.round((x * sin + y * cos) * step) / step] as const,
      ),
      flowDeg: isFixed ? 90 + (rad * 180) / Math.PI : null,
      flowToleranceDeg: 0,
      turnOver: false,
    };
  });
  for (let k = 0; k < missing; k++) pieces.splice(Math.floor(random() * pieces.length), 1);
  return {
    marginMm: 0,
    edgeMm: 0,
    keepMm: 60,
    sheets: [{ ...rectangle('S', 600, 400), flowDeg: isFixed ? 90 : null }],
    pieces,
  };
}

/** A part broken near its middle, roughly across its longest side. */
function halved(part: Flat, random: () => number): readonly [Flat, Flat] {
  const corners = ringOf(part);
  const cx = corners.reduce((sum, p) => sum + p[0], 0) / corners.length;
  const cy = corners.reduce((sum, p) => sum + p[1], 0) / corners.length;
  let [longest, along] = [0, 0];
  for (let i = 0; i < part.length; i += 2) {
    const j = (i + 2) % part.length;
    const [dx, dy] = [numberAt(part, j) - numberAt(part, i), numberAt(part, j + 1) - numberAt(part, i + 1)];
    if (Math.hypot(dx, dy) > longest) [longest, along] = [Math.hypot(dx, dy), Math.atan2(dy, dx)];
  }
  const rad = along + (random() - 0.5) * 0.9;
  const [nx, ny] = [Math.cos(rad), Math.sin(rad)];
  const c = nx * cx + ny * cy + (random() - 0.5) * 0.25 * longest;
  return [clip(part, nx, ny, c), clip(part, -nx, -ny, -c)];
}

export const rectangle = (id: string, width: number, height: number) => ({
  id,
  outline: [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ] as const,
  flowDeg: 90 as number | null,
  offcut: false,
  flaws: [],
});
