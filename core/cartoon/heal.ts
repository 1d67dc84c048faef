import { CAPACITY, TOLERANCE } from '../limits/index.ts';
import { numberAt } from '../units/index.ts';
import Flatbush from 'flatbush';
import {
  nearestOnSegment,
  splitAtMeetings,
  UNITS_PER_MM,
  withoutDoubles,
  type Point,
  type VertexGrid,
} from '../geometry/index.ts';
import { doubledBorders } from './doubles.ts';
import { gather } from './gather.ts';
import { moved, ownTail, putFoot } from './movedEnds.ts';
import { joinTouching } from './touching.ts';
import type { DrawnLine } from './read/types.ts';
import type { Repair } from './repair.ts';
import { distance, freeEnds, meetingsOf, onGrid, pointAt, segmentTree, segmentXy, winding } from './segments.ts';
import { endsShort, trim, type LooseEnd, type ShortEnd, type Tail } from './tails.ts';

/** How far ends may be moved, and which of them the user wants left as drawn. */
export interface Tolerance {
  readonly snapMm: number;
  /** A drawing by an unsteady hand may be healed up to here; equal to `snapMm` where the user set it. */
  readonly mostMm: number;
  /** Places of repairs that were refused. */
  readonly refused: readonly Point[];
  /** Ends that are drawn on further than the rest, each as far as it stops short. */
  readonly drawOn: readonly ShortEnd[];
}

export interface Healed {
  /** Segments that meet at shared vertices only; every vertex has at least two of them. */
  readonly grid: VertexGrid;
  readonly ends: readonly number[];
  readonly repairs: readonly Repair[];
  readonly loose: readonly LooseEnd[];
  /** The tolerance that was needed in the end. */
  readonly toleranceMm: number;
  /** Whether the drawing had any end that hung free as drawn. */
  readonly hadFreeEnds: boolean;
}

/** Why lines are no drawing of a panel. */
export type NoPanel = 'scribble' | 'tangle';

/** When more than this share of the lines needed a repair, the hand was unsteady all over. */
const SHAKY_SHARE = 0.25;

/**
 * Joins what the hand meant to join: ends that stop short are drawn to their line, ends that run over
 * are trimmed, both by at most `snapMm`. True nodes of the drawing stay where they are.
 *
 * Order matters. Ends lying together are gathered on the lines as drawn, before crossings split them, so
 * that four shaken ends become one joint; then overruns are trimmed, since an end past its line must not
 * reach for the next one; what is still alone goes to the nearest node, else to the nearest line.
 */
export function heal(lines: readonly DrawnLine[], { snapMm, mostMm, refused, drawOn }: Tolerance): Healed | NoPanel {
  const repairs: Repair[] = [];
  const { grid, ends: traced } = onGrid(snapMm > 0 ? joinTouching(lines) : lines);
  const { ends: drawn, doubled } = withoutDoubles(traced);
  if (winding(grid, drawn) > CAPACITY.windingAsDrawn) return 'tangle';
  let split = splitAtMeetings(grid, drawn);
  // Euler: a connected map has one bounded region more than edges above vertices, whether its tails are off or not.
  if (split.tooMany || split.ends.length / 2 - grid.xy.length / 2 > CAPACITY.regions) return 'scribble';
  if (winding(grid, split.ends) > CAPACITY.winding) return 'tangle';
  for (const at of doubledBorders(grid, [...doubled, ...split.doubled], split.ends))
    repairs.push({ kind: 'doubled', at, movedMm: 0 });
  const kept = keptPlaces(grid, refused);
  const freeAtFirst = freeEnds(grid, split.ends);
  if (freeAtFirst.length > CAPACITY.freeEnds) return 'scribble';
  const hadFreeEnds = freeAtFirst.length > 0;
  const toleranceMm = Math.max(snapMm, Math.min(mostMm, shakeOf(grid, split.ends, freeAtFirst, lines.length, mostMm)));
  if (hadFreeEnds && (toleranceMm > 0 || drawOn.length > 0)) {
    const snap = toleranceMm * UNITS_PER_MM;
    const gathered = gather(grid, drawn, freeAtFirst, snap, repairs, kept);
    if (gathered === 'tangle') return 'tangle';
    if (gathered) split = splitAtMeetings(grid, gathered);
    const trimmed = trim(grid, split.ends, snap, repairs, null, kept);
    const reached = reach(grid, trimmed, reachOf(grid, snap, drawOn), repairs, kept);
    split = reached ? splitAtMeetings(grid, reached) : { ...split, ends: trimmed };
    if (split.tooMany) return 'scribble';
  }
  let { ends } = split;
  const loose: Tail[] = [];
  ends = trim(grid, ends, toleranceMm * UNITS_PER_MM, repairs, loose, kept);
  // What chords of a curve are off by themselves is no slip of the hand.
  const told = repairs.filter(({ kind, movedMm }) => kind === 'doubled' || movedMm > TOLERANCE.flatnessMm);
  const ended = endsShort(grid, ends, loose, kept);
  return { grid, ends, repairs: told, loose: ended, toleranceMm, hadFreeEnds };
}

/**
 * How far the ends of an unsteady hand lie apart: 0 unless free ends are all over the drawing, else half as much
 * again as the distance within which 19 of 20 find the next one.
 */
function shakeOf(
  grid: VertexGrid,
  ends: readonly number[],
  free: readonly number[],
  lines: number,
  mostMm: number,
): number {
  if (free.length < Math.max(8, SHAKY_SHARE * lines)) return 0;
  const tree = new Flatbush(free.length);
  for (const v of free) tree.add(numberAt(grid.xy, 2 * v), numberAt(grid.xy, 2 * v + 1));
  tree.finish();
  const at = meetingsOf(grid, ends);
  const apart: number[] = [];
  free.forEach((v, i) => {
    const [x, y] = [numberAt(grid.xy, 2 * v), numberAt(grid.xy, 2 * v + 1)];
    const isOther = (j: number) => j !== i && at.at(numberAt(free, j), 0) !== at.at(v, 0);
    const [next] = tree.neighbors(x, y, 1, 2 * mostMm * UNITS_PER_MM, isOther);
    if (next !== undefined) apart.push(distance(grid, v, numberAt(free, next)) / UNITS_PER_MM);
  });
  if (apart.length < free.length / 2) return 0;
  return 1.5 * (apart.sort((a, b) => a - b)[Math.floor(apart.length * 0.95)] ?? 0);
}

/** Which vertices stay as drawn because a repair there was refused. */
function keptPlaces(grid: VertexGrid, refused: readonly Point[]): (vertex: number) => boolean {
  if (refused.length === 0) return () => false;
  return (vertex) => {
    const [x, y] = pointAt(grid, vertex);
    return refused.some(([rx, ry]) => Math.hypot(rx - x, ry - y) <= TOLERANCE.refusedMm);
  };
}

/** How far each end may be drawn on, in units. */
function reachOf(grid: VertexGrid, snap: number, drawOn: readonly ShortEnd[]): (vertex: number) => number {
  const further = new Map(
    drawOn.map(({ at: [x, y], gapMm }) => [
      grid.at(x * UNITS_PER_MM, y * UNITS_PER_MM),
      Math.ceil(gapMm * UNITS_PER_MM) + 1,
    ]),
  );
  return (vertex) => Math.max(snap, further.get(vertex) ?? 0);
}

/** Draws each free end that is still alone to the nearest node within its reach, else onto the nearest line. */
function reach(
  grid: VertexGrid,
  ends: readonly number[],
  within: (vertex: number) => number,
  repairs: Repair[],
  kept: (vertex: number) => boolean,
): number[] | null {
  const free = freeEnds(grid, ends).filter((v) => !kept(v));
  if (free.length === 0) return null;
  const at = meetingsOf(grid, ends);
  const tree = segmentTree(grid, ends);
  const move = new Map<number, number>();
  const feet = new Map<number, number[]>();
  for (const v of free) {
    const x = numberAt(grid.xy, 2 * v);
    const y = numberAt(grid.xy, 2 * v + 1);
    const snap = within(v);
    const near = tree.search(x - snap, y - snap, x + snap, y + snap);
    const own = ownTail(ends, at, v, grid, 3 * snap);
    let best: { vertex: number; distSq: number; on: number } | null = null;
    let bestNode: { vertex: number; distSq: number } | null = null;
    for (const s of near) {
      if (own.has(s)) continue;
      const hit = nearestOnSegment(x, y, ...segmentXy(grid, ends, s));
      if (hit.distSq > snap * snap) continue;
      if (!best || hit.distSq < best.distSq) best = { vertex: grid.at(hit.x, hit.y), distSq: hit.distSq, on: s };
      for (const end of [numberAt(ends, 2 * s), numberAt(ends, 2 * s + 1)]) {
        if (at.degree(end) < 3) continue;
        const distSq = (numberAt(grid.xy, 2 * end) - x) ** 2 + (numberAt(grid.xy, 2 * end + 1) - y) ** 2;
        if (distSq <= snap * snap && (!bestNode || distSq < bestNode.distSq)) bestNode = { vertex: end, distSq };
      }
    }
    const target = bestNode ?? best;
    // Of two ends that would each go to the other, one stays.
    if (!target || target.vertex === v || move.get(target.vertex) === v) continue;
    move.set(v, target.vertex);
    if (target === best) putFoot(feet, best.on, best.vertex);
    repairs.push({ kind: 'snapped', at: pointAt(grid, v), movedMm: Math.sqrt(target.distSq) / UNITS_PER_MM });
  }
  return move.size === 0 ? null : moved(grid, ends, move, feet);
}
