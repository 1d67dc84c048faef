import { numberAt } from '../units/index.ts';
import { areaOf, leastWidth, reach, type Flat } from './convex.ts';
import { flushTurn, lay, sidesOf, type Laid, type Side } from './lay.ts';
import { farSide, leavesNear, mayHold, nearSide, worthOf, type Cut, type Measures, type Part } from './part.ts';
import type { Shape } from './shape.ts';

/**
 * How a sheet is taken apart, as rules rather than places: "lay this shape on the longest side, that edge of it flush,
 * slid to the left; break along its top, then along its right". The same rules on a part a little larger or smaller give
 * the same pattern there, so that one change moves everything behind it up.
 */
export interface Rule {
  readonly shape: number;
  /** On which side of the room: 0 is its longest. */
  readonly base: number;
  /** Which side of the shape lies on it. */
  readonly flush: number;
  readonly end: 0 | 1;
  /** Along which sides of the shape the breaks run, in order, or one of the kinds below. */
  readonly cuts: readonly number[];
}

/** A break in line with the base, and the two across it. */
export const ALONG = 100;
export const ACROSS_BEFORE = 101;
export const ACROSS_AFTER = 102;

export interface FreeNode {
  readonly shape: null;
  readonly part: Part;
  readonly isOffcut: boolean;
  /** Of its room: area, and least width where a shape could lie in it at all, else 0. */
  readonly roomMm2: number;
  readonly roomMm: number;
  readonly costMm2: number;
  readonly count: 0;
}

export interface HeldNode {
  readonly shape: number;
  readonly part: Part;
  readonly rule: Rule;
  readonly laid: Laid;
  readonly rests: readonly Rest[];
  /** The part that holds the shape after its breaks. */
  readonly cell: Flat;
  /** Glass consumed in it, mm², less what free parts are worth. */
  readonly costMm2: number;
  /** Shapes in it. */
  readonly count: number;
}

/** A break and what lies beyond it. */
export interface Rest {
  readonly kind: number;
  readonly cut: Cut;
  readonly node: Node;
}

export type Node = FreeNode | HeldNode;

/** What the pattern is worked out with. */
export interface Bench {
  readonly shapes: readonly Shape[];
  /** Shapes that are alike in all that counts share a number. */
  readonly alike: readonly number[];
  readonly measures: Measures;
}

export function freeNode(part: Part, { measures }: Bench): FreeNode {
  const { isOffcut, worthMm2 } = worthOf(part, measures.keepMm);
  const roomMm2 = areaOf(part.room);
  const roomMm = mayHold(roomMm2, measures.leastShapeMm2, measures.graceMm) ? leastWidth(part.room) : 0;
  return { shape: null, part, isOffcut, roomMm2, roomMm, costMm2: areaOf(part.glass) - worthMm2, count: 0 };
}

/** Where a break of a kind runs, or null where it parts nothing off. */
export function cutOf(kind: number, laid: Laid, base: Side, marginMm: number): Cut {
  const { hull } = laid;
  let nx: number;
  let ny: number;
  if (kind >= ALONG) {
    [nx, ny] =
      kind === ALONG ? [-base.dy, base.dx] : kind === ACROSS_BEFORE ? [-base.dx, -base.dy] : [base.dx, base.dy];
  } else {
    const i = 2 * (kind % (hull.length / 2));
    const j = (i + 2) % hull.length;
    const [ex, ey] = [numberAt(hull, j) - numberAt(hull, i), numberAt(hull, j + 1) - numberAt(hull, i + 1)];
    const mm = Math.sqrt(ex * ex + ey * ey);
    [nx, ny] = [ey / mm, -ex / mm];
    return { nx, ny, c: nx * numberAt(hull, i) + ny * numberAt(hull, i + 1) + marginMm / 2 };
  }
  return { nx, ny, c: reach(hull, nx, ny) + marginMm / 2 };
}

/** A node with other rests: what hangs on them is summed anew. */
export function withRests(node: HeldNode, rests: readonly Rest[]): HeldNode {
  let costMm2 = areaOf(node.cell);
  let count = 1;
  for (const { node: rest } of rests) {
    costMm2 += rest.costMm2;
    count += rest.count;
  }
  return { ...node, rests, costMm2, count };
}

/** The shapes of a pattern, onto a list. */
export function shapesIn(node: Node, onto: number[]): void {
  if (node.shape === null) return;
  onto.push(node.shape);
  for (const { node: rest } of node.rests) shapesIn(rest, onto);
}

const same = (a: Flat, b: Flat): boolean => a.length === b.length && a.every((v, i) => v === b[i]);

/**
 * A pattern worked out anew on a part. A shape that no longer goes in is put onto `loose`, and the first pattern that
 * hung on it takes its place.
 * @param swapped shapes to be laid in each other's stead
 */
export function regrow(
  part: Part,
  pattern: Node,
  bench: Bench,
  loose: number[],
  swapped: ReadonlyMap<number, number> | null = null,
): Node {
  if (pattern.shape === null) return freeNode(part, bench);
  if (swapped === null && same(part.glass, pattern.part.glass) && same(part.room, pattern.part.room)) return pattern;
  const shape = swapped?.get(pattern.shape) ?? pattern.shape;
  const grown = growOne(part, { ...pattern.rule, shape }, bench, pattern.rests, loose, swapped);
  if (grown !== null) return grown;
  loose.push(shape);
  const heirs = pattern.rests.map(({ node }) => node).filter((node) => node.shape !== null);
  const [first, ...others] = heirs.sort((a, b) => b.count - a.count);
  for (const other of others) {
    const from = loose.length;
    shapesIn(other, loose);
    if (swapped)
      for (let i = from; i < loose.length; i++) loose[i] = swapped.get(numberAt(loose, i)) ?? numberAt(loose, i);
  }
  return first === undefined ? freeNode(part, bench) : regrow(part, first, bench, loose, swapped);
}

/** One shape laid by its rule, and the patterns beyond its breaks; null where it does not go in. */
export function growOne(
  part: Part,
  rule: Rule,
  bench: Bench,
  rests: readonly Rest[],
  loose: number[],
  swapped: ReadonlyMap<number, number> | null = null,
): HeldNode | null {
  const shape = bench.shapes[rule.shape];
  if (shape === undefined || part.room.length === 0) return null;
  const sides = sidesOf(part.room);
  const base = sides[rule.base % sides.length];
  if (base === undefined) return null;
  const flush = rule.flush % shape.angles.length;
  const laid = lay(shape, flushTurn(shape, part, base, flush), part, sides, base, rule.end, bench.measures.graceMm);
  if (laid === null) return null;
  return breakOff(part, rule, laid, base, bench, rests, loose, swapped);
}

/** The breaks of a rule round a shape that lies, and the patterns beyond them. */
export function breakOff(
  part: Part,
  rule: Rule,
  laid: Laid,
  base: Side,
  bench: Bench,
  rests: readonly Rest[],
  loose: number[],
  swapped: ReadonlyMap<number, number> | null = null,
): HeldNode {
  const { marginMm } = bench.measures;
  let left = part;
  const grown: Rest[] = [];
  let costMm2 = 0;
  let count = 1;
  for (const kind of rule.cuts) {
    const pattern = rests.find((rest) => rest.kind === kind)?.node;
    const cut = cutOf(kind, laid, base, marginMm);
    const beyond = farSide(left, cut, marginMm);
    if (beyond === null || !leavesNear(left, cut)) {
      if (pattern !== undefined && pattern.shape !== null) dropAll(pattern, loose, swapped);
      continue;
    }
    const node = pattern === undefined ? freeNode(beyond, bench) : regrow(beyond, pattern, bench, loose, swapped);
    grown.push({ kind, cut, node });
    costMm2 += node.costMm2;
    count += node.count;
    left = nearSide(left, cut, marginMm);
  }
  return {
    shape: rule.shape,
    part,
    rule,
    laid,
    rests: grown,
    cell: left.glass,
    costMm2: costMm2 + areaOf(left.glass),
    count,
  };
}

function dropAll(pattern: Node, loose: number[], swapped: ReadonlyMap<number, number> | null): void {
  const shapes: number[] = [];
  shapesIn(pattern, shapes);
  for (const shape of shapes) loose.push(swapped?.get(shape) ?? shape);
}
