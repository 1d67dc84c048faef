import { areaOf, clip, holdsSquare, leastWidth, reach, type Flat, type HalfPlane } from './convex.ts';

/** A large offcut is worth this share more than its area for each share of the sheet that it holds: one is better than three. */
const GATHERED = 0.08;

/** A part that is nowhere wider than this breaks off nothing that could be called a part, mm. */
export const THINNEST_MM = 0.08;

/** What every part of a job is measured by. */
export interface Measures {
  readonly marginMm: number;
  readonly keepMm: number;
  /** Less room than this takes none of the shapes. */
  readonly leastShapeMm2: number;
  readonly leastShapeMm: number;
  /** How much may be shaved where pieces touch: a fit to the hair must not fail by rounding. */
  readonly graceMm: number;
}

/** The sheet that a part belongs to, as far as the search has to know. */
export interface Bed {
  /** Index of the sheet in the job. */
  readonly sheet: number;
  readonly flowRad: number | null;
  readonly areaMm2: number;
  /** Convex hulls of the flaws. */
  readonly flaws: readonly Flat[];
}

/** A convex part of a sheet as breaks leave it. Immutable. */
export interface Part {
  readonly bed: Bed;
  /** The glass itself. */
  readonly glass: Flat;
  /** Where a hull may lie: off the sheet's edge, and half a margin off every break. Empty when nowhere. */
  readonly room: Flat;
}

/** A straight break, n·p = c; the near side is its half plane. */
export type Cut = HalfPlane;

/** The part on the near side of a break (n·p ≤ c) and on its far side; null where that would be a sliver. */
export const nearSide = (part: Part, { nx, ny, c }: Cut, marginMm: number): Part => ({
  bed: part.bed,
  glass: clip(part.glass, nx, ny, c),
  room: clip(part.room, nx, ny, c - marginMm / 2),
});

export function farSide(part: Part, { nx, ny, c }: Cut, marginMm: number): Part | null {
  if (reach(part.glass, nx, ny) - c < THINNEST_MM) return null;
  const glass = clip(part.glass, -nx, -ny, -c);
  if (glass.length === 0) return null;
  return { bed: part.bed, glass, room: clip(part.room, -nx, -ny, -c - marginMm / 2) };
}

/** A break that leaves nothing of either side wide enough is none. */
export const leavesNear = (part: Part, { nx, ny, c }: Cut): boolean => c + reach(part.glass, -nx, -ny) >= THINNEST_MM;

/**
 * What a free part is worth, mm²: all its glass where it goes back onto the rack, and a little of it below that, growing
 * with its width, so that the search feels that a remnant is on its way to being kept.
 */
export function worthOf(part: Part, keepMm: number): { isOffcut: boolean; worthMm2: number } {
  const area = areaOf(part.glass);
  if (holdsSquare(part.glass, keepMm))
    return { isOffcut: true, worthMm2: area * (1 + GATHERED * (area / part.bed.areaMm2)) };
  const share = Math.min(1, leastWidth(part.glass) / keepMm) * Math.min(1, area / (keepMm * keepMm));
  return { isOffcut: false, worthMm2: 0.45 * area * share * share };
}

/** Whether a room is large enough for a hull, with what may be shaved. */
export const mayHold = (roomMm2: number, hullMm2: number, graceMm: number): boolean =>
  roomMm2 + 1e-3 + 4 * graceMm * Math.sqrt(roomMm2) >= hullMm2;
