import type { Cartoon } from '../cartoon/index.ts';
import type { Point } from '../geometry/index.ts';
import { nth, pointAt } from '../units/index.ts';
import type { LineAllowance } from './allowance.ts';
import { outerSides, outsideOfOutline } from './border.ts';
import { outerLines } from './cutOutline.ts';
import { readProfile, rimOf } from './profiles.ts';

/** A came as it lies on the glass: its middle line and the width of its face, mm. */
export interface CameBand {
  /** The line of the drawing that it follows. */
  readonly line: number;
  readonly points: readonly Point[];
  readonly faceMm: number;
  readonly isBorder: boolean;
}

/** Sharper corners of a border are not mitred to their very tip. */
const MOST_MITRE = 4;

/**
 * Every came of a panel where it lies. An inner one lies over its line; that of the border lies beside the outline, so far
 * out or in as the outline means the glass's edge or the came's outside. In a panel of foil only what has a came of its own.
 */
export function cameBands(cartoon: Cartoon, allowance: LineAllowance): CameBand[] {
  const outer = outerLines(cartoon);
  const inner = cartoon.map.lines.flatMap(({ points }, line): CameBand[] => {
    if (outer.has(line)) return [];
    const faceMm = innerFace(allowance, cartoon.profiles?.[line] ?? null);
    return faceMm === null ? [] : [{ line, points, faceMm, isBorder: false }];
  });
  const sides = [...outerSides(cartoon)];
  const ends = new Map(sides.map((side) => [keyOf(nth(side.points, 0)), side]));
  const into = new Map(sides.map((side) => [keyOf(nth(side.points, side.points.length - 1)), side]));
  const border = sides.flatMap(({ points, code, line }): CameBand[] => {
    const { isFoil, hidesMm } = rimOf(allowance, code);
    if (isFoil) return [];
    const inMm = hidesMm / 2 - outsideOfOutline(allowance, code);
    const before = into.get(keyOf(nth(points, 0)))?.points;
    const after = ends.get(keyOf(nth(points, points.length - 1)))?.points;
    return [{ line, points: moved(points, inMm, before?.at(-2), after?.[1]), faceMm: hidesMm, isBorder: true }];
  });
  return [...inner, ...border];
}

function innerFace(allowance: LineAllowance, code: string | null): number | null {
  const profile = code === null ? null : readProfile(code);
  if (profile) return profile.kind === 'foil' ? null : profile.faceMm;
  return allowance.technique === 'lead' ? allowance.faceMm : null;
}

const keyOf = ([x, y]: Point): string => `${x} ${y}`;

/** A line moved to its right by a distance, its corners mitred, also those with the lines before and after it. */
function moved(points: readonly Point[], mm: number, before: Point | undefined, after: Point | undefined): Point[] {
  const all = [...(before ? [before] : []), ...points, ...(after ? [after] : [])];
  const first = before ? 1 : 0;
  return points.map((_, i): Point => {
    const at = first + i;
    const [x, y] = pointAt(all, at);
    const into = at > 0 ? normal(pointAt(all, at - 1), [x, y]) : null;
    const out = at < all.length - 1 ? normal([x, y], pointAt(all, at + 1)) : null;
    const [ax, ay] = into ?? out ?? [0, 0];
    const [bx, by] = out ?? into ?? [0, 0];
    const [sx, sy] = [ax + bx, ay + by];
    // The mitre reaches by 1/cos² of half the turn along the sum of both normals.
    const reach = Math.min(MOST_MITRE, 2 / Math.max(1e-9, sx * sx + sy * sy));
    return [x + sx * reach * mm, y + sy * reach * mm];
  });
}

/** Of length 1, to the right as walked, y down. */
function normal([ax, ay]: Point, [bx, by]: Point): Point {
  const length = Math.hypot(bx - ax, by - ay) || 1;
  return [-(by - ay) / length, (bx - ax) / length];
}
