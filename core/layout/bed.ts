import { meetingOf, signedArea, type Point, type Ring } from '../geometry/index.ts';
import { pointAt } from '../units/index.ts';
import { hullOf, shrunk } from './convex.ts';
import type { Bed, Part } from './part.ts';
import type { LayoutSheet } from './types.ts';

/** How a sheet comes apart into convex parts before any piece is cut: nothing to do, or one break and what it leaves. */
export type Bared =
  | { readonly kind: 'part'; readonly part: Part; readonly index: number }
  | { readonly kind: 'break'; readonly from: Point; readonly to: Point; readonly sides: readonly Bared[] };

/** A corner that turns inwards by less than this is a hair in the drawing, mm. */
const HOLLOW_MM = 0.01;
/** Of a sheet with more hollows than this the outer ones are given up. */
const MOST_SPLITS = 40;

const clockwise = (ring: Ring): Ring => (signedArea(ring) < 0 ? [...ring].reverse() : ring);

/** Doubled points and points on a straight side left out. */
function tidy(ring: Ring): Ring {
  const distinct = ring.filter((p, i) => {
    const [x, y] = pointAt(ring, (i + 1) % ring.length);
    return Math.hypot(x - p[0], y - p[1]) > 1e-6;
  });
  return distinct.filter((p, i) => {
    const a = pointAt(distinct, (i + distinct.length - 1) % distinct.length);
    const b = pointAt(distinct, (i + 1) % distinct.length);
    const mm = Math.hypot(b[0] - a[0], b[1] - a[1]);
    return mm < 1e-9 || Math.abs((p[0] - a[0]) * (b[1] - a[1]) - (p[1] - a[1]) * (b[0] - a[0])) / mm > 1e-7;
  });
}

/** The corner that turns inwards most, by how deep it lies behind its neighbours; −1 on a convex ring. */
function deepestHollow(ring: Ring): number {
  let worst = -1;
  let deepest = HOLLOW_MM;
  ring.forEach(([x, y], i) => {
    const [ax, ay] = pointAt(ring, (i + ring.length - 1) % ring.length);
    const [bx, by] = pointAt(ring, (i + 1) % ring.length);
    const cross = (x - ax) * (by - y) - (y - ay) * (bx - x);
    if (cross >= 0) return;
    const depth = -cross / Math.max(1e-9, Math.hypot(bx - ax, by - ay));
    if (depth > deepest) [worst, deepest] = [i, depth];
  });
  return worst;
}

/** The nearest place where a straight line from a corner into the glass reaches the edge again. */
function acrossFrom(ring: Ring, corner: number, [dx, dy]: Point): { side: number; at: Point } | null {
  const from = pointAt(ring, corner);
  const far: Point = [from[0] + dx, from[1] + dy];
  let best: { side: number; at: Point } | null = null;
  let nearest = Infinity;
  ring.forEach((a, i) => {
    const j = (i + 1) % ring.length;
    if (i === corner || j === corner) return;
    const b = pointAt(ring, j);
    const meeting = meetingOf(from, far, a, b);
    if (meeting === null || meeting.t <= 1e-9 || meeting.u < -1e-9 || meeting.u > 1 + 1e-9 || meeting.t >= nearest)
      return;
    nearest = meeting.t;
    best = { side: i, at: [from[0] + meeting.t * dx, from[1] + meeting.t * dy] };
  });
  return best;
}

/** The two rings that a break from a corner leaves. */
function broken(ring: Ring, corner: number, side: number, at: Point): readonly [Ring, Ring] {
  const walk = (from: number, to: number): Point[] => {
    const points: Point[] = [];
    for (let i = from; ; i = (i + 1) % ring.length) {
      points.push(pointAt(ring, i));
      if (i === to) return points;
    }
  };
  return [tidy([...walk(corner, side), at]), tidy([at, ...walk((side + 1) % ring.length, corner)])];
}

/**
 * A sheet as convex parts. A hollow corner can only be broken from itself, in line with one of the two edges that meet
 * there: of these the one is taken that leaves the largest part.
 */
export function barePart(sheet: LayoutSheet, index: number, edgeMm: number, marginMm: number): Bared {
  const flowRad = sheet.flowDeg === null ? null : (sheet.flowDeg * Math.PI) / 180;
  const bed: Bed = {
    sheet: index,
    flowRad,
    areaMm2: Math.abs(signedArea(sheet.outline)),
    flaws: sheet.flaws.map((flaw) => hullOf(flaw)),
  };
  let splits = 0;
  let parts = 0;
  const bare = (ring: Ring, isWhole: boolean): Bared => {
    const corner = deepestHollow(ring);
    if (corner >= 0 && splits < MOST_SPLITS) {
      const here = pointAt(ring, corner);
      const before = pointAt(ring, (corner + ring.length - 1) % ring.length);
      const after = pointAt(ring, (corner + 1) % ring.length);
      const ways = [
        [here[0] - before[0], here[1] - before[1]],
        [here[0] - after[0], here[1] - after[1]],
      ] as const;
      let best: { sides: readonly [Ring, Ring]; at: Point; mm2: number } | null = null;
      for (const way of ways) {
        const hit = acrossFrom(ring, corner, way);
        if (hit === null) continue;
        const sides = broken(ring, corner, hit.side, hit.at);
        if (sides.some((side) => side.length < 3 || signedArea(side) < 1e-3)) continue;
        const mm2 = Math.max(...sides.map((side) => signedArea(side)));
        if (best === null || mm2 > best.mm2) best = { sides, at: hit.at, mm2 };
      }
      if (best !== null) {
        splits++;
        return {
          kind: 'break',
          from: here,
          to: best.at,
          sides: best.sides.map((side) => bare(side, false)),
        };
      }
    }
    const glass = hullOf(ring);
    // A piece stays off the hollow corner that a break starts from by the strip along the edge, so the whole break does.
    const by = isWhole ? edgeMm : Math.max(edgeMm, marginMm / 2);
    return { kind: 'part', index: parts++, part: { bed, glass, room: corner < 0 ? shrunk(glass, by) : [] } };
  };
  return bare(clockwise(tidy(sheet.outline)), true);
}

/** The convex parts of a sheet, in the order of their index. */
export const partsOf = (bared: Bared): Part[] =>
  bared.kind === 'part' ? [bared.part] : bared.sides.flatMap((side) => partsOf(side));
