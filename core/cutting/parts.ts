import { areaOfRings, nearestOnSegment, regionContains, signedArea, type Point, type Ring } from '../geometry/index.ts';
import { cutOfRing, type Keeps } from '../sizing/index.ts';
import { nth, pointAt } from '../units/index.ts';
import { baysOf } from './bays.ts';
import { cuttability, type Cuttability, type CuttingLimits } from './findings.ts';
import { insideCorners } from './ringShape.ts';

/** A region without holes, and what each of its edges keeps off its line. */
export interface Part {
  readonly ring: Ring;
  readonly keeps: readonly Keeps[];
}

export interface Region extends Part {
  readonly holes: readonly Part[];
}

/** A place on the border: on the edge that begins at a vertex. */
export interface OnBorder {
  readonly at: Point;
  readonly edge: number;
}

export interface Judged {
  readonly difficulty: Cuttability['difficulty'];
  readonly isCured: boolean;
  /** How many tight corners, hard curves, necks and the like are left. */
  readonly left: number;
}

/** The two parts that a line from border to border makes; null where it makes none. */
export function split(part: Part, from: OnBorder, to: OnBorder, added: Keeps): [Part, Part] | null {
  const parts: [Part, Part] = [walk(part, from, to, added), walk(part, to, from, added)];
  return parts.every(({ ring }) => ring.length >= 3 && signedArea(ring) > 0) ? parts : null;
}

/** Along the border from one place on it to another, and back over the new line. */
function walk({ ring, keeps }: Part, from: OnBorder, to: OnBorder, added: Keeps): Part {
  const points: Point[] = [from.at];
  const along: Keeps[] = [];
  const go = (next: Point, keep: Keeps) => {
    const [x, y] = nth(points, points.length - 1);
    if (Math.hypot(next[0] - x, next[1] - y) < 1e-6) return;
    points.push(next);
    along.push(keep);
  };
  const isAhead = from.edge === to.edge && gone(ring, from) <= gone(ring, to);
  const steps = isAhead ? 0 : (to.edge - from.edge + ring.length) % ring.length || ring.length;
  for (let k = 1; k <= steps; k++) {
    const edge = (from.edge + k - 1) % ring.length;
    go(pointAt(ring, (edge + 1) % ring.length), nth(keeps, edge));
  }
  go(to.at, nth(keeps, to.edge));
  along.push(added);
  return { ring: points, keeps: along };
}

const gone = (ring: Ring, { at, edge }: OnBorder): number => {
  const [x, y] = pointAt(ring, edge);
  return Math.hypot(at[0] - x, at[1] - y);
};

/** What would be said of a part, once its lines have taken up what they do. */
export function judgePart({ ring, keeps }: Part, limits: CuttingLimits): Judged {
  const cut = cutOfRing(0, ring, keeps);
  const { difficulty, findings } = cuttability(cut, limits);
  const isCured = difficulty <= 3 && !findings.some((f) => f.kind === 'neck');
  if (isCured) return { difficulty, isCured, left: 0 };
  const weak = findings.filter((f) => f.kind === 'neck' || f.kind === 'slender' || f.kind === 'narrow').length;
  const curves = cut.rings.reduce(
    (sum, one) =>
      sum + insideCorners(one, limits.cornerMm).length + baysOf(one).filter((b) => b.bite > limits.hardBite).length,
    0,
  );
  const broken = cut.rings.length === 1 ? 0 : 1;
  return { difficulty, isCured, left: weak + curves + broken + (areaOfRings(cut.rings) === 0 ? 1 : 0) };
}

/** Several parts as one: the hardest of them, and all that is left. */
export const joined = (parts: readonly Judged[]): Pick<Judged, 'difficulty' | 'left'> =>
  parts.reduce<Pick<Judged, 'difficulty' | 'left'>>(
    (all, { difficulty, left }) => ({
      difficulty: difficulty > all.difficulty ? difficulty : all.difficulty,
      left: all.left + left,
    }),
    { difficulty: 1, left: 0 },
  );

/** Two ways out of a hole lie at least so far round from each other. */
const APART_RAD = (2 * Math.PI) / 3;
const HOLE_POINTS = 48;

/** Every hole is opened on two sides: by its shortest way out, and by the shortest one on the far side. */
export function openHoles(region: Region, added: Keeps): { lines: Point[][]; parts: Part[] } | null {
  const lines: Point[][] = [];
  let open: Region[] = [region];
  const parts: Part[] = [];
  for (let next = open.shift(); next; next = open.shift()) {
    const [hole, ...others] = next.holes;
    if (!hole) {
      parts.push(next);
      continue;
    }
    const ways = waysOut(next, hole);
    if (!ways) return null;
    const [a, b] = ways;
    lines.push([a.hole.at, a.border.at], [b.hole.at, b.border.at]);
    const halves = [bridged(next, hole, a, b, added), bridged(next, hole, b, a, added)];
    open = [
      ...open,
      ...halves.map((half): Region => ({
        ...half,
        holes: others.filter((other) => regionContains([half.ring], pointAt(other.ring, 0))),
      })),
    ];
  }
  return { lines, parts };
}

interface WayOut {
  readonly hole: OnBorder;
  readonly border: OnBorder;
}

function waysOut({ ring, holes }: Region, hole: Part): [WayOut, WayOut] | null {
  const all = [ring, ...holes.map((h) => h.ring)];
  const n = hole.ring.length;
  const [mx, my] = [hole.ring.reduce((s, p) => s + p[0], 0) / n, hole.ring.reduce((s, p) => s + p[1], 0) / n];
  const step = Math.max(1, Math.floor(n / HOLE_POINTS));
  const ways: (WayOut & { lengthMm: number; angle: number })[] = [];
  hole.ring.forEach((from, edge) => {
    if (edge % step !== 0) return;
    ring.forEach((a, i) => {
      const b = pointAt(ring, (i + 1) % ring.length);
      const hit = nearestOnSegment(from[0], from[1], a[0], a[1], b[0], b[1]);
      ways.push({
        hole: { at: from, edge },
        border: { at: [hit.x, hit.y], edge: i },
        lengthMm: Math.sqrt(hit.distSq),
        angle: Math.atan2(from[1] - my, from[0] - mx),
      });
    });
  });
  ways.sort((p, q) => p.lengthMm - q.lengthMm);
  const isClear = ({ hole: { at: a }, border: { at: b } }: WayOut) =>
    [0.1, 0.3, 0.5, 0.7, 0.9].every((t) => regionContains(all, [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]));
  const first = ways.find(isClear);
  if (!first) return null;
  const apart = (a: number, b: number) => Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));
  const second = ways.find((w) => apart(w.angle, first.angle) > APART_RAD && isClear(w));
  return second ? [first, second] : null;
}

/** Along the border from one way out to the other, in by that one, round the hole as it is wound, and out again. */
function bridged(region: Region, hole: Part, from: WayOut, to: WayOut, added: Keeps): Part {
  const outside = walk(region, from.border, to.border, added);
  const inside = walk(hole, to.hole, from.hole, added);
  return { ring: [...outside.ring, ...inside.ring], keeps: [...outside.keeps, ...inside.keeps] };
}
