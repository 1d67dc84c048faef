import { TOLERANCE } from '../limits/index.ts';
import type { Ring } from '../geometry/index.ts';
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

/** A piece of any flow is tried so many ways round. */
const TURNS = 36;

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
  const ring: Ring = wanted.ring ?? [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
  ];
  const angles = flowDeg === null ? Array.from({ length: TURNS }, (_, k) => (k * 180) / TURNS) : [90 - flowDeg];
  const [w, h] = [sheet.widthMm - 2 * edgeMm, sheet.heightMm - 2 * edgeMm];
  return angles.some((deg) => {
    const [cos, sin] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
    let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
    for (const [x, y] of ring) {
      const [u, v] = [x * cos - y * sin, x * sin + y * cos];
      x0 = Math.min(x0, u);
      x1 = Math.max(x1, u);
      y0 = Math.min(y0, v);
      y1 = Math.max(y1, v);
    }
    return x1 - x0 <= w + TOLERANCE.roundingMm && y1 - y0 <= h + TOLERANCE.roundingMm;
  });
}

/** Why an item is, or is not, one to cut from. */
export type Taking = 'fits' | 'too-small' | 'not-enough';

/** Whether an item takes all of some pieces: it holds the glass of them together, and each of them by itself. */
export function takingOf(wanted: readonly Wanted[], item: Item, edgeMm: number): Taking {
  if (item.areaMm2 < wanted.reduce((sum, w) => sum + w.areaMm2, 0)) return 'not-enough';
  return wanted.every((w) => fitsOn(w, item, edgeMm)) ? 'fits' : 'too-small';
}

/**
 * The one answer to "which sheet takes this": what stands on the rack and takes the pieces, offcuts before whole sheets,
 * the smallest first.
 * @param stock of the pieces' glass
 */
export function takersOf<T extends Item>(wanted: readonly Wanted[], stock: Iterable<T>, edgeMm: number): T[] {
  return bySize([...stock].filter((item) => item.gone === null && takingOf(wanted, item, edgeMm) === 'fits'));
}

/** Offcuts before whole sheets, the smallest first. */
export const bySize = <T extends Item>(items: readonly T[]): T[] =>
  [...items].sort(
    (a, b) =>
      Number(a.kind === 'sheet') - Number(b.kind === 'sheet') || a.areaMm2 - b.areaMm2 || a.id.localeCompare(b.id),
  );
