import { pointAt } from '../units/index.ts';
import { perimeter, signedArea, thinRing, type Point } from '../geometry/index.ts';
import { DEFAULT_LIMITS, type Limits } from '../limits/index.ts';
import type { CutPiece } from '../sizing/index.ts';
import { bitesOf, narrowestNeck, sharpestPoint, tightestInsideCorner, type Neck } from './ringShape.ts';

/** Limits of what glass takes kindly, as a studio has set them. */
export type CuttingLimits = Pick<
  Limits,
  'sharpDeg' | 'fussyBite' | 'hardBite' | 'cornerMm' | 'narrowMm' | 'slender' | 'leastDaylightMm2'
>;

/** A neck is narrower than this share of what a square of the same area and border would measure. */
const NECK_TO_WHOLE = 0.75;
/** A waist needs sides that come in by an eighth of the width. */
const LEAST_WAIST = 0.12;

interface Of {
  readonly number: number;
}

export type CuttingFinding =
  | (Of & { readonly kind: 'gone' })
  | (Of & { readonly kind: 'split' })
  | (Of & { readonly kind: 'hole'; readonly at: Point })
  | (Of & { readonly kind: 'sharp-point'; readonly at: Point; readonly degrees: number })
  | (Of & { readonly kind: 'inside-curve'; readonly at: Point; readonly bite: number; readonly hard: boolean })
  | (Of & { readonly kind: 'inside-corner'; readonly at: Point; readonly radiusMm: number; readonly deep: boolean })
  | (Of & {
      readonly kind: 'neck';
      readonly at: Point;
      readonly from: Point;
      readonly to: Point;
      readonly widthMm: number;
    })
  | (Of & { readonly kind: 'slender'; readonly ratio: number })
  | (Of & { readonly kind: 'narrow'; readonly widthMm: number })
  | (Of & { readonly kind: 'little-light'; readonly daylightMm2: number });

export interface Cuttability {
  readonly number: number;
  /** 1 steady … 5 not in one piece; see {@link difficultyOf}. */
  readonly difficulty: 1 | 2 | 3 | 4 | 5;
  readonly findings: readonly CuttingFinding[];
}

/** No hand and no wheel follows more points than this round one piece; shapes are judged without them. */
const JUDGED_POINTS = 2000;

/** What is hard about cutting one piece, from its cut outline. */
export function cuttability(piece: CutPiece, limits: CuttingLimits = DEFAULT_LIMITS): Cuttability {
  const findings: CuttingFinding[] = [];
  const { number } = piece;
  const outer = piece.rings.filter((ring) => signedArea(ring) > 0);
  if (outer.length === 0) findings.push({ kind: 'gone', number });
  if (outer.length > 1) findings.push({ kind: 'split', number });
  const hole = piece.rings.find((ring) => signedArea(ring) < 0);
  if (hole) findings.push({ kind: 'hole', number, at: pointAt(hole, 0) });
  let neck: Neck | null = null;
  for (const whole of outer) {
    const ring = thinRing(whole, JUDGED_POINTS, 0.02, 3);
    const point = sharpestPoint(ring);
    if (point && point.degrees < limits.sharpDeg) findings.push({ kind: 'sharp-point', number, ...point });
    const bites = bitesOf(ring);
    const [bite] = bites;
    if (bite && bite.bite > limits.fussyBite)
      findings.push({ kind: 'inside-curve', number, at: bite.at, bite: bite.bite, hard: bite.bite > limits.hardBite });
    const corner = tightestInsideCorner(ring);
    if (corner && corner.radiusMm < limits.cornerMm) {
      const deep = bite !== undefined && bite.bite > limits.fussyBite;
      findings.push({ kind: 'inside-corner', number, at: corner.at, radiusMm: corner.radiusMm, deep });
    }
    // On the whole a piece is 2A/P wide; what is hardly narrower than that is a narrow piece, not a neck.
    const wholeMm = (2 * Math.abs(signedArea(ring))) / perimeter(ring);
    const deepest = bites.reduce((most, b) => Math.max(most, b.depthMm), 0);
    const mayNeck = !hole && deepest > LEAST_WAIST * wholeMm;
    neck = mayNeck ? narrowestNeck(ring, Math.min(limits.narrowMm, NECK_TO_WHOLE * 2 * wholeMm)) : null;
    if (neck)
      findings.push({
        kind: 'neck',
        number,
        at: [(neck.from[0] + neck.to[0]) / 2, (neck.from[1] + neck.to[1]) / 2],
        ...neck,
      });
  }
  if (outer.length === 1 && piece.areaMm2 > 0) {
    // A strip of width w and length l has area l·w and perimeter 2(l + w): solve for w, then l/w.
    const half = piece.perimeterMm / 2;
    const root = Math.sqrt(Math.max(0, half * half - 4 * piece.areaMm2));
    const widthMm = (half - root) / 2;
    const ratio = (half + root) / 2 / widthMm;
    if (ratio > limits.slender) findings.push({ kind: 'slender', number, ratio });
    if (widthMm < limits.narrowMm && !neck) findings.push({ kind: 'narrow', number, widthMm });
    if (piece.daylightMm2 < limits.leastDaylightMm2)
      findings.push({ kind: 'little-light', number, daylightMm2: piece.daylightMm2 });
  }
  return { number, findings, difficulty: difficultyOf(findings) };
}

/**
 * 5 when it cannot be had in one piece by hand: a hole, eaten or split by the lines, or a tight corner at the
 * bottom of an inside curve. Else 1, one more for each thing that is fussy and two more for a hard inside curve,
 * 4 at the most. Little light costs looks, not skill, and adds nothing.
 */
function difficultyOf(findings: readonly CuttingFinding[]): Cuttability['difficulty'] {
  const isImpossible = (f: CuttingFinding) =>
    f.kind === 'hole' || f.kind === 'split' || f.kind === 'gone' || (f.kind === 'inside-corner' && f.deep);
  if (findings.some(isImpossible)) return 5;
  const steps = findings.reduce(
    (sum, f) => sum + (f.kind === 'little-light' ? 0 : f.kind === 'inside-curve' && f.hard ? 2 : 1),
    0,
  );
  return steps >= 3 ? 4 : steps === 2 ? 3 : steps === 1 ? 2 : 1;
}
