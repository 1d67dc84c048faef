import { nth, intAt, pointAt } from '../units/index.ts';
import { pathLength, pointAlong, type PlanarMap, type Point, type Ring } from '../geometry/index.ts';

/** Within so many channel widths of a joint the middle leans over to the side where the channel widens. */
const LEANS_WITHIN = 0.75;
/** The way a line comes in is taken over so many widths further out. */
const HEADING_OVER = 0.5;
/** Of a short line at most this share is put straight at each end. */
const MOST_OF_A_LINE = 0.35;
/** Two joints nearer than this many widths are one crossing that the middle has pulled apart. */
const ONE_CROSSING = 0.6;

/**
 * The middle of a channel sags where channels meet: beside the mouth of another one its banks are further apart.
 * Every joint is put where the lines that come in at it would meet if they went straight on, and they go there.
 * @param widthMm of the channel, on the whole
 * @returns the points of the lines, without those that only joined two halves of one crossing
 */
export function straightenJoints({ nodes, lines }: PlanarMap, widthMm: number): Ring[] {
  const meeting: { line: number; atEnd: boolean }[][] = nodes.map(() => []);
  lines.forEach(({ from, to }, line) => {
    meeting[from]?.push({ line, atEnd: false });
    meeting[to]?.push({ line, atEnd: true });
  });
  const isJoint = (node: number) => nth(meeting, node).length >= 3;
  const gone = new Set<number>();
  const home = Int32Array.from(nodes, (_, i) => i);
  lines.forEach(({ from, to, points }, i) => {
    if (from === to || !isJoint(from) || !isJoint(to) || pathLength(points) > ONE_CROSSING * widthMm) return;
    gone.add(i);
    const [a, b] = [intAt(home, from), intAt(home, to)];
    home.forEach((h, node) => {
      if (h === b) home[node] = a;
    });
  });
  const ways = new Map<number, { line: number; atEnd: boolean }[]>();
  meeting.forEach((around, node) => {
    if (!isJoint(node)) return;
    const all = ways.get(intAt(home, node)) ?? [];
    all.push(...around.filter(({ line }) => !gone.has(line)));
    ways.set(intAt(home, node), all);
  });
  const next: Ring[] = lines.map(({ points }) => points);
  for (const [node, around] of ways) {
    const cuts = around.map(({ line, atEnd }) => {
      const { points } = nth(lines, line);
      const outwards = atEnd ? [...points].reverse() : points;
      const mm = Math.min(LEANS_WITHIN * widthMm, MOST_OF_A_LINE * pathLength(points));
      return { line, atEnd, ...cutOff(outwards, mm, HEADING_OVER * widthMm) };
    });
    const place = meetingPlace(cuts, pointAt(nodes, node), widthMm);
    if (!place) continue;
    for (const { line, atEnd, skipped, cut } of cuts) {
      const now = nth(next, line);
      // What was cut off is counted from this end, so that both ends of a line can be put straight.
      next[line] = atEnd ? [...now.slice(0, now.length - skipped), cut, place] : [place, cut, ...now.slice(skipped)];
    }
  }
  return next.filter((_, line) => !gone.has(line));
}

interface Cut {
  /** Points left away, from the joint on. */
  readonly skipped: number;
  readonly cut: Point;
  /** The way the line comes in, of length 1. */
  readonly heading: Point;
}

/** Where a line is cut at a length from its first point, and how it runs there. */
function cutOff(points: Ring, mm: number, overMm: number): Cut {
  const { at: cut, next } = pointAlong(points, mm);
  const [x, y] = pointAlong(points, mm + overMm).at;
  const far = Math.hypot(cut[0] - x, cut[1] - y) || 1;
  return { skipped: next, cut, heading: [(cut[0] - x) / far, (cut[1] - y) / far] };
}

/** The point with the least squared distance from all lines; null where they are all parallel or it lies far off. */
function meetingPlace(cuts: readonly Cut[], old: Point, widthMm: number): Point | null {
  let [xx, xy, yy, bx, by] = [0, 0, 0, 0, 0];
  for (const { cut, heading } of cuts) {
    const [nx, ny] = [-heading[1], heading[0]];
    const off = nx * cut[0] + ny * cut[1];
    xx += nx * nx;
    xy += nx * ny;
    yy += ny * ny;
    bx += nx * off;
    by += ny * off;
  }
  const det = xx * yy - xy * xy;
  if (det < 0.05) return null;
  const place: Point = [(bx * yy - by * xy) / det, (by * xx - bx * xy) / det];
  return Math.hypot(place[0] - old[0], place[1] - old[1]) > widthMm ? null : place;
}
