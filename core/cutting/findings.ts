import { pointAt } from '../units/index.ts';
import { narrowestBand, perimeter, poleOf, signedArea, thinRing, type Point, type Ring } from '../geometry/index.ts';
import { DEFAULT_LIMITS, type Limits } from '../limits/index.ts';
import type { CutPiece } from '../sizing/index.ts';
import { baysOf, type Bay } from './bays.ts';
import { insideCorners, narrowestNeck, sharpestPoint, type InsideCorner, type Neck } from './ringShape.ts';

/** The limits that pieces are judged by. */
export const JUDGED_BY = [
  'sharpDeg',
  'fussyBite',
  'hardBite',
  'mostBite',
  'bulbShare',
  'cornerMm',
  'narrowMm',
  'leastNeckMm',
  'slender',
  'leastDaylightMm2',
] as const satisfies readonly (keyof Limits)[];

/** Limits of what glass takes kindly, as a studio has set them. */
export type CuttingLimits = Pick<Limits, (typeof JUDGED_BY)[number]>;

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
  | (Of & {
      readonly kind: 'inside-curve';
      readonly at: Point;
      readonly bite: number;
      readonly grade: 'fussy' | 'hard' | 'beyond';
    })
  /** Wider behind its mouth than the mouth itself: what lies in it does not come out. */
  | (Of & { readonly kind: 'keyhole'; readonly at: Point; readonly mouthMm: number; readonly bulbMm: number })
  | (Of & { readonly kind: 'inside-corner'; readonly at: Point; readonly radiusMm: number; readonly deep: boolean })
  | (Of & {
      readonly kind: 'neck';
      readonly at: Point;
      readonly from: Point;
      readonly to: Point;
      readonly widthMm: number;
      readonly beyond: boolean;
    })
  | (Of & { readonly kind: 'slender'; readonly ratio: number })
  | (Of & { readonly kind: 'narrow'; readonly widthMm: number; readonly beyond: boolean })
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
    const bays = baysOf(ring);
    findings.push(...curveFindings(number, bays, limits));
    const corner = worstCorner(insideCorners(ring, limits.cornerMm), bays, ring, limits);
    if (corner) findings.push({ kind: 'inside-corner', number, ...corner });
    // On the whole a piece is 2A/P wide; what is hardly narrower than that is a narrow piece, not a neck.
    const wholeMm = (2 * Math.abs(signedArea(ring))) / perimeter(ring);
    const deepest = bays.reduce((most, b) => Math.max(most, b.depthMm), 0);
    const mayNeck = !hole && deepest > LEAST_WAIST * wholeMm;
    neck = mayNeck ? narrowestNeck(ring, Math.min(limits.narrowMm, NECK_TO_WHOLE * 2 * wholeMm)) : null;
    if (neck)
      findings.push({
        kind: 'neck',
        number,
        at: [(neck.from[0] + neck.to[0]) / 2, (neck.from[1] + neck.to[1]) / 2],
        ...neck,
        beyond: neck.widthMm < limits.leastNeckMm,
      });
  }
  const [only] = outer;
  if (only && outer.length === 1 && piece.areaMm2 > 0) {
    const { ratio, widthMm } = proportions(only, piece, limits);
    if (ratio > limits.slender) findings.push({ kind: 'slender', number, ratio });
    if (widthMm < limits.narrowMm && !neck)
      findings.push({ kind: 'narrow', number, widthMm, beyond: widthMm < limits.leastNeckMm });
    if (piece.daylightMm2 < limits.leastDaylightMm2)
      findings.push({ kind: 'little-light', number, daylightMm2: piece.daylightMm2 });
  }
  return { number, findings, difficulty: difficultyOf(findings) };
}

/** What is said of the inside curves of a ring: of one whose waste does not come out, else of the deepest one. */
function curveFindings(number: number, bays: readonly Bay[], limits: CuttingLimits): CuttingFinding[] {
  const closed = bays.find((bay) => bay.bulbMm > 0 && bay.bulbMm >= limits.bulbShare * bay.mouthMm);
  if (closed) return [{ kind: 'keyhole', number, at: closed.at, mouthMm: closed.mouthMm, bulbMm: closed.bulbMm }];
  const [bay] = bays;
  if (!bay || bay.bite <= limits.fussyBite) return [];
  const grade = bay.bite > limits.mostBite ? 'beyond' : bay.bite > limits.hardBite ? 'hard' : 'fussy';
  return [{ kind: 'inside-curve', number, at: bay.at, bite: bay.bite, grade }];
}

/** A corner lies at the bottom of a bay when it is at least this share of its depth in. */
const AT_THE_BOTTOM = 0.5;

/** The tightest corner at the bottom of a fussy inside curve, else the tightest there is. */
function worstCorner(
  corners: readonly InsideCorner[],
  bays: readonly Bay[],
  ring: Ring,
  limits: CuttingLimits,
): { at: Point; radiusMm: number; deep: boolean } | null {
  const isDeep = ({ at, index }: InsideCorner) =>
    bays.some((bay) => {
      if (bay.bite <= limits.fussyBite) return false;
      const span = (bay.to - bay.from + ring.length) % ring.length;
      if ((index - bay.from + ring.length) % ring.length > span) return false;
      const [[ax, ay], [bx, by]] = [pointAt(ring, bay.from), pointAt(ring, bay.to)];
      const mm = Math.hypot(bx - ax, by - ay) || 1;
      const depthMm = Math.abs((bx - ax) * (at[1] - ay) - (by - ay) * (at[0] - ax)) / mm;
      return depthMm >= AT_THE_BOTTOM * bay.depthMm;
    });
  const worst = corners.find(isDeep) ?? corners[0];
  return worst ? { at: worst.at, radiusMm: worst.radiusMm, deep: corners.some(isDeep) } : null;
}

/**
 * How wide a piece is, and how many times as long. As a strip of width w and length l has area l·w and perimeter
 * 2(l + w) it is at least so wide and at most so slender; where that is not enough it is measured: across the largest
 * circle in it, and along the narrowest band it fits in or half-way round it.
 */
function proportions(
  ring: Ring,
  { areaMm2, perimeterMm }: Pick<CutPiece, 'areaMm2' | 'perimeterMm'>,
  limits: CuttingLimits,
): { ratio: number; widthMm: number } {
  const half = perimeterMm / 2;
  const root = Math.sqrt(Math.max(0, half * half - 4 * areaMm2));
  const strip = { widthMm: (half - root) / 2, ratio: (half + root) / (half - root) };
  if (strip.widthMm >= limits.narrowMm && strip.ratio <= limits.slender) return strip;
  const widthMm = 2 * poleOf([ring], Math.max(0.02, strip.widthMm / 100)).distanceMm;
  if (widthMm <= 0) return strip;
  const band = narrowestBand(ring);
  return { widthMm, ratio: Math.max(band.lengthMm / band.widthMm, (half - widthMm) / widthMm) };
}

/**
 * 5 when it cannot be had in one piece by hand: a hole, eaten or split by the lines, an inside curve that is wider
 * behind its mouth or too deep for it, a tight corner at the bottom of an inside curve, a neck or strip too narrow to
 * hold. Else 1, one more for each thing that is fussy and two more for a hard inside curve, 4 at the most. Little light
 * costs looks, not skill, and adds nothing.
 */
function difficultyOf(findings: readonly CuttingFinding[]): Cuttability['difficulty'] {
  if (findings.some(isBeyond)) return 5;
  const steps = findings.reduce(
    (sum, f) => sum + (f.kind === 'little-light' ? 0 : f.kind === 'inside-curve' && f.grade === 'hard' ? 2 : 1),
    0,
  );
  return steps >= 3 ? 4 : steps === 2 ? 3 : steps === 1 ? 2 : 1;
}

/** Whether a finding alone means that the piece cannot be cut as one. */
export function isBeyond(finding: CuttingFinding): boolean {
  switch (finding.kind) {
    case 'gone':
    case 'split':
    case 'hole':
    case 'keyhole':
      return true;
    case 'inside-corner':
      return finding.deep;
    case 'inside-curve':
      return finding.grade === 'beyond';
    case 'neck':
    case 'narrow':
      return finding.beyond;
    default:
      return false;
  }
}
