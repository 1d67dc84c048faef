import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import { readSvg } from '../cartoon/index.ts';
import { seededRandom } from '../units/index.ts';

/** Test drawings: nets of lines whose pieces are known. All in millimetres. */

const doc = (width: number, height: number, body: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}"><g fill="none" stroke="black">${body}</g></svg>`;

/** `across` × `down` panes, every edge a line of its own; each free end may be off by up to `jitterMm`. */
export function paneNet(
  across: number,
  down: number,
  paneMm: number,
  options: { jitterMm?: number; doubledShare?: number; curved?: boolean; seed?: number } = {},
): string {
  const { jitterMm = 0, doubledShare = 0, curved = false, seed = 1 } = options;
  const random = seededRandom(seed);
  // Inner nodes stand a little off the raster, so that nothing is collinear by accident.
  const node = Array.from({ length: down + 1 }, (_, j) =>
    Array.from({ length: across + 1 }, (_, i) => {
      const edge = i === 0 || j === 0 || i === across || j === down;
      return [
        i * paneMm + (edge ? 0 : (random() - 0.5) * paneMm * 0.3),
        j * paneMm + (edge ? 0 : (random() - 0.5) * paneMm * 0.3),
      ] as const;
    }),
  );
  const shake = () => (random() * 2 - 1) * jitterMm * Math.SQRT1_2;
  const parts: string[] = [];
  const line = (a: readonly [number, number], b: readonly [number, number]) => {
    const [ax, ay, bx, by] = [a[0] + shake(), a[1] + shake(), b[0] + shake(), b[1] + shake()].map((v) => v.toFixed(4));
    const bow = curved ? paneMm * 0.12 : 0;
    const d = curved
      ? `M${ax} ${ay}C${Number(ax) + (Number(bx) - Number(ax)) / 3 + bow * 0.5} ${Number(ay) + (Number(by) - Number(ay)) / 3 + bow} ${Number(bx) - (Number(bx) - Number(ax)) / 3 + bow * 0.5} ${Number(by) - (Number(by) - Number(ay)) / 3 + bow} ${bx} ${by}`
      : `M${ax} ${ay}L${bx} ${by}`;
    parts.push(`<path d="${d}"/>`);
    if (random() < doubledShare) parts.push(`<path d="${d}"/>`);
  };
  for (let j = 0; j <= down; j++)
    for (let i = 0; i <= across; i++) {
      const here = node[j]?.[i];
      const right = node[j]?.[i + 1];
      const below = node[j + 1]?.[i];
      if (here && right) line(here, right);
      if (here && below) line(here, below);
    }
  return doc(across * paneMm, down * paneMm, parts.join(''));
}

/** A pane net as a thick pen would draw it: both sides of every line, as one filled shape or as outlines apart. */
export function inkedNet(
  across: number,
  down: number,
  penMm: number,
  options: { curved?: boolean; seed?: number; apart?: boolean } = {},
): string {
  const raw = readSvg(paneNet(across, down, 20, options));
  if ('refusal' in raw) throw new Error(raw.refusal);
  const lines = raw.lines.map(({ points }) =>
    points.map(([x, y]) => ({ x: Math.round(x * 1e4), y: Math.round(y * 1e4) })),
  );
  const strokes = Clipper.inflatePaths(lines, (penMm / 2) * 1e4, JoinType.Round, EndType.Round);
  const outlines = Clipper.union(strokes, FillRule.NonZero).map(
    (path) =>
      `M${path.map(({ x, y }) => `${(Number(x) / 1e4).toFixed(3)} ${(Number(y) / 1e4).toFixed(3)}`).join('L')}Z`,
  );
  const body = options.apart
    ? outlines.map((d) => `<path fill="none" stroke="#000" d="${d}"/>`).join('')
    : `<path fill="#000" stroke="none" fill-rule="evenodd" d="${outlines.join('')}"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${across * 20 + 10}mm" height="${down * 20 + 10}mm" viewBox="-5 -5 ${across * 20 + 10} ${down * 20 + 10}">${body}</svg>`;
}

export { doc };
