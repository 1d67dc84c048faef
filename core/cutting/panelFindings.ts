import { nth, fromEnd, lastOf, pointAt } from '../units/index.ts';
import type { Cartoon } from '../cartoon/index.ts';
import { nearestOnSegment, type MapLine, type Point } from '../geometry/index.ts';
import { DEFAULT_LIMITS, type Limits, TOLERANCE } from '../limits/index.ts';
import { outerLines } from '../sizing/index.ts';

/** Limits of a panel as a whole, as a studio has set them. */
export type PanelLimits = Pick<Limits, 'mostPanelMm2' | 'mostPanelMm' | 'hingeMm'>;

export type PanelFinding =
  /** A straight line from edge to edge: the panel can fold there. */
  | {
      readonly kind: 'hinge';
      readonly at: Point;
      readonly from: Point;
      readonly to: Point;
      readonly lines: readonly number[];
    }
  | { readonly kind: 'wants-bars'; readonly at: Point; readonly areaMm2: number; readonly longestMm: number }
  | { readonly kind: 'too-large'; readonly at: Point; readonly number: number };

/** Lines run on at a joint when they turn by less than this. */
const ON_DEG = 4;

/** What is weak about the panel as a whole. */
export function panelFindings(
  cartoon: Cartoon,
  size: { readonly widthMm: number; readonly heightMm: number; readonly areaMm2: number },
  limits: PanelLimits = DEFAULT_LIMITS,
): PanelFinding[] {
  const { minX, minY, maxX, maxY } = cartoon.box;
  const longestMm = Math.max(size.widthMm, size.heightMm);
  const bars: PanelFinding[] =
    size.areaMm2 > limits.mostPanelMm2 || longestMm > limits.mostPanelMm
      ? [{ kind: 'wants-bars', at: [(minX + maxX) / 2, (minY + maxY) / 2], areaMm2: size.areaMm2, longestMm }]
      : [];
  return [...bars, ...hinges(cartoon, limits.hingeMm)];
}

function hinges(cartoon: Cartoon, hingeMm: number): PanelFinding[] {
  const { map } = cartoon;
  const rim = outerLines(cartoon);
  const onRim = new Set([...rim].flatMap((i) => [nth(map.lines, i).from, nth(map.lines, i).to]));
  const at = new Map<number, number[]>();
  map.lines.forEach(({ from, to }, i) => {
    if (rim.has(i)) return;
    for (const node of [from, to]) at.set(node, [...(at.get(node) ?? []), i]);
  });
  const found = new Map<string, PanelFinding>();
  for (const start of onRim) {
    for (const first of at.get(start) ?? []) {
      const run: number[] = [];
      let points: Point[] = [pointAt(map.nodes, start)];
      let node = start;
      let line: number | undefined = first;
      while (line !== undefined && !run.includes(line)) {
        const { from, to, points: here }: MapLine = nth(map.lines, line);
        run.push(line);
        const forwards = from === node;
        points = [...points, ...(forwards ? here : [...here].reverse()).slice(1)];
        node = forwards ? to : from;
        if (onRim.has(node)) break;
        const heading = direction(fromEnd(points, 2), lastOf(points));
        line = (at.get(node) ?? []).find((next) => {
          if (run.includes(next)) return false;
          const { from: f, points: there }: MapLine = nth(map.lines, next);
          const away =
            f === node ? direction(pointAt(there, 0), pointAt(there, 1)) : direction(lastOf(there), fromEnd(there, 2));
          return Math.abs(turn(heading, away)) < (ON_DEG * Math.PI) / 180;
        });
      }
      if (!onRim.has(node) || node === start) continue;
      const [from, to] = [pointAt(points, 0), lastOf(points)];
      if (Math.hypot(to[0] - from[0], to[1] - from[1]) < hingeMm || !isStraight(points)) continue;
      const key = [...run].sort((a, b) => a - b).join();
      found.set(key, { kind: 'hinge', at: [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2], from, to, lines: run });
    }
  }
  return [...found.values()];
}

const direction = ([ax, ay]: Point, [bx, by]: Point): number => Math.atan2(by - ay, bx - ax);
const turn = (a: number, b: number): number => Math.atan2(Math.sin(b - a), Math.cos(b - a));

function isStraight(points: readonly Point[]): boolean {
  const [[ax, ay], [bx, by]] = [pointAt(points, 0), lastOf(points)];
  return points.every(([x, y]) => nearestOnSegment(x, y, ax, ay, bx, by).distSq <= TOLERANCE.straightHingeMm ** 2);
}
