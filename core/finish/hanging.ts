import type { Cartoon } from '../cartoon/index.ts';
import type { Point } from '../geometry/index.ts';
import { outerLines } from '../sizing/index.ts';
import { nth } from '../units/index.ts';
import type { Gravity } from './centre.ts';
import { ratedKg, wireFor, type WireChoice } from './wire.ts';

/** Standard gravity, m/s² (CGPM 1901). */
const G = 9.80665;
/** What one seam that ends in a ring holds for years, N. From memory. */
const SEAM_N = 10;
/** A panel that hangs askew by less is straight to the eye, degrees. From memory. */
const STRAIGHT_DEG = 0.5;
/** A ring this near to a joint is on it, mm. */
const ON_JOINT_MM = 4;

/** A joint on the rim where a ring can be soldered on. */
export interface RingPlace {
  readonly joint: number;
  readonly at: Point;
  /** Seams that end there and take the pull on. */
  readonly seams: number;
  readonly isCorner: boolean;
}

/** Where rings may go: joints of the rim where a seam ends, and corners. Never foil alone. */
export function ringPlaces(cartoon: Pick<Cartoon, 'map' | 'pieces' | 'joints'>): RingPlace[] {
  const outer = outerLines(cartoon);
  return cartoon.joints.flatMap(({ number, at, kind, lines }): RingPlace[] => {
    const rim = lines.filter((line) => outer.has(line)).length;
    const seams = lines.length - rim;
    const isCorner = kind === 'L' && rim > 0;
    return rim > 0 && (seams > 0 || isCorner) ? [{ joint: number, at, seams, isCorner }] : [];
  });
}

/** How badly two rings do: off the middle, low, close together. Each in mm; weights from memory. */
const burden = (left: RingPlace, right: RingPlace, gravity: Point, top: number): number =>
  3 * Math.abs((left.at[0] + right.at[0]) / 2 - gravity[0]) +
  Math.abs(left.at[1] - right.at[1]) +
  (left.at[1] + right.at[1]) / 2 -
  top -
  0.5 * (right.at[0] - left.at[0]);

/** The two places that hold a panel straightest, high and wide apart; none where it has no two above its middle. */
export function bestRings(
  places: readonly RingPlace[],
  { at }: Gravity,
  top: number,
): readonly [RingPlace, RingPlace] | null {
  const above = places.filter((place) => place.at[1] < at[1]);
  let best: readonly [RingPlace, RingPlace] | null = null;
  for (const left of above)
    for (const right of above)
      if (left.at[0] < at[0] && right.at[0] > at[0])
        if (best === null || burden(left, right, at, top) < burden(...best, at, top)) best = [left, right];
  return best;
}

export type HangingFinding =
  /** A ring is on foil or came alone. */
  | { readonly code: 'ring-on-nothing'; readonly at: Point }
  | { readonly code: 'one-sided' }
  | { readonly code: 'rings-low' }
  | { readonly code: 'hangs-askew'; readonly tiltDeg: number; readonly leftDown: boolean }
  | { readonly code: 'seams-few'; readonly perRingN: number; readonly wanted: number; readonly there: number }
  | { readonly code: 'wire-thin'; readonly pullN: number };

export interface Hanging {
  /** What each ring bears straight down, N, in the order of the rings. */
  readonly bears: readonly number[];
  /** The pull in the chain or wire that pulls most, N. */
  readonly pullN: number;
  /** How far the panel turns until it is at rest, degrees; clockwise as seen is positive. */
  readonly tiltDeg: number;
  /** Where chains of the same length meet, mm on the drawing; null where they hang side by side. */
  readonly hook: Point | null;
  readonly wire: WireChoice;
  /** What chain and hooks are to be marked for, kg. */
  readonly ratedKg: number;
  /** Seams that each ring should reach over. */
  readonly seamsWanted: number;
  readonly findings: readonly HangingFinding[];
}

/**
 * How a panel hangs on its rings: two parallel forces on a rigid body, and chains of the same length at an angle
 * (statics as any textbook has it). Of more than two rings two may bear it all, so each is reckoned to.
 * @param spreadDeg of chain or wire to the horizontal; 90 is straight up
 */
export function hangingOn(
  rings: readonly Point[],
  places: readonly RingPlace[],
  { at, totalG }: Gravity,
  spreadDeg: number,
): Hanging | null {
  if (rings.length < 2) return null;
  const weightN = (totalG / 1000) * G;
  const sorted = [...rings].sort((a, b) => a[0] - b[0]);
  const [left, right] = [nth(sorted, 0), nth(sorted, sorted.length - 1)];
  const wide = right[0] - left[0];
  if (wide <= 0) return null;
  const share = (right[0] - at[0]) / wide;
  const two = [weightN * share, weightN * (1 - share)] as const;
  const bears = rings.length === 2 ? two : rings.map(() => weightN / 2);
  const sine = Math.sin((spreadDeg * Math.PI) / 180);
  const pullN = Math.max(...bears) / sine;
  const { hook, tiltDeg } = atRest(left, right, at, spreadDeg);
  const wire = wireFor(pullN);
  const perRingN = Math.max(...bears);
  const seamsWanted = Math.max(1, Math.ceil(perRingN / SEAM_N));
  const findings: HangingFinding[] = [];
  const under = rings.map((ring) =>
    places.find((place) => Math.hypot(place.at[0] - ring[0], place.at[1] - ring[1]) <= ON_JOINT_MM),
  );
  rings.forEach((ring, i) => {
    if (under[i] === undefined) findings.push({ code: 'ring-on-nothing', at: ring });
  });
  if (share <= 0 || share >= 1) findings.push({ code: 'one-sided' });
  if (Math.min(left[1], right[1]) >= at[1]) findings.push({ code: 'rings-low' });
  else if (Math.abs(tiltDeg) > STRAIGHT_DEG)
    findings.push({ code: 'hangs-askew', tiltDeg: Math.abs(tiltDeg), leftDown: tiltDeg < 0 });
  const there = Math.min(...under.map((place) => (place ? Math.max(place.seams, place.isCorner ? 1 : 0) : 0)));
  if (there > 0 && there < seamsWanted) findings.push({ code: 'seams-few', perRingN, wanted: seamsWanted, there });
  if (wire.isTooThin) findings.push({ code: 'wire-thin', pullN });
  return { bears, pullN, tiltDeg, hook, wire, ratedKg: ratedKg(pullN), seamsWanted, findings };
}

/** Where the chains meet, and how far the panel turns until its weight is under that. */
function atRest(left: Point, right: Point, at: Point, spreadDeg: number): { hook: Point | null; tiltDeg: number } {
  const slope = Math.atan2(right[1] - left[1], right[0] - left[0]);
  // Side by side and of the same length they keep the line between the rings level.
  if (spreadDeg >= 89.9) return { hook: null, tiltDeg: (-slope * 180) / Math.PI };
  const half = Math.hypot(right[0] - left[0], right[1] - left[1]) / 2;
  const up = half * Math.tan((spreadDeg * Math.PI) / 180);
  const hook: Point = [
    (left[0] + right[0]) / 2 + up * Math.sin(slope),
    (left[1] + right[1]) / 2 - up * Math.cos(slope),
  ];
  // What is to the right of the hook swings left under it: clockwise as seen.
  const tiltDeg = (Math.atan2(at[0] - hook[0], at[1] - hook[1]) * 180) / Math.PI;
  return { hook, tiltDeg };
}
