import { TOLERANCE } from '../limits/index.ts';
import type { LineAllowance } from './allowance.ts';
import { rimKeeps } from './profiles.ts';

/** An opening in a wall, a frame or a door, and how the panel sits in it. Millimetres. */
export interface Opening {
  readonly widthMm: number;
  readonly heightMm: number;
  /** Play between panel and opening on each side. */
  readonly clearanceMm: number;
  /** How far the rebate, stop or bead laps over the opening's edge; what is left is seen from the room. */
  readonly coverMm: number;
}

/** The size a panel may have in an opening: the opening less the play on both sides. */
export function panelInOpening({ widthMm, heightMm, clearanceMm }: Opening): { widthMm: number; heightMm: number } {
  return { widthMm: widthMm - 2 * clearanceMm, heightMm: heightMm - 2 * clearanceMm };
}

interface Size {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** The size of a panel with what lies outside of its drawn outline. */
export function finishedSize({ widthMm, heightMm }: Size, allowance: LineAllowance): Size {
  const rimMm = 2 * outsideOfOutline(allowance);
  return { widthMm: widthMm + rimMm, heightMm: heightMm + rimMm };
}

/** Whether a finished panel goes into the room there is for it. */
export const fitsInto = (finished: Size, room: Size): boolean =>
  finished.widthMm <= room.widthMm + TOLERANCE.sameSizeMm && finished.heightMm <= room.heightMm + TOLERANCE.sameSizeMm;

/** Where each edge of a border lies, in mm inwards from the opening's edge (or from the panel's, without one). */
export interface BorderEdges {
  readonly openingMm: number;
  /** Outside of the border came, or of the rim. */
  readonly panelMm: number;
  /** Where glass may reach at most. */
  readonly glassMm: number;
  /** Where it is cut. */
  readonly cutMm: number;
  /** Where the border came or the rim's bead ends. */
  readonly daylightMm: number;
  /** Where the rebate's cover ends; null without an opening. */
  readonly sightMm: number | null;
  /** How far the cover hides glass beyond the came: negative when the came shows. */
  readonly hiddenMm: number | null;
}

/**
 * The edges of a border one behind the other, from the opening inwards.
 *
 *     │opening  ┊clearance┊ panel ┊ came ┊ glass edge ┊ play ┊ cut ┊ … ┊ daylight
 */
export function borderEdges(
  allowance: LineAllowance,
  opening: Opening | null,
  code: string | null = null,
): BorderEdges {
  const clearance = opening?.clearanceMm ?? 0;
  const came = rimKeeps({ ...allowance, outline: 'came-outside' }, code);
  const isFoil = allowance.technique === 'foil';
  // Measured from the outside of the border; a drawing to the glass edge has the came outside of its outline.
  const play = isFoil ? 0 : allowance.clearanceMm;
  const cutFromOutside = isFoil && allowance.outline === 'glass-edge' ? 0 : came.cutMm;
  const daylight = Math.max(came.daylightMm, cutFromOutside);
  const sightMm = opening ? opening.coverMm : null;
  return {
    openingMm: 0,
    panelMm: clearance,
    glassMm: clearance + cutFromOutside - play,
    cutMm: clearance + cutFromOutside,
    daylightMm: clearance + daylight,
    sightMm,
    hiddenMm: sightMm === null ? null : sightMm - (clearance + daylight),
  };
}

/** How much wider than its drawing a panel is, all round: the border came that lies outside of a glass-edge outline. */
export function outsideOfOutline(allowance: LineAllowance): number {
  if (allowance.outline === 'came-outside' || allowance.technique === 'foil') return 0;
  return (allowance.faceMm + allowance.heartMm) / 2;
}
