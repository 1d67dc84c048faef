import type { Technique } from '../sizing/index.ts';
import type { EdgeKind, WayToHold } from './plan.ts';

/** Foil larger than this is not left with a beaded rim alone, mm². From memory. */
const BARE_MM2 = 250 * 250;
/** Joints that stand proud of a border are sanded back by this at most, mm. Common practice. */
export const SANDED_MM = 1.5;
/** Play between a panel and the rebate of its frame, on each side, mm. From memory. */
export const REBATE_PLAY_MM = 3;
/** A rebate hides the border and this much more, mm; a bead holds the panel from behind. From memory. */
const BEAD_MM = 8;
/** A foot does not let the panel fall when it is pushed by this, degrees. From memory. */
const PUSHED_DEG = 10;

export type EdgeReason = 'shade' | 'small' | 'large' | 'leaded' | 'framed' | 'in-opening';

/** What goes best round a panel, and why. */
export function edgeFor(
  technique: Technique,
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  hold: WayToHold,
  isFramed: boolean,
): { readonly edge: EdgeKind; readonly why: EdgeReason } {
  if (hold === 'lamp') return { edge: 'bare', why: 'shade' };
  if (isFramed && hold !== 'fitted') return { edge: 'frame', why: 'framed' };
  if (technique === 'lead') return { edge: 'lead', why: 'leaded' };
  if (hold === 'fitted') return { edge: 'lead', why: 'in-opening' };
  return widthMm * heightMm <= BARE_MM2 ? { edge: 'bare', why: 'small' } : { edge: 'zinc', why: 'large' };
}

export interface Frame {
  /** Between the cheeks of the rebate, mm. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** How deep the rebate is for panel and bead, mm. */
  readonly depthMm: number;
  /** Middles of the two blocks it stands on, from the left end, mm: at the quarter points (common practice). */
  readonly blocksMm: readonly [number, number];
}

/** The rebate of a frame for a finished panel. */
export function frameFor(widthMm: number, heightMm: number, thickMm: number): Frame {
  const wide = widthMm + 2 * REBATE_PLAY_MM;
  return {
    widthMm: wide,
    heightMm: heightMm + 2 * REBATE_PLAY_MM,
    depthMm: thickMm + BEAD_MM,
    blocksMm: [wide / 4, (3 * wide) / 4],
  };
}

/** How deep the foot of a panel that stands is, mm, so that a push of ten degrees does not throw it over. */
export const footDepth = (centreHeightMm: number): number =>
  2 * centreHeightMm * Math.tan((PUSHED_DEG * Math.PI) / 180);
