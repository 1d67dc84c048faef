import { signedArea, type Point, type Ring } from '../geometry/index.ts';
import type { CutPiece } from '../sizing/index.ts';

/** Limits of what glass takes kindly; all from memory, a studio sets its own. */
export interface CuttingLimits {
  /** A point sharper than this snaps. */
  readonly sharpDeg: number;
  /** Inside curves: depth ÷ opening width, fussy above the first, hard above the second. */
  readonly fussyBite: number;
  readonly hardBite: number;
  /** Area ÷ half the perimeter below this is a strip that breaks across. */
  readonly narrowMm: number;
  readonly slender: number;
  readonly leastMm2: number;
}

export const DEFAULT_CUTTING_LIMITS: CuttingLimits = {
  sharpDeg: 30,
  fussyBite: 0.25,
  hardBite: 0.5,
  narrowMm: 6,
  slender: 12,
  leastMm2: 40,
};

export type CuttingFinding =
  | { readonly kind: 'gone'; readonly number: number }
  | { readonly kind: 'split'; readonly number: number }
  | { readonly kind: 'hole'; readonly number: number; readonly at: Point }
  | { readonly kind: 'sharp-point'; readonly number: number; readonly at: Point; readonly degrees: number }
  | {
      readonly kind: 'inside-curve';
      readonly number: number;
      readonly at: Point;
      readonly bite: number;
      readonly hard: boolean;
    }
  | { readonly kind: 'slender'; readonly number: number; readonly ratio: number }
  | { readonly kind: 'narrow'; readonly number: number; readonly widthMm: number }
  | { readonly kind: 'tiny'; readonly number: number; readonly areaMm2: number };

export interface Cuttability {
  readonly number: number;
  /** 1 steady … 5 not in one piece; see {@link difficultyOf}. */
  readonly difficulty: 1 | 2 | 3 | 4 | 5;
  readonly findings: readonly CuttingFinding[];
}

/** What is hard about cutting one piece, from its cut outline. */
export function cuttability(piece: CutPiece, limits: CuttingLimits = DEFAULT_CUTTING_LIMITS): Cuttability {
  const findings: CuttingFinding[] = [];
  const { number } = piece;
  const outer = piece.rings.filter((ring) => signedArea(ring) > 0);
  if (outer.length === 0) findings.push({ kind: 'gone', number });
  if (outer.length > 1) findings.push({ kind: 'split', number });
  const hole = piece.rings.find((ring) => signedArea(ring) < 0);
  if (hole) findings.push({ kind: 'hole', number, at: hole[0] as Point });
  for (const ring of outer) {
    const point = sharpestPoint(ring);
    if (point && point.degrees < limits.sharpDeg) findings.push({ kind: 'sharp-point', number, ...point });
    const bite = deepestBite(ring);
    if (bite && bite.bite > limits.fussyBite)
      findings.push({ kind: 'inside-curve', number, ...bite, hard: bite.bite > limits.hardBite });
  }
  if (outer.length === 1 && piece.areaMm2 > 0) {
    // A strip of width w and length l has area l·w and perimeter 2(l + w): solve for w, then l/w.
    const half = piece.perimeterMm / 2;
    const root = Math.sqrt(Math.max(0, half * half - 4 * piece.areaMm2));
    const widthMm = (half - root) / 2;
    const ratio = (half + root) / 2 / widthMm;
    if (ratio > limits.slender) findings.push({ kind: 'slender', number, ratio });
    if (widthMm < limits.narrowMm) findings.push({ kind: 'narrow', number, widthMm });
    if (piece.areaMm2 < limits.leastMm2) findings.push({ kind: 'tiny', number, areaMm2: piece.areaMm2 });
  }
  return { number, findings, difficulty: difficultyOf(findings) };
}

/**
 * 5 when it cannot be had in one piece (hole, split, eaten by the lines); else 1, one more for each thing that
 * is fussy and two more for a hard inside curve, 4 at the most.
 */
function difficultyOf(findings: readonly CuttingFinding[]): Cuttability['difficulty'] {
  if (findings.some((f) => f.kind === 'hole' || f.kind === 'split' || f.kind === 'gone')) return 5;
  const steps = findings.reduce((sum, f) => sum + (f.kind === 'inside-curve' && f.hard ? 2 : 1), 0);
  return Math.min(4, 1 + steps) as Cuttability['difficulty'];
}

/** The sharpest corner of a ring walked clockwise as seen; measured over 2 mm each way, so chords of a curve are no corners. */
function sharpestPoint(ring: Ring): { at: Point; degrees: number } | null {
  let best: { at: Point; degrees: number } | null = null;
  for (let i = 0; i < ring.length; i++) {
    const [ax, ay] = along(ring, i, -1, 2);
    const [bx, by] = ring[i] as Point;
    const [cx, cy] = along(ring, i, 1, 2);
    const cross = (bx - ax) * (cy - by) - (by - ay) * (cx - bx);
    if (cross <= 0) continue;
    const degrees =
      (Math.atan2(
        Math.abs((ax - bx) * (cy - by) - (ay - by) * (cx - bx)),
        (ax - bx) * (cx - bx) + (ay - by) * (cy - by),
      ) *
        180) /
      Math.PI;
    if (!best || degrees < best.degrees) best = { at: [bx, by], degrees };
  }
  return best;
}

/** The point `mm` along the ring from vertex `i` (or the next vertex, where that is nearer), forwards or back. */
function along(ring: Ring, i: number, step: 1 | -1, mm: number): Point {
  let left = mm;
  let from = ring[i] as Point;
  for (let k = 1; k <= ring.length; k++) {
    const to = ring[(i + step * k + ring.length * 2) % ring.length] as Point;
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (length >= left && length > 0)
      return [from[0] + ((to[0] - from[0]) * left) / length, from[1] + ((to[1] - from[1]) * left) / length];
    left -= length;
    from = to;
  }
  return from;
}

/** The deepest inside curve: how far a pocket reaches in from the chord over its mouth (a side of the convex hull). */
function deepestBite(ring: Ring): { at: Point; bite: number } | null {
  const hull = hullIndices(ring);
  let best: { at: Point; bite: number } | null = null;
  hull.forEach((from, k) => {
    const to = hull[(k + 1) % hull.length] as number;
    const [ax, ay] = ring[from] as Point;
    const [bx, by] = ring[to] as Point;
    const mouth = Math.hypot(bx - ax, by - ay);
    if (mouth < 1) return;
    for (let i = (from + 1) % ring.length; i !== to; i = (i + 1) % ring.length) {
      const [px, py] = ring[i] as Point;
      const bite = Math.abs((bx - ax) * (py - ay) - (by - ay) * (px - ax)) / mouth / mouth;
      if (bite > 0.02 && (!best || bite > best.bite)) best = { at: [px, py], bite };
    }
  });
  return best;
}

/** Indices of the convex hull in ring order (monotone chain). */
function hullIndices(ring: Ring): number[] {
  const order = ring
    .map((_, i) => i)
    .sort((a, b) => (ring[a] as Point)[0] - (ring[b] as Point)[0] || (ring[a] as Point)[1] - (ring[b] as Point)[1]);
  const turn = (o: number, a: number, b: number) => {
    const [ox, oy] = ring[o] as Point;
    const [px, py] = ring[a] as Point;
    const [qx, qy] = ring[b] as Point;
    return (px - ox) * (qy - oy) - (py - oy) * (qx - ox);
  };
  const half = (points: readonly number[]) => {
    const chain: number[] = [];
    for (const p of points) {
      while (chain.length >= 2 && turn(chain.at(-2) as number, chain.at(-1) as number, p) <= 0) chain.pop();
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(order), ...half([...order].reverse())].sort((a, b) => a - b);
}
