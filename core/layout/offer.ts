import { floatAt, numberAt } from '../units/index.ts';
import { areaBeyond, areaOf, clip, reach, type Flat } from './convex.ts';
import { flushTurn, lay, sidesOf, type Laid, type Side } from './lay.ts';
import { mayHold, type Part } from './part.ts';
import { ALONG, type Bench, type Rule } from './tree.ts';

/** A way to lay one shape in one part, and how well it fills what it takes. */
export interface Offer {
  readonly rule: Rule;
  readonly laid: Laid;
  readonly base: Side;
  /** Larger is better; only to be compared within one part. */
  readonly score: number;
}

export interface Taste {
  /** How much larger shapes come first: the score grows with this power of the hull's area. */
  readonly size: number;
  /** Spread of the chance that multiplies a score. */
  readonly noise: number;
  /** How many of the room's sides are tried. */
  readonly bases: number;
  /** How many of the shape's sides are tried; the rest are left out by chance. */
  readonly flushes: number;
  /** After so many ways that go, the best of them is taken. */
  readonly enough?: number;
}

const MOST_CUTS = 4;

/** The best of many ways to lay a shape into a part; null where it goes in none of them. */
export function bestOffer(
  part: Part,
  index: number,
  bench: Bench,
  taste: Taste,
  random: () => number,
  sides: readonly Side[] = sidesOf(part.room),
): Offer | null {
  const shape = bench.shapes[index];
  if (shape === undefined || part.room.length === 0) return null;
  if (!mayHold(areaOf(part.room), shape.hullMm2, bench.measures.graceMm)) return null;
  let best: Offer | null = null;
  let found = 0;
  const skip = shape.angles.length > taste.flushes ? 1 - taste.flushes / shape.angles.length : 0;
  for (let b = 0; b < sides.length && b < taste.bases; b++) {
    const base = sides[b];
    if (base === undefined) break;
    let before = Infinity;
    for (let flush = 0; flush < shape.angles.length; flush++) {
      if (skip > 0 && random() < skip) continue;
      const turn = flushTurn(shape, part, base, flush);
      // Where the flow ties it, many sides end up at one turn.
      if (Math.abs(turn - before) < 1e-9) continue;
      before = turn;
      for (const end of [0, 1] as const) {
        const laid = lay(shape, turn, part, sides, base, end, bench.measures.graceMm);
        if (laid === null) continue;
        const { cuts, leftMm2 } = chooseCuts(laid, part.room, base, bench, random, taste.noise);
        const density = shape.hullMm2 / Math.max(shape.hullMm2, leftMm2);
        const chance = taste.noise === 0 ? 1 : 1 + taste.noise * (random() - 0.5);
        const score = density * shape.hullMm2 ** taste.size * chance;
        found++;
        if (best === null || score > best.score) {
          best = { rule: { shape: index, base: b, flush, end, cuts }, laid, base, score };
        }
        if (found === taste.enough) return best;
      }
    }
  }
  return best;
}

/** A break that is not in line with the base leaves a rest that is hard to fill: one so much larger than the shape counts for less. */
const SLANT = 0.7;
const SLANT_FROM = 12;

// Normals and offsets of the breaks that are weighed; filled and read within one call.
const NX = new Float64Array(32);
const NY = new Float64Array(32);
const FROM = new Float64Array(32);

/**
 * The breaks that leave most room beyond them, one after another, as long as something could still lie there.
 * @returns their kinds, and the room that is left round the shape, mm²
 */
export function chooseCuts(
  laid: Laid,
  room: Flat,
  base: Side,
  bench: Bench,
  random: () => number,
  noise: number,
): { cuts: number[]; leftMm2: number } {
  const { marginMm, leastShapeMm2, leastShapeMm } = bench.measures;
  const sides = laid.hull.length / 2;
  const kinds = sides + 3;
  weigh(laid.hull, base, marginMm);
  const slantFromMm2 = SLANT_FROM * (bench.shapes[0] === undefined ? 0 : areaOf(laid.hull));
  const cuts: number[] = [];
  let left = room;
  let leftMm2 = areaOf(room);
  let taken = 0;
  while (cuts.length < MOST_CUTS && leftMm2 > leastShapeMm2) {
    let best = -1;
    let bestScore = 0;
    for (let k = 0; k < kinds; k++) {
      if (taken & (1 << k)) continue;
      const nx = floatAt(NX, k);
      const ny = floatAt(NY, k);
      const from = floatAt(FROM, k);
      if (reach(left, nx, ny) - from < leastShapeMm) {
        // It will not be wider after another break.
        taken |= 1 << k;
        continue;
      }
      const mm2 = areaBeyond(left, nx, ny, from);
      if (mm2 < leastShapeMm2) {
        taken |= 1 << k;
        continue;
      }
      const slant = k < sides && mm2 > slantFromMm2 ? SLANT : 1;
      const score = slant * (noise === 0 ? mm2 : mm2 * (1 + noise * (random() - 0.5)));
      if (score > bestScore) {
        best = k;
        bestScore = score;
      }
    }
    if (best < 0) break;
    taken |= 1 << best;
    cuts.push(best < sides ? best : ALONG + best - sides);
    left = clip(left, floatAt(NX, best), floatAt(NY, best), floatAt(FROM, best) - marginMm + 1e-9);
    leftMm2 = areaOf(left);
  }
  return { cuts, leftMm2 };
}

/** The normals of all breaks round a shape, and where what lies beyond each of them begins. */
function weigh(hull: Flat, base: Side, marginMm: number): void {
  const sides = hull.length / 2;
  for (let k = 0; k < sides; k++) {
    const i = 2 * k;
    const j = (i + 2) % hull.length;
    const ax = numberAt(hull, i);
    const ay = numberAt(hull, i + 1);
    const ex = numberAt(hull, j) - ax;
    const ey = numberAt(hull, j + 1) - ay;
    const mm = Math.sqrt(ex * ex + ey * ey);
    NX[k] = ey / mm;
    NY[k] = -ex / mm;
    FROM[k] = (ey * ax - ex * ay) / mm + marginMm;
  }
  const beside = [-base.dy, base.dx, -base.dx, -base.dy, base.dx, base.dy];
  for (let k = 0; k < 3; k++) {
    const nx = numberAt(beside, 2 * k);
    const ny = numberAt(beside, 2 * k + 1);
    NX[sides + k] = nx;
    NY[sides + k] = ny;
    FROM[sides + k] = reach(hull, nx, ny) + marginMm;
  }
}
