import type { Limits } from '../limits/index.ts';
import { lastOf, nth, pointAt } from '../units/index.ts';
import { boxOf, thinRing, type Point, type Ring } from '../geometry/index.ts';
import { GlassLeft } from './glassLeft.ts';
import { sidesOf, type Side, type SideKind } from './sides.ts';

/** Glass that is held round a piece while it is cut, on each side; common practice is a good finger's width. */
const HELD_MM = 12;
/** A wide curve takes deeper slices rather than more than this. */
const MOST_RUNS = 6;
/** How far the first slices of an inside curve stay outside of its mouth. */
const SLICE_CLEAR_MM = 2;
/** A score bends by no more than this where it leaves the border for the edge of the glass. */
const MOST_RUN_OUT_TURN = (80 * Math.PI) / 180;
const RUN_OUT_STEP = Math.PI / 180;

/** No hand follows more points round a piece; outlines of more are thinned by less than a score may be off. */
const SCORED_POINTS = 300;

const MOST_HALVED = 8;

/** A stretch is led on the way it runs over so much of its end, mm. */
const LED_ON_MM = 1.5;

/** One score of the cutter, in the order to take it. */
export interface Score {
  readonly kind: SideKind;
  /** From edge to edge of the glass that is left at that moment. */
  readonly points: readonly Point[];
  /** What of it follows the cut outline, clockwise as seen. */
  readonly along: readonly Point[];
  /** How many scores are run out one after the other until the border is reached. */
  readonly passes: number;
  /** The shallower ones before it, from edge to edge too. */
  readonly reliefs: readonly (readonly Point[])[];
}

export interface ScorePlan {
  /** The glass that is held at the beginning. */
  readonly blank: Ring;
  readonly scores: readonly Score[];
  /** Stretches of the border that no score frees: what lies there cannot be pulled away. */
  readonly stuck: readonly (readonly Point[])[];
}

/**
 * In which order a piece is scored: inside bends first and the deepest of them before all, while there is still glass
 * round them to hold; then straight sides, longest first; outside curves last (common practice). Each score has been
 * tried on the glass that is left at its turn: it runs from edge to edge, nowhere into the piece, and what it parts can
 * be pulled straight away.
 * @param outline outer ring of the cut outline, clockwise as seen, mm
 */
export function planScores(outline: Ring, { sliceMm }: Pick<Limits, 'sliceMm'>): ScorePlan {
  const ring = thinRing(outline, SCORED_POINTS, 0.005, 0.02);
  const { minX, minY, maxX, maxY } = boxOf(ring);
  const blank: Point[] = [
    [minX - HELD_MM, minY - HELD_MM],
    [maxX + HELD_MM, minY - HELD_MM],
    [maxX + HELD_MM, maxY + HELD_MM],
    [minX - HELD_MM, maxY + HELD_MM],
  ];
  const glass = new GlassLeft(ring, blank);
  const rank: Readonly<Record<SideKind, number>> = { inside: 0, straight: 1, outside: 2 };
  let open = sidesOf(ring).sort(
    (a, b) => rank[a.kind] - rank[b.kind] || (a.kind === 'inside' ? b.depthMm - a.depthMm : b.lengthMm - a.lengthMm),
  );
  const scores: Score[] = [];
  let halved = 0;
  while (open.length > 0) {
    // A score before it may have freed a stretch on its way out.
    open = open.filter((side) => !glass.isFreed(side.points));
    const taken = firstTaken(open, (side) => scoresFor(glass, side, sliceMm));
    if (taken) {
      scores.push(...taken.scores);
      open = open.filter((side) => side !== taken.side);
      continue;
    }
    // An outside curve that cannot be followed in one go is followed in two.
    const wide = open.find((side) => side.kind === 'outside' && side.points.length > 2);
    if (!wide || halved++ >= MOST_HALVED) break;
    open = open.flatMap((side) => (side === wide ? halvesOf(side) : [side]));
  }
  return { blank, scores, stuck: open.map((side) => side.points) };
}

function halvesOf(side: Side): Side[] {
  const middle = side.points.length >> 1;
  return [side.points.slice(0, middle + 1), side.points.slice(middle)].map((points) => ({ ...side, points }));
}

function firstTaken(open: readonly Side[], take: (side: Side) => Score[] | null) {
  for (const side of open) {
    const scores = take(side);
    if (scores) return { side, scores };
  }
  return null;
}

/** The scores that free one side; null where it cannot be done now, and the glass is as it was. */
function scoresFor(glass: GlassLeft, side: Side, sliceMm: number): Score[] | null {
  // With slices before it where they can be had; else without.
  for (const depthMm of side.kind === 'inside' ? [side.bendMm, 0] : [0]) {
    const tried = glass.copy();
    const reliefs = takeSlices(tried, side.points, depthMm, sliceMm);
    const path = runOut(tried, side.points);
    if (!path || !tried.take(path)) continue;
    glass.become(tried);
    return [{ kind: side.kind, points: path, along: side.points, passes: reliefs.length + 1, reliefs }];
  }
  return side.kind === 'inside' ? aroundTheMouth(glass, side, sliceMm) : null;
}

/** A border's stretch led on at both ends to the edge of the glass, as nearly straight on as the piece allows. */
function runOut(glass: GlassLeft, along: readonly Point[]): Point[] | null {
  const first = exitFrom(glass, along, 1);
  const last = exitFrom(glass, [...along].reverse(), -1);
  return first && last && glass.settled([...first.reverse(), ...along, ...last]);
}

/**
 * From the first point of a stretch out to the edge of the glass; nothing to add where it is there already.
 * @param outwards 1 at the beginning of a stretch that runs clockwise, -1 at its end
 */
function exitFrom(glass: GlassLeft, along: readonly Point[], outwards: 1 | -1): Point[] | null {
  const from = pointAt(along, 0);
  if (glass.isGone(from)) return [];
  const next = along.find(([x, y]) => Math.hypot(x - from[0], y - from[1]) > LED_ON_MM) ?? lastOf(along);
  const back = Math.atan2(from[1] - next[1], from[0] - next[0]);
  for (let turn = 0; turn <= MOST_RUN_OUT_TURN; turn += RUN_OUT_STEP) {
    // Clockwise as seen the waste lies to the left: going back from the first point that is a turn to the right.
    const angle = back + outwards * turn;
    const edge = glass.edgeAlong(from, [Math.cos(angle), Math.sin(angle)]);
    if (edge && glass.isClear([from, edge])) return [edge];
  }
  return null;
}

/** The slices of an inside bend before its last score, each nearer to the border and none across the one before. */
function takeSlices(glass: GlassLeft, along: readonly Point[], depthMm: number, sliceMm: number): Point[][] {
  const passes = Math.min(MOST_RUNS, Math.max(1, Math.ceil(depthMm / sliceMm)));
  const [first, last] = [pointAt(along, 0), lastOf(along)];
  const mm = Math.hypot(last[0] - first[0], last[1] - first[1]);
  if (mm < 1e-6) return [];
  const [ux, uy] = [(last[0] - first[0]) / mm, (last[1] - first[1]) / mm];
  const slices: Point[][] = [];
  for (let k = 1; k < passes; k++) {
    const share = k / passes;
    const slice = along.map(([x, y]): Point => {
      const t = (x - first[0]) * ux + (y - first[1]) * uy;
      const depth = -(x - first[0]) * uy + (y - first[1]) * ux;
      const s = share * depth - (1 - share) * SLICE_CLEAR_MM;
      return [first[0] + t * ux - s * uy, first[1] + t * uy + s * ux];
    });
    for (const path of [longRunOuts(glass, slice), runOut(glass, slice)]) {
      if (!path || !glass.take(path)) continue;
      slices.push(path);
      break;
    }
  }
  return slices;
}

const FAR_MM = 10_000;

/** A slice led on straight at both ends, as far as it lies in the glass. */
function longRunOuts(glass: GlassLeft, slice: readonly Point[]): Point[] | null {
  const beyond = (a: Point, b: Point): Point => {
    const mm = Math.hypot(a[0] - b[0], a[1] - b[1]) || 1;
    return [a[0] + ((a[0] - b[0]) / mm) * FAR_MM, a[1] + ((a[1] - b[1]) / mm) * FAR_MM];
  };
  const [first, last] = [pointAt(slice, 0), lastOf(slice)];
  const path = [beyond(first, nth(slice, 1)), ...slice, beyond(last, nth(slice, slice.length - 2))];
  const chord = (p: Point) =>
    Math.abs((last[0] - first[0]) * (p[1] - first[1]) - (last[1] - first[1]) * (p[0] - first[0]));
  const deepest = path.reduce(
    (best, p, i) => (i > 0 && i < path.length - 1 && chord(p) > chord(nth(path, best)) ? i : best),
    1,
  );
  return glass.within(path, deepest);
}

/** Ways straight out of a mouth that are tried, from its middle to both sides, radians. */
const WAYS_OUT = [0, 10, -10, 20, -20, 30, -30, 40, -40].map((deg) => (deg * Math.PI) / 180);

/**
 * An inside bend that is wider behind its mouth: first what lies straight behind the mouth, then what is left on the
 * sides, which slides into that room and out.
 */
function aroundTheMouth(glass: GlassLeft, side: Side, sliceMm: number): Score[] | null {
  for (const way of WAYS_OUT) {
    const parts = splitBehindMouth(side.points, way);
    if (!parts) continue;
    const attempt = glass.copy();
    const [start, core, end] = parts;
    const wholeCore = [...(start ? [pointAt(start, 0)] : []), ...core, ...(end ? [lastOf(end)] : [])];
    const path = runOut(attempt, wholeCore);
    if (!path || !attempt.wouldTake(path)) continue;
    const reliefs = takeSlices(attempt, wholeCore, side.bendMm, sliceMm);
    const now = runOut(attempt, wholeCore) ?? path;
    if (!attempt.take(now)) continue;
    const scores: Score[] = [{ kind: 'inside', points: now, along: core, passes: reliefs.length + 1, reliefs }];
    const rest = [start, end].filter((part) => part !== null);
    if (!rest.every((part) => attempt.take(part))) continue;
    for (const part of rest) scores.push({ kind: 'inside', points: part, along: part, passes: 1, reliefs: [] });
    glass.become(attempt);
    return scores;
  }
  return null;
}

/**
 * Parts a bend where lines straight in from the ends of its mouth meet its bottom.
 * @returns what is left over at the beginning, what lies behind the mouth, and what is left over at the end
 */
function splitBehindMouth(along: readonly Point[], way: number): [Point[] | null, Point[], Point[] | null] | null {
  const [first, last] = [pointAt(along, 0), lastOf(along)];
  const chord = Math.atan2(last[1] - first[1], last[0] - first[0]) + way;
  const across = ([x, y]: Point) => (x - first[0]) * Math.cos(chord) + (y - first[1]) * Math.sin(chord);
  const width = across(last);
  if (width <= 0) return null;
  const cross = (level: number, from: number, step: 1 | -1): { index: number; at: Point } | null => {
    // The border leaves the mouth sideways and comes back over the level of its end once.
    for (let i = from; along[i + step]; i += step) {
      const [a, b] = [pointAt(along, i), pointAt(along, i + step)];
      const [p, q] = [(across(a) - level) * step, (across(b) - level) * step];
      if (p < -1e-9 && q >= 0) {
        const t = p / (p - q);
        return { index: i, at: [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t] };
      }
    }
    return null;
  };
  const leavesBack = (i: number, step: 1 | -1, level: number) =>
    (across(pointAt(along, i + step)) - level) * step < -1e-9;
  const n = along.length;
  if (n < 3) return null;
  const left = leavesBack(0, 1, 0) ? cross(0, 0, 1) : undefined;
  const right = leavesBack(n - 1, -1, width) ? cross(width, n - 1, -1) : undefined;
  if (left === null || right === null || (!left && !right)) return null;
  const from = left ? left.index + 1 : 0;
  const to = right ? right.index - 1 : n - 1;
  if (to <= from) return null;
  const core = [...(left ? [left.at] : []), ...along.slice(from, to + 1), ...(right ? [right.at] : [])];
  return [
    left ? [...along.slice(0, left.index + 1), left.at] : null,
    core,
    right ? [right.at, ...along.slice(right.index)] : null,
  ];
}
