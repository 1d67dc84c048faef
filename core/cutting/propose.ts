import { nth, pointAt } from '../units/index.ts';
import { DEFAULT_LIMITS } from '../limits/index.ts';
import type { Cartoon } from '../cartoon/index.ts';
import { pieceRings } from '../cartoon/index.ts';
import {
  pathLength,
  areaOfRings,
  boxOf,
  contains,
  insetRegion,
  mitredInset,
  nearestOnSegment,
  perimeter,
  regionContains,
  signedArea,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { cuttability, type Cuttability, type CuttingLimits } from './findings.ts';
import { bitesOf, countTightCorners, partsAt, tightestInsideCorner } from './ringShape.ts';

/** Lines that would make a piece cuttable, and how hard its parts would then be at most. */
export interface Proposal {
  readonly lines: readonly (readonly Point[])[];
  readonly lengthMm: number;
  readonly difficulty: Cuttability['difficulty'];
}

/** Parts smaller than this share of a piece are splinters, no cure. */
const LEAST_PART = 0.04;
/** A joint this near to the best foot is preferred to it: one joint less to solder. */
const JOINT_WORTH_MM = 4;
/** From one corner the shortest few lines are tried; a longer one is a new design. */
const MOST_CHORDS = 14;

/**
 * The shortest line that cures what keeps a piece from being cut as one: from the bottom of an inside curve or
 * corner to the nearest joint or line, across a neck, or from a hole out to both sides. Null when the piece can be
 * cut (difficulty under 4), or when no single straight line helps.
 * @param insetMm how far edges move in at a new line
 */
export function proposeLine(
  cartoon: Cartoon,
  number: number,
  judged: Cuttability,
  insetMm: number,
  limits: CuttingLimits = DEFAULT_LIMITS,
): Proposal | null {
  const piece = cartoon.pieces.find((p) => p.number === number);
  const neck = judged.findings.find((f) => f.kind === 'neck');
  if (!piece || (judged.difficulty < 4 && !neck)) return null;
  const rings = pieceRings(cartoon, piece);
  if (rings.length > 1) return throughHoles(rings);
  const ring = nth(rings, 0);
  const nodes = new Set(
    piece.rings.flat().flatMap((ref) => {
      const { from, to } = nth(cartoon.map.lines, ref < 0 ? ~ref : ref);
      return [from, to];
    }),
  );
  const joints = [...nodes].map((n) => pointAt(cartoon.map.nodes, n));
  const starts = [
    ...bitesOf(ring)
      .slice(0, 3)
      .map((b) => b.index),
  ];
  const corner = tightestInsideCorner(ring);
  if (corner) starts.push(corner.index);
  if (neck) starts.push(nearestVertex(ring, neck.from), nearestVertex(ring, neck.to));
  const before = { ...hardness([ring], insetMm, limits), difficulty: judged.difficulty };
  let best: (Proposal & { readonly left: number }) | null = null;
  for (const start of new Set(starts)) {
    for (const { to, edge, lengthMm } of chordsFrom(ring, start, joints)) {
      const parts = partsAt(ring, start, edge, to);
      if (parts.some((part) => part.length < 3 || Math.abs(signedArea(part)) < LEAST_PART * piece.areaMm2)) continue;
      const { difficulty, left } = hardness(parts, insetMm, limits);
      const helps = difficulty < before.difficulty || left < before.left;
      // A cure outright before one that only helps, the shorter before the longer.
      const cures = difficulty <= 3;
      const bestCures = best !== null && best.difficulty <= 3;
      const isBetter = !best || (cures === bestCures ? lengthMm < best.lengthMm : cures);
      if (helps && isBetter) best = { lines: [[pointAt(ring, start), to]], lengthMm, difficulty, left };
      // Chords come shortest first: the first cure from here is the best one from here.
      if (cures) break;
    }
  }
  return best && { lines: best.lines, lengthMm: best.lengthMm, difficulty: best.difficulty };
}

/** Straight lines inside the piece from one of its vertices to its joints and to the feet on its border, shortest first. */
function chordsFrom(
  ring: Ring,
  start: number,
  joints: readonly Point[],
): { to: Point; edge: number; lengthMm: number }[] {
  const [x, y] = pointAt(ring, start);
  const n = ring.length;
  const found: { to: Point; edge: number; lengthMm: number; cost: number }[] = [];
  const offer = (to: Point, edge: number, cost: number) => {
    const lengthMm = Math.hypot(to[0] - x, to[1] - y);
    if (lengthMm > 1) found.push({ to, edge, lengthMm, cost: lengthMm + cost });
  };
  for (let edge = 0; edge < n; edge++) {
    if (edge === start || (edge + 1) % n === start) continue;
    const [a, b] = [pointAt(ring, edge), pointAt(ring, (edge + 1) % n)];
    const hit = nearestOnSegment(x, y, a[0], a[1], b[0], b[1]);
    offer([hit.x, hit.y], edge, 0);
    // Straight on in both directions of the border at the corner: glaziers carry a line through.
    for (const joint of joints)
      if (Math.hypot(joint[0] - a[0], joint[1] - a[1]) < 1e-6) offer(joint, edge, -JOINT_WORTH_MM);
  }
  found.sort((p, q) => p.cost - q.cost);
  const inside: typeof found = [];
  for (const chord of found) {
    if (inside.length === MOST_CHORDS) break;
    if (isInside(ring, [x, y], chord.to)) inside.push(chord);
  }
  return inside;
}

/** Whether the open segment lies inside the ring: it crosses no edge, and its middle is inside. */
function isInside(ring: Ring, a: Point, b: Point): boolean {
  if (!contains(ring, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2])) return false;
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  for (let i = 0; i < ring.length; i++) {
    const [c, d] = [pointAt(ring, i), pointAt(ring, (i + 1) % ring.length)];
    const [ex, ey] = [d[0] - c[0], d[1] - c[1]];
    const cross = dx * ey - dy * ex;
    if (cross === 0) continue;
    const t = ((c[0] - a[0]) * ey - (c[1] - a[1]) * ex) / cross;
    const u = ((c[0] - a[0]) * dy - (c[1] - a[1]) * dx) / cross;
    if (t > 1e-6 && t < 1 - 1e-6 && u > -1e-9 && u < 1 + 1e-9) return false;
  }
  return true;
}

/** How hard the hardest of some parts is, and how many tight corners, hard curves and necks are left in all. */
function hardness(
  parts: readonly Ring[],
  insetMm: number,
  limits: CuttingLimits,
): { difficulty: Cuttability['difficulty']; left: number } {
  let difficulty: Cuttability['difficulty'] = 1;
  let left = 0;
  for (const part of parts) {
    const quick = mitredInset(
      part,
      part.map(() => insetMm),
    );
    const rings = quick && signedArea(quick) > 0 ? [quick] : insetRegion([part], insetMm);
    const { minX, minY, maxX, maxY } = rings.length > 0 ? boxOf(rings.flat()) : { minX: 0, minY: 0, maxX: 0, maxY: 0 };
    const areaMm2 = areaOfRings(rings);
    const perimeterMm = rings.reduce((sum, ring) => sum + perimeter(ring), 0);
    const judged = cuttability(
      { number: 0, rings, areaMm2, perimeterMm, widthMm: maxX - minX, heightMm: maxY - minY, daylightMm2: areaMm2 },
      limits,
    );
    if (judged.difficulty > difficulty) difficulty = judged.difficulty;
    left += rings.length === 1 ? 0 : 1;
    left += judged.findings.filter((f) => f.kind === 'neck' || f.kind === 'slender').length;
    for (const ring of rings) {
      left += countTightCorners(ring, limits.cornerMm);
      left += bitesOf(ring).filter((b) => b.bite > limits.hardBite).length;
    }
  }
  return { difficulty, left };
}

/** A hole is opened on two sides: by its shortest way out, and by the shortest one on the far side. */
function throughHoles(rings: readonly Ring[]): Proposal | null {
  const lines: Point[][] = [];
  for (const hole of rings.slice(1)) {
    const [mx, my] = middle(hole);
    const ways: { from: Point; to: Point; lengthMm: number; angle: number }[] = [];
    for (const from of sampled(hole)) {
      for (const [k, other] of rings.entries()) {
        if (other === hole || k > 0) continue;
        for (let i = 0; i < other.length; i++) {
          const [a, b] = [pointAt(other, i), pointAt(other, (i + 1) % other.length)];
          const hit = nearestOnSegment(from[0], from[1], a[0], a[1], b[0], b[1]);
          ways.push({
            from,
            to: [hit.x, hit.y],
            lengthMm: Math.sqrt(hit.distSq),
            angle: Math.atan2(from[1] - my, from[0] - mx),
          });
        }
      }
    }
    ways.sort((p, q) => p.lengthMm - q.lengthMm);
    const isClear = (w: (typeof ways)[number]) =>
      [0.1, 0.3, 0.5, 0.7, 0.9].every((t) =>
        regionContains(rings, [w.from[0] + (w.to[0] - w.from[0]) * t, w.from[1] + (w.to[1] - w.from[1]) * t]),
      );
    const first = ways.find(isClear);
    if (!first) return null;
    const apart = (a: number, b: number) => Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));
    const second = ways.find((w) => apart(w.angle, first.angle) > (2 * Math.PI) / 3 && isClear(w));
    if (!second) return null;
    lines.push([first.from, first.to], [second.from, second.to]);
  }
  const lengthMm = lines.reduce((sum, line) => sum + pathLength(line), 0);
  return { lines, lengthMm, difficulty: 3 };
}

function middle(ring: Ring): Point {
  return [ring.reduce((s, p) => s + p[0], 0) / ring.length, ring.reduce((s, p) => s + p[1], 0) / ring.length];
}

const sampled = (ring: Ring): Point[] => ring.filter((_, i) => i % Math.max(1, Math.floor(ring.length / 48)) === 0);

function nearestVertex(ring: Ring, [x, y]: Point): number {
  return ring.reduce(
    (best, p, i) =>
      Math.hypot(p[0] - x, p[1] - y) < Math.hypot(pointAt(ring, best)[0] - x, pointAt(ring, best)[1] - y) ? i : best,
    0,
  );
}
