import type { Cartoon } from '../cartoon/index.ts';
import type { Point } from '../geometry/index.ts';
import { TOLERANCE } from '../limits/index.ts';
import { nth, pointAt } from '../units/index.ts';
import type { LineAllowance } from './allowance.ts';
import { outerLines } from './cutOutline.ts';
import { rimOf } from './profiles.ts';

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

/** How far a finished panel reaches beyond its drawing, on each side. Millimetres. */
export interface Outside {
  readonly leftMm: number;
  readonly topMm: number;
  readonly rightMm: number;
  readonly bottomMm: number;
}

/** The size of a panel with what lies outside of its drawn outline. */
export const finishedSize = ({ widthMm, heightMm }: Size, { leftMm, topMm, rightMm, bottomMm }: Outside): Size => ({
  widthMm: widthMm + leftMm + rightMm,
  heightMm: heightMm + topMm + bottomMm,
});

/** The size a drawing must have for the panel to finish at a size. */
export const drawnSize = ({ widthMm, heightMm }: Size, { leftMm, topMm, rightMm, bottomMm }: Outside): Size => ({
  widthMm: widthMm - leftMm - rightMm,
  heightMm: heightMm - topMm - bottomMm,
});

/** Where there is no drawing yet: the panel's own border on all sides. */
export function evenOutside(allowance: LineAllowance): Outside {
  const mm = outsideOfOutline(allowance);
  return { leftMm: mm, topMm: mm, rightMm: mm, bottomMm: mm };
}

/** Of a drawing: each line of the outline by the came that goes round it there. */
export function outsideOf(cartoon: Cartoon, allowance: LineAllowance): Outside {
  const { minX, minY, maxX, maxY } = cartoon.box;
  const far = { left: minX, top: minY, right: maxX, bottom: maxY };
  for (const { points, code } of outerSides(cartoon)) {
    const mm = outsideOfOutline(allowance, code);
    for (let i = 1; i < points.length; i++) {
      const [ax, ay] = pointAt(points, i - 1);
      const [bx, by] = pointAt(points, i);
      const length = Math.hypot(bx - ax, by - ay) || 1;
      // Outwards is to the left of a side that is walked with the glass on its right, as seen, y down.
      const [x, y] = [((by - ay) / length) * mm, (-(bx - ax) / length) * mm];
      far.left = Math.min(far.left, ax + x, bx + x);
      far.right = Math.max(far.right, ax + x, bx + x);
      far.top = Math.min(far.top, ay + y, by + y);
      far.bottom = Math.max(far.bottom, ay + y, by + y);
    }
  }
  return { leftMm: minX - far.left, topMm: minY - far.top, rightMm: far.right - maxX, bottomMm: far.bottom - maxY };
}

/** What goes round most of the outline; null where that is what the panel says. */
export function rimCode(cartoon: Cartoon): string | null {
  const lengths = new Map<string | null, number>();
  for (const { points, code } of outerSides(cartoon)) lengths.set(code, (lengths.get(code) ?? 0) + lengthOf(points));
  return [...lengths].reduce((most, one) => (one[1] > most[1] ? one : most), [null, 0] as [string | null, number])[0];
}

interface OuterSide {
  readonly line: number;
  readonly points: readonly Point[];
  readonly code: string | null;
}

/** The sides of the outline, each walked with the glass on its right, with the code of what goes round it. */
export function* outerSides(cartoon: Cartoon): Generator<OuterSide> {
  const outer = outerLines(cartoon);
  for (const piece of cartoon.pieces)
    for (const ref of piece.rings.flat()) {
      const line = ref < 0 ? ~ref : ref;
      if (!outer.has(line)) continue;
      const { points } = nth(cartoon.map.lines, line);
      yield { line, points: ref < 0 ? [...points].reverse() : points, code: cartoon.profiles?.[line] ?? null };
    }
}

const lengthOf = (points: readonly Point[]): number => {
  let mm = 0;
  for (let i = 1; i < points.length; i++) {
    const [ax, ay] = pointAt(points, i - 1);
    const [bx, by] = pointAt(points, i);
    mm += Math.hypot(bx - ax, by - ay);
  }
  return mm;
};

/** Whether a finished panel goes into the room there is for it. */
export const fitsInto = (finished: Size, room: Size): boolean =>
  finished.widthMm <= room.widthMm + TOLERANCE.sameSizeMm && finished.heightMm <= room.heightMm + TOLERANCE.sameSizeMm;

/** Where each edge of a border lies, in mm inwards from the opening's edge (or from the panel's, without one). */
export interface BorderEdges {
  /** A came goes round it, not foil; and its heart. */
  readonly isCame: boolean;
  readonly heartMm: number;
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
  const { isFoil, glassMm, playMm, hidesMm, heartMm } = rimOf(allowance, code);
  const isGlassEdge = allowance.outline === 'glass-edge';
  // Measured from the outside of the border. A drawing to the glass edge has the came outside of its outline, and its
  // glass is cut to that very line.
  const cut = isGlassEdge ? (isFoil ? 0 : glassMm) : glassMm + playMm;
  const glass = isFoil ? cut : glassMm;
  const daylight = Math.max(hidesMm, cut);
  const sightMm = opening ? opening.coverMm : null;
  return {
    isCame: !isFoil,
    heartMm,
    openingMm: 0,
    panelMm: clearance,
    glassMm: clearance + glass,
    cutMm: clearance + cut,
    daylightMm: clearance + daylight,
    sightMm,
    hiddenMm: sightMm === null ? null : sightMm - (clearance + daylight),
  };
}

/** How far a border came reaches beyond an outline that is the edge of the glass. */
export function outsideOfOutline(allowance: LineAllowance, code: string | null = null): number {
  const { isFoil, glassMm } = rimOf(allowance, code);
  return allowance.outline === 'came-outside' || isFoil ? 0 : glassMm;
}
