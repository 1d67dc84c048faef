import { TOLERANCE } from '../limits/index.ts';
import { boxOf, hullIndices, type Ring } from '../geometry/index.ts';
import { pointAt } from '../units/index.ts';
import type { Glass, StockItem } from './types.ts';

/** A piece that wants glass: its cut outline, or its measures where that is not at hand. */
export interface Wanted {
  /** Outer ring of the cut outline, mm. */
  readonly ring: Ring | null;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly areaMm2: number;
  /** Flow, clockwise from x as seen, modulo 180; null when any way will do. */
  readonly flowDeg: number | null;
}

/** The way a piece has to lie: only where its glass has a flow, and one was asked for. */
export const wantedFlow = (glass: Pick<Glass, 'flow'> | undefined, flowDeg: number | null): number | null =>
  glass?.flow ? flowDeg : null;

type Item = Pick<StockItem, 'kind' | 'widthMm' | 'heightMm' | 'areaMm2' | 'id' | 'gone'>;

/**
 * Whether a piece goes onto a sheet at all. A sheet's flow runs along its height; a piece with a flow angle may only be
 * turned so that both run alike, another one any way.
 * @param edgeMm strip along the sheet's edge that no piece is cut from
 */
export function fitsOn(
  wanted: Omit<Wanted, 'areaMm2'>,
  sheet: Pick<Item, 'widthMm' | 'heightMm'>,
  edgeMm: number,
): boolean {
  const { flowDeg, widthMm, heightMm } = wanted;
  const [w, h] = [sheet.widthMm - 2 * edgeMm, sheet.heightMm - 2 * edgeMm];
  const ring: Ring = wanted.ring ?? [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
  ];
  const { minX, minY, maxX, maxY } = boxOf(ring);
  // What is no longer across its box than the sheet is wide goes onto it however it is turned.
  if (Math.hypot(maxX - minX, maxY - minY) <= Math.min(w, h)) return true;
  const hull = hullIndices(ring).map((i) => pointAt(ring, i));
  const fits = (rad: number) => {
    const { width, height } = boxAt(hull, rad);
    return width <= w + TOLERANCE.roundingMm && height <= h + TOLERANCE.roundingMm;
  };
  return flowDeg === null ? waysThatMayFit(hull, w, h).some(fits) : fits(((90 - flowDeg) * Math.PI) / 180);
}

/** The box round points turned by an angle, and between which of them it is spanned. */
function boxAt(points: Ring, rad: number) {
  const [cos, sin] = [Math.cos(rad), Math.sin(rad)];
  const across = { least: Infinity, most: -Infinity, from: 0, to: 0 };
  const along = { least: Infinity, most: -Infinity, from: 0, to: 0 };
  points.forEach(([x, y], i) => {
    const [u, v] = [x * cos - y * sin, x * sin + y * cos];
    if (u < across.least) [across.least, across.from] = [u, i];
    if (u > across.most) [across.most, across.to] = [u, i];
    if (v < along.least) [along.least, along.from] = [v, i];
    if (v > along.most) [along.most, along.to] = [v, i];
  });
  return { width: across.most - across.least, height: along.most - along.least, across, along };
}

/**
 * Angles of which one fits if any does, radians. Between two angles at which a side of the hull lies along an edge of the
 * sheet the same corners span the box, its width and height are each one arch of a sine, and what fits lies at the ends
 * or where one of them is just as wide as the sheet (rotating calipers, Toussaint 1983).
 */
function waysThatMayFit(hull: Ring, w: number, h: number): number[] {
  const turn = Math.PI / 2;
  const aligned = hull.map(([ax, ay], i) => {
    const [bx, by] = pointAt(hull, (i + 1) % hull.length);
    return ((-Math.atan2(by - ay, bx - ax) % turn) + turn) % turn;
  });
  const events = [...new Set([0, ...aligned])].sort((a, b) => a - b);
  const ends = [...events, ...events.map((a) => a + turn), 2 * turn];
  return ends.flatMap((from, k) => {
    const to = ends[k + 1];
    if (to === undefined) return [from];
    const { across, along } = boxAt(hull, (from + to) / 2);
    const just = ({ from: a, to: b }: { from: number; to: number }, most: number, isHeight: boolean): number[] => {
      const [[px, py], [qx, qy]] = [pointAt(hull, a), pointAt(hull, b)];
      const mm = Math.hypot(qx - px, qy - py);
      if (mm < most || most < 0) return [];
      // u = |d| cos(φ + θ) across, v = |d| sin(φ + θ) along.
      const phi = Math.atan2(qy - py, qx - px);
      const roots = isHeight
        ? [Math.asin(most / mm) - phi, Math.PI - Math.asin(most / mm) - phi]
        : [Math.acos(most / mm) - phi, -Math.acos(most / mm) - phi];
      return roots.map((r) => ((r % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)).filter((r) => r >= from && r <= to);
    };
    return [from, ...just(across, w, false), ...just(along, h, true)];
  });
}

/** Why an item is, or is not, one to cut from. */
export type Taking = 'fits' | 'too-small' | 'not-enough';

/** Whether an item takes all of some pieces: it holds the glass of them together, and each of them by itself. */
export function takingOf(wanted: readonly Wanted[], item: Item, edgeMm: number): Taking {
  if (item.areaMm2 < wanted.reduce((sum, w) => sum + w.areaMm2, 0)) return 'not-enough';
  return wanted.every((w) => fitsOn(w, item, edgeMm)) ? 'fits' : 'too-small';
}

/** Offcuts before whole sheets, the smallest first. */
export const bySize = <T extends Item>(items: readonly T[]): T[] =>
  [...items].sort(
    (a, b) =>
      Number(a.kind === 'sheet') - Number(b.kind === 'sheet') || a.areaMm2 - b.areaMm2 || a.id.localeCompare(b.id),
  );
