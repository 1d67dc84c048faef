import type { Cartoon } from '../cartoon/index.ts';
import { ringPoints, type Point } from '../geometry/index.ts';
import { outerLines, type Technique } from '../sizing/index.ts';
import { lastOf, nth, pointAt } from '../units/index.ts';

/** A panel of this size is always framed, mm. Common practice: about 0.7 × 1.0 m. */
const FRAMED_MM = [700, 1000] as const;
/** No field between bars is higher than this, mm: 18 in of lead, 30 in of foil. From memory. */
const FIELD_MM: Readonly<Record<Technique, number>> = { lead: 457, foil: 762 };
/** A line this near to a bar and this level is under it, mm and mm a mm. From memory. */
const UNDER_MM = 2.5;
const LEVEL = 0.1;
/** A bar may be moved by this share of a field to follow a line. From memory. */
const MOVED = 0.25;
/** A bar that shows over a piece by less is not seen, mm. From memory. */
const SHOWS_MM = 8;
/** A straight line right across a panel bends it like a hinge from this length on, mm. From memory. */
const HINGE_MM = 300;
const STRAIGHT_MM = 3;

/** A bar across the panel at a height on the drawing, mm. */
export interface Bar {
  readonly y: number;
  /** How much of it lies over lines of the drawing, and how long it is. */
  readonly overLinesMm: number;
  readonly lengthMm: number;
  /** Pieces that it shows over. */
  readonly crosses: readonly number[];
}

/** A straight line from rim to rim. */
export interface Hinge {
  readonly from: Point;
  readonly to: Point;
  readonly lengthMm: number;
  /** A bar lies along it or across it. */
  readonly isHeld: boolean;
}

export interface Stiffening {
  readonly isFramed: boolean;
  /** Bars that its height asks for, each moved to where it follows lines of the drawing most. */
  readonly bars: readonly Bar[];
  readonly hinges: readonly Hinge[];
}

type Drawing = Pick<Cartoon, 'map' | 'pieces' | 'box'>;
type Span = readonly [number, number];

/** What keeps a panel of this size flat: a frame, bars, and what holds it where it would bend. */
export function stiffeningOf(
  cartoon: Drawing,
  technique: Technique,
  planned: readonly number[] | null = null,
): Stiffening {
  const { minX, minY, maxX, maxY } = cartoon.box;
  const [short, long] = [maxX - minX, maxY - minY].sort((a, b) => a - b);
  const [framedShort, framedLong] = FRAMED_MM;
  const isFramed =
    ((short ?? 0) >= framedShort && (long ?? 0) >= framedLong) ||
    (short ?? 0) * (long ?? 0) >= framedShort * framedLong;
  const fields = Math.ceil((maxY - minY) / FIELD_MM[technique] - 1e-9);
  const field = (maxY - minY) / fields;
  const wanted = Array.from({ length: fields - 1 }, (_, i) => bestBar(cartoon, minY + field * (i + 1), field * MOVED));
  const bars = planned === null ? wanted : planned.map((y) => barAt(cartoon, y));
  return { isFramed, bars, hinges: hingesOf(cartoon, bars) };
}

/** A bar at a height: what of it follows lines, and over which pieces it shows. */
export function barAt(cartoon: Drawing, y: number): Bar {
  const covered = merged(spansUnder(cartoon, y));
  const crosses: number[] = [];
  let lengthMm = 0;
  for (const piece of cartoon.pieces) {
    const rings = piece.rings.map((ring) => ringPoints(cartoon.map, ring));
    let shows = 0;
    for (const [from, to] of chordsAt(rings, y)) {
      lengthMm += to - from;
      shows += to - from - overlap([from, to], covered);
    }
    if (shows > SHOWS_MM) crosses.push(piece.number);
  }
  const overLinesMm = covered.reduce((sum, [from, to]) => sum + to - from, 0);
  return { y, overLinesMm, lengthMm: Math.max(lengthMm, overLinesMm), crosses: crosses.sort((a, b) => a - b) };
}

/** The bar about a height that follows lines most; each mm that it is moved counts against it. */
function bestBar(cartoon: Drawing, target: number, reachMm: number): Bar {
  let best = { y: target, worth: -Infinity };
  for (let d = 0; d <= reachMm; d++)
    for (const y of d === 0 ? [target] : [target - d, target + d]) {
      const over = merged(spansUnder(cartoon, y)).reduce((sum, [from, to]) => sum + to - from, 0);
      const worth = over - d;
      if (worth > best.worth + 1e-9) best = { y, worth };
    }
  return barAt(cartoon, best.y);
}

/** Where level lines lie under a bar, from left to right. */
function spansUnder({ map }: Drawing, y: number): Span[] {
  const spans: Span[] = [];
  for (const { points } of map.lines)
    for (let i = 1; i < points.length; i++) {
      const [ax, ay] = pointAt(points, i - 1);
      const [bx, by] = pointAt(points, i);
      if (Math.abs(ay - y) > UNDER_MM || Math.abs(by - y) > UNDER_MM) continue;
      if (Math.abs(by - ay) > LEVEL * Math.abs(bx - ax)) continue;
      spans.push([Math.min(ax, bx), Math.max(ax, bx)]);
    }
  return spans;
}

function merged(spans: readonly Span[]): Span[] {
  const found: [number, number][] = [];
  for (const [from, to] of [...spans].sort((a, b) => a[0] - b[0])) {
    const last = found.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else found.push([from, to]);
  }
  return found;
}

const overlap = ([from, to]: Span, covered: readonly Span[]): number =>
  covered.reduce((sum, [a, b]) => sum + Math.max(0, Math.min(to, b) - Math.max(from, a)), 0);

/** Where a level line runs inside a region, by the even-odd rule. */
function chordsAt(rings: readonly (readonly Point[])[], y: number): Span[] {
  const meets: number[] = [];
  for (const ring of rings)
    for (let i = 0; i < ring.length; i++) {
      const [ax, ay] = nth(ring, i);
      const [bx, by] = nth(ring, (i + 1) % ring.length);
      if (ay <= y !== by <= y) meets.push(ax + ((y - ay) / (by - ay)) * (bx - ax));
    }
  meets.sort((a, b) => a - b);
  const spans: Span[] = [];
  for (let i = 0; i + 1 < meets.length; i += 2) spans.push([nth(meets, i), nth(meets, i + 1)]);
  return spans;
}

/** Straight lines right across, from rim to rim, whichever came goes through on the way. */
function hingesOf({ map, pieces }: Drawing, bars: readonly Bar[]): Hinge[] {
  const outer = outerLines({ map, pieces });
  const leaving = new Map<number, Way[]>();
  const rim = new Set<number>();
  map.lines.forEach((line, i) => {
    if (outer.has(i)) {
      rim.add(line.from).add(line.to);
      return;
    }
    for (const way of [
      { line: i, from: line.from, to: line.to, points: line.points },
      { line: i, from: line.to, to: line.from, points: [...line.points].reverse() },
    ])
      leaving.set(way.from, [...(leaving.get(way.from) ?? []), way]);
  });
  const found: Hinge[] = [];
  for (const node of rim)
    for (const first of leaving.get(node) ?? []) {
      const chain = straightOn(first, leaving, rim);
      // Each is met from both ends, and told once.
      if (chain === null || chain.end <= node) continue;
      const [from, to] = [nth(map.nodes, node), nth(map.nodes, chain.end)];
      const lengthMm = Math.hypot(to[0] - from[0], to[1] - from[1]);
      if (lengthMm < HINGE_MM) continue;
      if (chain.points.some((p) => distanceTo(from, to, lengthMm, p) > STRAIGHT_MM)) continue;
      const [top, bottom] = [Math.min(from[1], to[1]), Math.max(from[1], to[1])];
      // A bar along it or across it holds it.
      const isHeld = bars.some(({ y }) => y >= top - UNDER_MM && y <= bottom + UNDER_MM);
      found.push({ from, to, lengthMm, isHeld });
    }
  return found;
}

interface Way {
  readonly line: number;
  readonly from: number;
  readonly to: number;
  readonly points: readonly Point[];
}

/** From one rim to the next by what leads straightest on; null where that turns or ends before. */
function straightOn(
  first: Way,
  leaving: ReadonlyMap<number, readonly Way[]>,
  rim: ReadonlySet<number>,
): { end: number; points: readonly Point[] } | null {
  const points = [...first.points];
  const seen = new Set([first.line]);
  for (let way = first; ;) {
    if (rim.has(way.to)) return { end: way.to, points };
    const heading = headingOf(way.points, true);
    const on = (leaving.get(way.to) ?? [])
      .filter((next) => !seen.has(next.line))
      .map((next) => ({ next, turn: Math.abs(turnBetween(heading, headingOf(next.points, false))) }))
      .sort((a, b) => a.turn - b.turn)[0];
    if (!on || on.turn > TURN) return null;
    seen.add(on.next.line);
    points.push(...on.next.points);
    way = on.next;
  }
}

/** A chain that turns by more at a joint is not straight, radians. */
const TURN = 0.1;
function headingOf(points: readonly Point[], atEnd: boolean): number {
  const [a, b] = atEnd ? [nth(points, points.length - 2), lastOf(points)] : [nth(points, 0), nth(points, 1)];
  return Math.atan2(b[1] - a[1], b[0] - a[0]);
}
const turnBetween = (a: number, b: number): number => Math.atan2(Math.sin(b - a), Math.cos(b - a));

const distanceTo = (from: Point, to: Point, length: number, [x, y]: Point): number =>
  Math.abs((to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0])) / length;

/** Where along a bar the panel is tied to it, mm: where lines cross it, not too near to each other. */
export const tiesOf = (cartoon: Drawing, { y }: Bar): readonly number[] => {
  const { map } = cartoon;
  const xs: number[] = [];
  for (const { points } of map.lines)
    for (let i = 1; i < points.length; i++) {
      const [ax, ay] = pointAt(points, i - 1);
      const [bx, by] = pointAt(points, i);
      if (ay <= y !== by <= y) xs.push(ax + ((y - ay) / (by - ay)) * (bx - ax));
    }
  const found: number[] = [];
  for (const x of xs.sort((a, b) => a - b)) if (found.length === 0 || x - lastOf(found) > TIE_EVERY_MM) found.push(x);
  return found;
};
/** Tie wires are no nearer to each other, mm. From memory. */
const TIE_EVERY_MM = 100;
