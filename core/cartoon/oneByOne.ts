import { CAPACITY, TOLERANCE } from '../limits/index.ts';
import { nth, lastOf, knownIn, numberAt, pointAt, intAt } from '../units/index.ts';
import Flatbush from 'flatbush';
import {
  boxOf,
  centroid,
  closeGaps,
  contains,
  insetRegion,
  nearestOnSegment,
  pathLength,
  poleOf,
  signedArea,
  thinRing,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { middleLines } from './middle.ts';
import type { DrawnLine } from './read/types.ts';

/** Outlines of fewer points are not worth thinning. */
const FEW_POINTS = 24;
/** Drawings whose closed outlines make up less of their length than this are nets of lines. */
const CLOSED_SHARE = 0.85;
/** So much of the outlines must run beside another, near but not on it. */
const BESIDE_SHARE = 0.12;
const SAMPLES = 12_000;
/** One shape of more outlines than this is a net of ink, not a piece with holes in it. */
const MOST_OUTLINES = 16;
/** Boxes of other regions round one place, on the whole: a panel has a handful. */
const MOST_AROUND = 40;
/** So many places of each outline are asked what they lie in. */
const PLACES = 6;
/** Of regions drawn one by one hardly any lies across another. */
const MOST_ACROSS = 0.15;
/** Cosine of 30°: borders this nearly parallel run side by side. */
const ALONGSIDE_COS = 0.86;

export interface Borders {
  readonly lines: readonly DrawnLine[];
  /** How far two copies of a border were apart at most, mm. */
  readonly widthMm: number;
  /** Regions drawn one by one. */
  readonly count: number;
}

interface Region {
  readonly ring: Ring;
  readonly isHole: boolean;
  readonly shape: number | undefined;
}

/**
 * Regions drawn one by one, each with a copy of the shared border that is nearly but not exactly the other's:
 * the border becomes one line in the middle between the copies. Null when the drawing is not of that kind.
 *
 * Copies may overlap or leave a gap. All regions are drawn in by the deepest overlap, so that there is a channel
 * between any two; its middle is where it was before.
 */
export function joinRegions(lines: readonly DrawnLine[]): Borders | null {
  const regions = regionsOf(lines);
  if (!regions) return null;
  const within = containment(regions);
  if (!within) return null;
  const round = regions.filter((_, i) => isRound(within.holds, i));
  if (round.length > 0) return joinWithin(lines, regions, round);
  const apart = measureApart(regions);
  if (!apart) return null;
  const inMm = apart.overlapMm === 0 ? 0 : apart.overlapMm / 2 + 0.05;
  const drawnIn = regions.flatMap(({ ring, isHole }, label) =>
    moved(ring, isHole ? -inMm : inMm).map((inner) => ({ ring: inner, label, isHole })),
  );
  const widthMm = apart.gapMm + 2 * inMm;
  const mostMm = Math.max(0.1, widthMm * 1.5);
  const reach = mostMm / 2 + 0.02;
  // Only what others do not surround shows in the contour; of the rest it is enough to know where it lies.
  const oriented = drawnIn.map(({ ring, isHole, label }) => {
    const roughly = thinRing(ring, FEW_POINTS, reach / 8, apart.surrounded.has(label) ? reach / 2 : reach / 8);
    return signedArea(roughly) > 0 !== isHole ? roughly : [...roughly].reverse();
  });
  const contour = closeGaps(oriented, reach, reach - inMm);
  // Where copies waver beside each other their middle is no surer than a part of that.
  const surerMm = Math.max(TOLERANCE.flatnessMm, (apart.gapMm + apart.overlapMm) / 8);
  const middle = middleLines(drawnIn, apart.medianMm + 2 * inMm || widthMm, mostMm, surerMm);
  const islands = regions.filter((_, i) => !apart.beside.has(i) && within.inside.has(i)).map(({ ring }) => ring);
  return {
    lines: [...[...contour, ...islands].map((ring) => ({ points: ring, closed: true })), ...middle],
    widthMm: apart.gapMm + apart.overlapMm,
    count: regions.filter(({ isHole }) => !isHole).length,
  };
}

/**
 * The same with an outline drawn round most of the others. With holes of its own it is the rim of a net of ink. Else it is a
 * frame: it stays where the regions keep off it, and goes where they reach it, since their own contour is the rim then.
 */
function joinWithin(lines: readonly DrawnLine[], regions: readonly Region[], round: readonly Region[]): Borders | null {
  const frames = new Set(round.map(({ ring }) => ring));
  const isInk = round.some(({ shape }) => shape !== undefined && regions.filter((r) => r.shape === shape).length > 1);
  if (isInk || round.length > MOST_FRAMES) return null;
  const rest = lines.filter(({ points }) => !frames.has(points) && !isDrawnAs(points, frames));
  const joined = rest.length < lines.length ? joinRegions(rest) : null;
  if (!joined) return null;
  const kept = [...frames].filter(
    (frame) => !joined.lines.some((line) => line.closed && runsAlong(frame, line.points)),
  );
  return { ...joined, lines: [...joined.lines, ...kept.map((points) => ({ points, closed: true }))] };
}

/** Whether an outline goes round most of the others. */
const isRound = (holds: Int32Array, i: number): boolean => intAt(holds, i) > Math.max(2, holds.length / 2);

/** Frames round frames: a border of several lines. */
const MOST_FRAMES = 4;

/** A ring that closes by its last point lies in the regions without it. */
const isDrawnAs = (points: readonly Point[], rings: ReadonlySet<Ring>): boolean =>
  [...rings].some((ring) => ring.length === points.length - 1 && ring.every((point, i) => point === points[i]));

/** Whether a ring lies nowhere further from another than two borders that are one can be. */
const runsAlong = (ring: Ring, other: Ring): boolean =>
  ring.every((point, i) => {
    const [ax, ay] = point;
    const [bx, by] = pointAt(ring, (i + 1) % ring.length);
    return !isDeep(other, point) && !isDeep(other, [(ax + bx) / 2, (ay + by) / 2]);
  });

/** The drawing as closed regions, holes told by lying inside an outline of the same drawn shape. */
function regionsOf(lines: readonly DrawnLine[]): Region[] | null {
  let closedMm = 0;
  let allMm = 0;
  const rings: { ring: Ring; shape: number | undefined }[] = [];
  for (const { points, closed, shape } of lines) {
    const first = pointAt(points, 0);
    const last = lastOf(points);
    const mm = pathLength(points);
    const ends = Math.hypot(first[0] - last[0], first[1] - last[1]);
    allMm += mm;
    if (points.length < 3 || !(closed || ends < TOLERANCE.oneBorderMm)) continue;
    closedMm += mm;
    rings.push({ ring: ends < TOLERANCE.oneBorderMm ? points.slice(0, -1) : points, shape });
  }
  if (rings.length > CAPACITY.pieces) return null;
  if (rings.length < 2 || closedMm < CLOSED_SHARE * allMm) return null;
  const sound = rings.filter(({ ring }) => ring.length >= 3);
  const byShape = new Map<number, Ring[]>();
  for (const { ring, shape } of sound)
    if (shape !== undefined) byShape.set(shape, [...(byShape.get(shape) ?? []), ring]);
  if ([...byShape.values()].some((outlines) => outlines.length > MOST_OUTLINES)) return null;
  return sound.map(({ ring, shape }) => {
    const siblings = shape === undefined ? [] : knownIn(byShape, shape);
    const around = siblings.filter((other) => other !== ring && contains(other, pointAt(ring, 0)));
    return { ring, shape, isHole: around.length % 2 === 1 };
  });
}

interface Apart {
  readonly gapMm: number;
  readonly overlapMm: number;
  readonly medianMm: number;
  /** Regions that have another beside them. */
  readonly beside: ReadonlySet<number>;
  /** Regions that have others beside them all round. */
  readonly surrounded: ReadonlySet<number>;
}

function measureApart(regions: readonly Region[]): Apart | null {
  const sides: { owner: number; ax: number; ay: number; bx: number; by: number; mm: number }[] = [];
  let length = 0;
  regions.forEach(({ ring }, r) =>
    ring.forEach(([ax, ay], i) => {
      const [bx, by] = pointAt(ring, (i + 1) % ring.length);
      const mm = Math.hypot(bx - ax, by - ay);
      sides.push({ owner: r, ax, ay, bx, by, mm });
      length += mm;
    }),
  );
  const tree = new Flatbush(sides.length);
  for (const { ax, ay, bx, by } of sides)
    tree.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
  tree.finish();
  const step = Math.max(0.5, length / SAMPLES);
  const gaps: number[] = [];
  const overlaps: number[] = [];
  const beside = new Set<number>();
  const open = new Set<number>();
  let samples = 0;
  let carried = 0;
  for (const { owner, ax, ay, bx, by, mm } of sides) {
    for (let t = step - carried; t <= mm; t += step) {
      samples++;
      const [x, y] = [ax + ((bx - ax) * t) / mm, ay + ((by - ay) * t) / mm];
      let best: number = TOLERANCE.apartMm;
      let other = -1;
      const near = tree.search(x - best, y - best, x + best, y + best, (o) => nth(sides, o).owner !== owner);
      if (near.length > CAPACITY.nearOnePlace) return null;
      for (const o of near) {
        const there = nth(sides, o);
        const hit = nearestOnSegment(x, y, there.ax, there.ay, there.bx, there.by);
        if (hit.distSq >= best * best) continue;
        // Only borders that run side by side count, not a corner that another one ends near.
        const [ux, uy] = [(bx - ax) / mm, (by - ay) / mm];
        const [vx, vy] = [there.bx - there.ax, there.by - there.ay];
        const alongMm = Math.abs((hit.x - x) * ux + (hit.y - y) * uy);
        if (Math.abs(ux * vx + uy * vy) < ALONGSIDE_COS * Math.hypot(vx, vy)) continue;
        if (
          hit.distSq > TOLERANCE.oneBorderMm * TOLERANCE.oneBorderMm &&
          alongMm > (1 - ALONGSIDE_COS) * 2 * Math.sqrt(hit.distSq)
        )
          continue;
        best = Math.sqrt(hit.distSq);
        other = there.owner;
      }
      if (near.length === 0) open.add(owner);
      if (other < 0) continue;
      beside.add(owner).add(other);
      if (best <= TOLERANCE.oneBorderMm) continue;
      const { ring, isHole } = nth(regions, other);
      const mine = nth(regions, owner).isHole;
      (contains(ring, [x, y]) !== (isHole || mine) ? overlaps : gaps).push(best);
    }
    carried = (carried + mm) % step;
  }
  const near = gaps.length + overlaps.length;
  if (samples === 0 || near < BESIDE_SHARE * samples) return null;
  const at = (values: number[], share: number) =>
    values.sort((a, b) => a - b)[Math.floor((values.length - 1) * share)] ?? 0;
  return {
    gapMm: at(gaps, 0.98),
    overlapMm: at(overlaps, 0.999),
    medianMm: at(gaps, 0.5),
    beside,
    surrounded: new Set([...beside].filter((r) => !open.has(r))),
  };
}

/** A ring drawn in (or, with a negative measure, out); it may come apart or vanish. */
function moved(ring: Ring, byMm: number): Ring[] {
  return byMm === 0 ? [ring] : insetRegion([ring], byMm);
}

/**
 * Which regions lie inside another one, and how many each one holds. Null for a heap of outlines on one another:
 * regions drawn one by one may overlap a little at their borders, or lie in one another whole.
 */
function containment(
  regions: readonly Region[],
): { readonly inside: ReadonlySet<number>; readonly holds: Int32Array } | null {
  const tree = new Flatbush(regions.length);
  for (const { ring } of regions) {
    const { minX, minY, maxX, maxY } = boxOf(ring);
    tree.add(minX, minY, maxX, maxY);
  }
  tree.finish();
  const inside = new Set<number>();
  const holds = new Int32Array(regions.length);
  const areas = regions.map(({ ring }) => Math.abs(signedArea(ring)));
  let looked = 0;
  /** Regions round a place of region `i`, by their boxes first. */
  const around = (i: number, [x, y]: Point): number[] => {
    const boxes = tree.search(x, y, x, y);
    looked += boxes.length;
    return boxes.filter((k) => k !== i && contains(nth(regions, k).ring, [x, y]));
  };
  for (const [i, { ring }] of regions.entries()) {
    // A corner may stick out of a frame, or lie over a neighbour: the middle tells.
    for (const k of around(i, innerPoint(ring))) {
      if (numberAt(areas, k) <= numberAt(areas, i)) continue;
      inside.add(i);
      holds[k] = intAt(holds, k) + 1;
    }
    if (looked > MOST_AROUND * (regions.length + 100)) return null;
  }
  const most = MOST_ACROSS * regions.length;
  let across = 0;
  for (const [i, { ring }] of regions.entries()) {
    const deep = new Map<number, number>();
    const places = Math.min(PLACES, ring.length);
    for (let p = 0; p < places; p++) {
      const place = pointAt(ring, Math.floor((p * ring.length) / places));
      // What reaches a frame from within lies near it in some places and deep in others.
      for (const k of around(i, place))
        if (!isRound(holds, k) && isDeep(nth(regions, k).ring, place)) deep.set(k, (deep.get(k) ?? 0) + 1);
    }
    // One more and it is a heap: the rest need not be asked.
    if ([...deep.values()].some((n) => n < places) && ++across > most) return null;
  }
  return { inside, holds };
}

/** A point well inside a ring: its centre of gravity where that is one. */
function innerPoint(ring: Ring): Point {
  const middle = centroid([ring]);
  return contains(ring, middle) ? middle : poleOf([ring], TOLERANCE.apartMm / 2).at;
}

/** Whether a point lies further from a ring than two copies of one border can be apart. */
const isDeep = (ring: Ring, [x, y]: Point): boolean =>
  ring.every(([ax, ay], i) => {
    const [bx, by] = pointAt(ring, (i + 1) % ring.length);
    return nearestOnSegment(x, y, ax, ay, bx, by).distSq > TOLERANCE.apartMm * TOLERANCE.apartMm;
  });
