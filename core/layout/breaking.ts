import { contains, nearestOnSegment, signedArea, type Point, type Ring } from '../geometry/index.ts';
import { pointAt } from '../units/index.ts';
import type { StraightBreak } from '../stock/index.ts';

/** How far the end of a break may lie off the boundary, mm. */
export const END_MM = 0.05;
/** Places along a break that are looked at. */
const PLACES = 40;

/** How far a point lies off a ring, mm. */
export function distanceToRing([x, y]: Point, ring: Ring): number {
  let least = Infinity;
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = pointAt(ring, (i + 1) % ring.length);
    least = Math.min(least, nearestOnSegment(x, y, ax, ay, bx, by).distSq);
  });
  return Math.sqrt(least);
}

/** Whether a break runs from boundary to boundary of a part without leaving it. */
export function crossesPart(ring: Ring, { from, to }: StraightBreak): boolean {
  if (distanceToRing(from, ring) > END_MM || distanceToRing(to, ring) > END_MM) return false;
  for (let k = 1; k < PLACES; k++) {
    const share = k / PLACES;
    if (!contains(ring, [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share])) return false;
  }
  return true;
}

/** The two rings that a break leaves of a part. */
export function splitRing(ring: Ring, { from, to }: StraightBreak): readonly [Ring, Ring] {
  const place = (p: Point): number => {
    let best = { at: 0, distSq: Infinity };
    ring.forEach(([ax, ay], i) => {
      const [bx, by] = pointAt(ring, (i + 1) % ring.length);
      const { t, distSq } = nearestOnSegment(p[0], p[1], ax, ay, bx, by);
      if (distSq < best.distSq - 1e-12) best = { at: i + t, distSq };
    });
    return best.at;
  };
  const [a, b] = [place(from), place(to)];
  const walk = (start: number, end: number): Point[] => {
    const points: Point[] = [];
    const last = end > start ? Math.floor(end) : Math.floor(end) + ring.length;
    for (let i = Math.floor(start) + 1; i <= last; i++) points.push(pointAt(ring, i % ring.length));
    return points;
  };
  return [
    [from, ...walk(a, b), to],
    [to, ...walk(b, a), from],
  ];
}

/** The two parts of a sheet after a straight break, the larger one first; null where it does not part it. */
export function partedBy(outline: Ring, at: StraightBreak): readonly [Ring, Ring] | null {
  if (!crossesPart(outline, at)) return null;
  const [one, other] = splitRing(outline, at).map(withoutTwins);
  if (one === undefined || other === undefined) return null;
  const [a, b] = [Math.abs(signedArea(one)), Math.abs(signedArea(other))];
  if (Math.min(a, b) < LEAST_PART_MM2) return null;
  return a >= b ? [one, other] : [other, one];
}
/** Less is a splinter, no part, mm². */
const LEAST_PART_MM2 = 1;
const withoutTwins = (ring: Ring): Ring =>
  ring.filter((p, i) => {
    const [x, y] = pointAt(ring, (i + 1) % ring.length);
    return Math.hypot(x - p[0], y - p[1]) > 1e-9;
  });

/** A part of a sheet, and how far it was drawn aside to be seen apart, mm. */
export interface BrokenPart {
  readonly outline: Ring;
  readonly aside: Point;
}

/**
 * A sheet after its first breaks, each pair of parts drawn a little apart.
 * @param apartMm how far each break draws its two sides apart
 */
export function brokenParts(outline: Ring, breaks: readonly StraightBreak[], apartMm: number): BrokenPart[] {
  let parts: BrokenPart[] = [{ outline, aside: [0, 0] }];
  for (const one of breaks) {
    const part = parts.find((p) => crossesPart(p.outline, one));
    if (part === undefined) continue;
    const [x, y] = [one.to[0] - one.from[0], one.to[1] - one.from[1]];
    const mm = Math.hypot(x, y);
    const sides = splitRing(part.outline, one).map((ring): BrokenPart => {
      const by = (sideOf(ring, one) * apartMm) / 2 / mm;
      return { outline: ring, aside: [part.aside[0] - y * by, part.aside[1] + x * by] };
    });
    parts = [...parts.filter((p) => p !== part), ...sides];
  }
  return parts;
}

/** On which side of a break a ring lies, by its corner that is farthest off: 1 or −1. */
function sideOf(ring: Ring, { from, to }: StraightBreak): number {
  let most = 0;
  for (const [x, y] of ring) {
    const off = (to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0]);
    if (Math.abs(off) > Math.abs(most)) most = off;
  }
  return Math.sign(most);
}
