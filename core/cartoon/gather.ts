import { CAPACITY } from '../limits/index.ts';
import { knownIn, numberAt } from '../units/index.ts';
import Flatbush from 'flatbush';
import { nearestOnSegment, UNITS_PER_MM, type Meetings, type Point, type VertexGrid } from '../geometry/index.ts';
import { moved, ownTail, putFoot } from './movedEnds.ts';
import type { Repair } from './repair.ts';
import { distance, meetingsOf, pointAt, segmentTree, segmentXy } from './segments.ts';

/** sin 40°: two ends that run towards each other more nearly in one line make no corner of their own. */
const CORNER_SIN = 0.64;

/**
 * Joins free ends that lie together, nearest first, as long as no member has to move further than `snap`.
 * Where a true node or a line lies among them they go to it; it stays where it is.
 * @param ends segments as drawn; null is returned when no end had to move
 */
export function gather(
  grid: VertexGrid,
  ends: readonly number[],
  loneEnds: readonly number[],
  snap: number,
  repairs: Repair[],
  kept: (vertex: number) => boolean,
): number[] | null | 'tangle' {
  const at = meetingsOf(grid, ends);
  const free = loneEnds.filter((v) => v < at.vertexCount && at.degree(v) === 1 && !kept(v));
  if (free.length < 2) return null;
  const move = new Map<number, number>();
  const feet = new Map<number, number[]>();
  const groups = clusters(grid, free, at, snap);
  if (!groups) return 'tangle';
  const tree = segmentTree(grid, ends);
  for (const members of groups) {
    const { vertex: target, on } = gatheringPlace(grid, ends, at, tree, members, snap);
    if (on !== null) putFoot(feet, on, target);
    for (const v of members) {
      const by = distance(grid, v, target);
      if (by > 0) repairs.push({ kind: 'snapped', at: pointAt(grid, v), movedMm: by / UNITS_PER_MM });
      move.set(v, target);
    }
  }
  return move.size === 0 ? null : moved(grid, ends, move, feet);
}

/**
 * Groups of two or more free ends, by rising distance, none further than `snap` from its group's middle. Null where
 * the ends stand in swarms.
 */
function clusters(grid: VertexGrid, free: readonly number[], at: Meetings, snap: number): number[][] | null {
  const tree = new Flatbush(free.length);
  for (const v of free) tree.add(numberAt(grid.xy, 2 * v), numberAt(grid.xy, 2 * v + 1));
  tree.finish();
  const pairs: [number, number, number][] = [];
  for (const [i, v] of free.entries()) {
    const [x, y] = [numberAt(grid.xy, 2 * v), numberAt(grid.xy, 2 * v + 1)];
    for (const j of tree.search(x - 2 * snap, y - 2 * snap, x + 2 * snap, y + 2 * snap)) {
      if (j > i) pairs.push([distance(grid, v, numberAt(free, j)), v, numberAt(free, j)]);
    }
    if (pairs.length > CAPACITY.endPairs) return null;
  }
  pairs.sort((p, q) => p[0] - q[0]);
  const group = new Map(free.map((v) => [v, [v]]));
  for (const [, i, j] of pairs) {
    const a = knownIn(group, i);
    const b = knownIn(group, j);
    // Both ends of one short line are never one joint: the line would vanish.
    if (a === b || a.some((p) => b.some((q) => at.at(p, 0) === at.at(q, 0)))) continue;
    const all = [...a, ...b];
    const [x, y] = middleOf(grid, all);
    if (all.every((m) => Math.hypot(numberAt(grid.xy, 2 * m) - x, numberAt(grid.xy, 2 * m + 1) - y) <= snap))
      for (const m of all) group.set(m, all);
  }
  return [...new Set(group.values())].filter((members) => members.length > 1);
}

function middleOf(grid: VertexGrid, vertices: readonly number[]): [number, number] {
  let x = 0;
  let y = 0;
  for (const v of vertices) {
    x += numberAt(grid.xy, 2 * v);
    y += numberAt(grid.xy, 2 * v + 1);
  }
  return [x / vertices.length, y / vertices.length];
}

/**
 * Where a group of ends meets: a node within reach of all, else a line within reach of all, else the corner that two
 * of them run towards, else their middle.
 */
function gatheringPlace(
  grid: VertexGrid,
  ends: readonly number[],
  at: Meetings,
  tree: Flatbush,
  members: readonly number[],
  snap: number,
): { vertex: number; on: number | null } {
  const [x, y] = middleOf(grid, members);
  const own = new Set(members.flatMap((v) => [...ownTail(ends, at, v, grid, 3 * snap)]));
  const inReach = (px: number, py: number) =>
    members.every((m) => Math.hypot(numberAt(grid.xy, 2 * m) - px, numberAt(grid.xy, 2 * m + 1) - py) <= snap);
  let node: { vertex: number; distSq: number } | null = null;
  let foot: { x: number; y: number; distSq: number; on: number } | null = null;
  for (const s of tree.search(x - snap, y - snap, x + snap, y + snap)) {
    if (own.has(s)) continue;
    const hit = nearestOnSegment(x, y, ...segmentXy(grid, ends, s));
    if (inReach(hit.x, hit.y) && (!foot || hit.distSq < foot.distSq)) foot = { ...hit, on: s };
    for (const vertex of [numberAt(ends, 2 * s), numberAt(ends, 2 * s + 1)]) {
      const [px, py] = [numberAt(grid.xy, 2 * vertex), numberAt(grid.xy, 2 * vertex + 1)];
      const distSq = (px - x) ** 2 + (py - y) ** 2;
      if (at.degree(vertex) > 2 && inReach(px, py) && (!node || distSq < node.distSq)) node = { vertex, distSq };
    }
  }
  if (node) return { vertex: node.vertex, on: null };
  if (foot) return { vertex: grid.at(foot.x, foot.y), on: foot.on };
  const corner = members.length === 2 ? cornerOf(grid, ends, at, numberAt(members, 0), numberAt(members, 1)) : null;
  const [px, py] = corner && inReach(corner[0], corner[1]) ? corner : [x, y];
  return { vertex: grid.at(px, py), on: null };
}

/** Where the last segments of two free ends would cross if they went on, unless they run almost side by side. */
function cornerOf(grid: VertexGrid, ends: readonly number[], at: Meetings, v: number, w: number): Point | null {
  const heading = (end: number): Point => {
    const [ax, ay, bx, by] = segmentXy(grid, ends, at.at(end, 0));
    const length = Math.hypot(bx - ax, by - ay);
    return [(bx - ax) / length, (by - ay) / length];
  };
  const [px, py] = heading(v);
  const [qx, qy] = heading(w);
  const cross = px * qy - py * qx;
  if (Math.abs(cross) < CORNER_SIN) return null;
  const dx = numberAt(grid.xy, 2 * w) - numberAt(grid.xy, 2 * v);
  const dy = numberAt(grid.xy, 2 * w + 1) - numberAt(grid.xy, 2 * v + 1);
  const along = (dx * qy - dy * qx) / cross;
  return [numberAt(grid.xy, 2 * v) + along * px, numberAt(grid.xy, 2 * v + 1) + along * py];
}
