import { TOLERANCE } from '../limits/index.ts';
import { intAt, nth, numberAt, pointAt } from '../units/index.ts';
import {
  facesOf,
  pathLength,
  ringPoints,
  type Face,
  type MapFaces,
  type MapLine,
  type PlanarMap,
  type Point,
} from '../geometry/index.ts';
import type { Repair } from './repair.ts';

/** A region longer than this many times its width is a gap between two borders, not glass: P²/A of a 6 : 1 strip is 33. */
const THIN = 30;
/** In a drawing in which all ends meet, a region this wide is a piece, however thin. */
const DRAWN_SO_MM = 0.1;

/**
 * Takes out the slivers between borders that were drawn twice: regions thinner than the snap distance all
 * along, and the specks where two such borders cross. Of the two sides the one with more length goes, so the sliver joins its neighbour there.
 */
export function removeSlivers(
  map: PlanarMap,
  snapMm: number,
  hadFreeEnds: boolean,
  refused: readonly Point[] = [],
): { map: PlanarMap; faces: MapFaces; repairs: Repair[] } {
  const repairs: Repair[] = [];
  let current = map;
  let traced = facesOf(current);
  if (snapMm <= 0) return { map: current, faces: traced, repairs };
  // In a clean drawing a speck is a real piece; where ends were healed, or beside a sliver, it is a slip of the hand.
  const specksGo = hadFreeEnds;
  const slivered = new Set<string>();
  for (;;) {
    const lengths = current.lines.map((line) => pathLength(line.points));
    const lengthOf = (ref: number) => numberAt(lengths, ref < 0 ? ~ref : ref);
    const degrees = degreesOf(current);
    const gone = new Set<number>();
    const touched = new Set<number>();
    traced.faces.forEach((face) => {
      // A face this large is no sliver; most faces need no closer look.
      if (face.areaMm2 > TOLERANCE.sliverMm2) return;
      // A loop by itself lies between no two borders: it is an island, however small.
      if (face.rings.length === 1 && face.rings[0]?.length === 1) return;
      const around = face.rings.flat().reduce((sum, ref) => sum + lengthOf(ref), 0);
      const width = (2 * face.areaMm2) / around;
      const isThin = (around * around) / face.areaMm2 > THIN;
      const isSpeck = face.areaMm2 < snapMm * snapMm && (specksGo || touchesSliver(current, face, slivered));
      if (width >= snapMm || !(isThin || isSpeck)) return;
      // Where nothing had to be healed a thin region was drawn so, unless two lines cross round it.
      if (width >= DRAWN_SO_MM && !hadFreeEnds && !isOverlap(current, face, degrees)) return;
      const at = pointAt(ringPoints(current, nth(face.rings, 0)), 0);
      if (refused.some(([x, y]) => Math.hypot(x - at[0], y - at[1]) < 0.01)) return;
      for (const ref of face.rings.flat()) {
        const { from, to } = nth(current.lines, ref < 0 ? ~ref : ref);
        slivered.add(keyOf(current, from)).add(keyOf(current, to));
      }
      const sides = new Set(face.rings.flat().map((ref) => (ref < 0 ? ~ref : ref)));
      if ([...sides].some((line) => touched.has(line))) return;
      const longest = [...sides].reduce((a, b) => (lengthOf(b) > lengthOf(a) ? b : a));
      for (const side of sides) touched.add(side);
      gone.add(longest);
      repairs.push({ kind: 'sliver', at, movedMm: width });
    });
    if (gone.size === 0) return { map: current, faces: traced, repairs };
    current = withoutLines(current, gone);
    traced = facesOf(current);
  }
}

function degreesOf({ nodes, lines }: PlanarMap): Int32Array {
  const degrees = new Int32Array(nodes.length);
  for (const { from, to } of lines) {
    degrees[from] = intAt(degrees, from) + 1;
    degrees[to] = intAt(degrees, to) + 1;
  }
  return degrees;
}

/** Whether a region is the lens between two lines that cross at both its ends, as where two shapes run into one another. */
const isOverlap = (map: PlanarMap, face: Face, degrees: Int32Array): boolean => {
  const around = face.rings.flat();
  return (
    around.length === 2 &&
    around.every((ref) => {
      const { from, to } = nth(map.lines, ref < 0 ? ~ref : ref);
      return intAt(degrees, from) === 4 && intAt(degrees, to) === 4;
    })
  );
};

const keyOf = (map: PlanarMap, node: number): string => pointAt(map.nodes, node).join();

const touchesSliver = (map: PlanarMap, face: Face, slivered: ReadonlySet<string>): boolean =>
  face.rings.flat().some((ref) => {
    const { from, to } = nth(map.lines, ref < 0 ? ~ref : ref);
    return slivered.has(keyOf(map, from)) || slivered.has(keyOf(map, to));
  });

/** The map without some lines; tails and nodes that this leaves loose or straight go too. */
export function withoutLines(map: PlanarMap, gone: ReadonlySet<number>): PlanarMap {
  let lines = map.lines.filter((_, i) => !gone.has(i));
  for (;;) {
    const degree = new Map<number, number>();
    for (const { from, to } of lines) {
      degree.set(from, (degree.get(from) ?? 0) + 1);
      degree.set(to, (degree.get(to) ?? 0) + 1);
    }
    const kept = lines.filter(({ from, to }) => degree.get(from) !== 1 && degree.get(to) !== 1);
    if (kept.length === lines.length) break;
    lines = kept;
  }
  return renumber(map.nodes, joinStraight(lines));
}

/** Joins two lines at a node where nothing else meets. */
function joinStraight(lines: readonly MapLine[]): MapLine[] {
  const current: (MapLine | null)[] = [...lines];
  const at = new Map<number, Set<number>>();
  const note = (node: number, line: number) => at.set(node, (at.get(node) ?? new Set()).add(line));
  lines.forEach(({ from, to }, i) => {
    note(from, i);
    note(to, i);
  });
  for (const [node, meeting] of at) {
    const [i, j, third] = meeting;
    if (i === undefined || j === undefined || third !== undefined) continue;
    const a = nth(current, i);
    const b = nth(current, j);
    if (!a || !b) continue;
    if (a.from === a.to || b.from === b.to) continue;
    const first = a.to === node ? a.points : [...a.points].reverse();
    const second = b.from === node ? b.points : [...b.points].reverse();
    const from = a.to === node ? a.from : a.to;
    const to = b.from === node ? b.to : b.from;
    current[i] = { from, to, points: [...first, ...second.slice(1)] };
    current[j] = null;
    at.get(to)?.delete(j);
    note(to, i);
  }
  return current.filter((line) => line !== null);
}

function renumber(nodes: readonly Point[], lines: readonly MapLine[]): PlanarMap {
  const kept: Point[] = [];
  const ids = new Map<number, number>();
  const id = (node: number): number => {
    let next = ids.get(node);
    if (next === undefined) {
      next = kept.push(pointAt(nodes, node)) - 1;
      ids.set(node, next);
    }
    return next;
  };
  return { lines: lines.map((line) => ({ ...line, from: id(line.from), to: id(line.to) })), nodes: kept };
}
