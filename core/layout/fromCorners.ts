import { nth, numberAt } from '../units/index.ts';
import { areaOf, clip, cornerOf, halfPlanes, moved, reach, type Flat, type HalfPlane } from './convex.ts';
import { joinAll, suspectIn } from './join.ts';
import type { Bed, Measures, Part } from './part.ts';
import { Search } from './search.ts';
import type { Node } from './tree.ts';
import { halfTurn, movedMakeup, piecesIn, shapeOf, type Makeup, type Shape } from './shape.ts';

/**
 * A part filled with shapes that were once broken out of it, from its corners inwards. Where joining stops at the hole that
 * a lost piece left, what was joined round it still has corners and sides in common with the part: a shape that has all its
 * sides but one along the part's is broken off by that one, and what is left is a part again.
 *
 *      p───────┬──────p      A lies in two corners of the part and is broken off by its one free side; of B two sides
 *      │   A   │      │      are free, so that either of them, drawn on across the part, may have been the first break.
 *      ├───┬───┤      │
 *      │ B │   │      │
 *      p───┴───┴──────p
 */
interface Filled {
  readonly tree: Held;
  /** Which of the shapes lie in it. */
  readonly shapes: ReadonlySet<number>;
}

/** A rest in which nothing was found to belong, or a shape with what lies beyond each of its breaks. */
type Tree = { readonly kind: 'open'; readonly poly: Flat } | Held;
interface Held {
  readonly kind: 'held';
  readonly fit: Fit;
  readonly beyond: readonly (Tree | null)[];
}

/** Of a corner or a side off its place, in roundings of the outlines. */
const OFF_ROUNDINGS = 8;
const STRAIGHT_ROUNDINGS = 4;
/** A shape with more free sides than this says too little of where it belongs. */
const MOST_FREE = 3;
/** Ways that are tried in one part where none is certain. */
const MOST_WAYS = 6;
/** Orders that are tried at a time. */
const MOST_TRIES = 250;
/** How often what found no place is joined otherwise, rather than what did. */
const LOOSE_SHARE = 0.85;
/** Rests below this are the width of a score, mm². */
const LEAST_MM2 = 4;

/** How a shape lies in a part, and the breaks along its free sides in the order in which they are made. */
interface Fit {
  readonly shape: number;
  readonly turn: number;
  readonly dx: number;
  readonly dy: number;
  readonly breaks: readonly HalfPlane[];
  readonly isCertain: boolean;
  readonly rank: number;
}

interface Cell {
  readonly poly: Flat;
  readonly areaMm2: number;
  readonly fits: readonly Fit[];
  fit: Fit | null;
  /** Beyond each of the breaks; null where that is nothing. */
  beyond: readonly (Cell | null)[];
}

/**
 * @param shapes as they were joined, each with its hull about the middle of its box
 * @param flowRad of the sheet; null where any turn will do
 * @param rounding of the outlines, mm
 * @param mostTries after which the best so far is taken
 * @returns null where no shape has a corner in common with the part
 */
function filledFromCorners(
  poly: Flat,
  shapes: readonly Shape[],
  {
    flowRad,
    rounding,
    mostTries,
  }: { readonly flowRad: number | null; readonly rounding: number; readonly mostTries: number },
): Filled | null {
  const used = new Set<number>();
  const allMm2 = shapes.reduce((sum, shape) => sum + shape.hullMm2, 0);
  const sided = shapes.map((shape) => ({ shape, own: sidesOf(shape.hull) }));
  const cellOf = (part: Flat): Cell => {
    const own = tidied(part, rounding * STRAIGHT_ROUNDINGS);
    const fits = fitsIn(own, sided, flowRad, rounding * OFF_ROUNDINGS);
    return { poly: own, areaMm2: areaOf(own), fits, fit: null, beyond: [] };
  };
  const root = cellOf(poly);
  let tries = 0;
  let bestMm2 = 0;
  let best: Filled | null = null;
  const keep = (placedMm2: number) => {
    if (placedMm2 <= bestMm2 + 1) return;
    const tree = treeOf(root);
    if (tree.kind === 'open') return;
    bestMm2 = placedMm2;
    best = { tree, shapes: new Set(used) };
  };
  const nextOf = (cell: Cell): Fit | undefined => cell.fits.find(({ shape }) => !used.has(shape));
  const go = (cells: readonly Cell[], placedMm2: number): void => {
    const roomMm2 = cells.reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
    if (placedMm2 + Math.min(roomMm2, allMm2 - placedMm2) <= bestMm2 + 1) return;
    // What is not looked at any more stays open.
    if (++tries > mostTries) return keep(placedMm2);
    let [cell, sure]: [Cell | null, Fit | null] = [null, null];
    for (const one of cells) {
      const fit = nextOf(one);
      if (fit !== undefined && (sure === null || fit.rank > sure.rank)) [cell, sure] = [one, fit];
    }
    if (cell === null || sure === null) return keep(placedMm2);
    const others = cells.filter((one) => one !== cell);
    const ways = sure.isCertain ? [sure] : cell.fits.filter(({ shape }) => !used.has(shape)).slice(0, MOST_WAYS);
    for (const fit of ways) {
      cell.fit = fit;
      cell.beyond = partsBeyond(cell.poly, fit.breaks).map((part) => (part === null ? null : cellOf(part)));
      used.add(fit.shape);
      go([...others, ...cell.beyond.flatMap((one) => one ?? [])], placedMm2 + (shapes[fit.shape]?.hullMm2 ?? 0));
      used.delete(fit.shape);
      cell.fit = null;
      cell.beyond = [];
    }
    // It may hold nothing but what was lost.
    if (!sure.isCertain) go(others, placedMm2);
  };
  go([root], 0);
  return best;
}

/** What lies beyond each of the breaks, made one after the other; null where that is no part. */
function partsBeyond(poly: Flat, breaks: readonly HalfPlane[]): (Flat | null)[] {
  let left = poly;
  return breaks.map(({ nx, ny, c }) => {
    const far = clip(left, -nx, -ny, -c);
    left = clip(left, nx, ny, c);
    return areaOf(far) < LEAST_MM2 ? null : far;
  });
}

const treeOf = ({ poly, fit, beyond }: Cell): Tree =>
  fit === null
    ? { kind: 'open', poly }
    : { kind: 'held', fit, beyond: beyond.map((cell) => (cell === null ? null : treeOf(cell))) };

const openIn = (tree: Tree | null): Flat[] =>
  tree === null ? [] : tree.kind === 'open' ? [tree.poly] : tree.beyond.flatMap((one) => openIn(one));

/** @param inOpen what was laid into the rests in which nothing seemed to belong */
function makeupOf(tree: Held, shapes: readonly Shape[], inOpen: ReadonlyMap<Flat, Makeup>): Makeup {
  const { fit, beyond } = tree;
  let makeup = movedMakeup(nth(shapes, fit.shape).makeup, fit.turn, fit.dx, fit.dy);
  for (let i = fit.breaks.length - 1; i >= 0; i--) {
    const far = beyond[i] ?? null;
    const high =
      far === null ? null : far.kind === 'open' ? (inOpen.get(far.poly) ?? null) : makeupOf(far, shapes, inOpen);
    if (high !== null) makeup = { kind: 'pair', cut: nth(fit.breaks, i), low: makeup, high };
  }
  return makeup;
}

/** A part without the corners that only rounding made. */
function tidied(poly: Flat, tol: number): Flat {
  let left = poly;
  for (;;) {
    const n = left.length / 2;
    if (n <= 3) return left;
    const odd = Array.from({ length: n }, (_, k) => k).find((k) => {
      const [[ax, ay], [x, y], [bx, by]] = [cornerOf(left, k - 1), cornerOf(left, k), cornerOf(left, k + 1)];
      const mm = Math.hypot(bx - ax, by - ay);
      return Math.hypot(bx - x, by - y) < tol || Math.abs((x - ax) * (by - ay) - (y - ay) * (bx - ax)) < tol * mm;
    });
    if (odd === undefined) return left;
    left = left.filter((_, i) => i !== 2 * odd && i !== 2 * odd + 1);
  }
}

/** A shape with its sides measured once. */
interface Sided {
  readonly shape: Shape;
  readonly own: Sides;
}

interface Sides {
  readonly angles: readonly number[];
  readonly mm: readonly number[];
}

function sidesOf(flat: Flat): Sides {
  const angles: number[] = [];
  const mm: number[] = [];
  for (let k = 0; k < flat.length / 2; k++) {
    const [[x, y], [u, v]] = [cornerOf(flat, k), cornerOf(flat, k + 1)];
    angles.push(Math.atan2(v - y, u - x));
    mm.push(Math.hypot(u - x, v - y));
  }
  return { angles, mm };
}

const wrapped = (angle: number): number => angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));

/** Every way in which a shape has a corner in a corner of the part, the surest first. */
function fitsIn(poly: Flat, shapes: readonly Sided[], flowRad: number | null, tol: number): Fit[] {
  const part = sidesOf(poly);
  const planes = halfPlanes(poly);
  const n = part.mm.length;
  const areaMm2 = areaOf(poly);
  const fits: Fit[] = [];
  shapes.forEach(({ shape, own }, index) => {
    if (shape.hullMm2 > areaMm2 * 1.001 + LEAST_MM2) return;
    const m = own.mm.length;
    const seen = new Set<string>();
    for (let k = 0; k < n; k++)
      for (let l = 0; l < m; l++) {
        const laid = laidInCorner(shape, own, l, poly, part, k, flowRad, tol);
        if (laid === null) continue;
        const key = [laid.turn, laid.dx, laid.dy].map((v) => Math.round(v / (4 * tol))).join();
        if (seen.has(key)) continue;
        seen.add(key);
        fits.push(...waysOf(index, laid, shape, planes, areaMm2, tol));
      }
  });
  return fits.sort((a, b) => b.rank - a.rank);
}

type Laid = Pick<Fit, 'turn' | 'dx' | 'dy'>;

/** A shape with one of its corners in one of the part's; null where the two are not alike, or its flow forbids it. */
function laidInCorner(
  shape: Shape,
  own: Sides,
  l: number,
  poly: Flat,
  part: Sides,
  k: number,
  flowRad: number | null,
  tol: number,
): Laid | null {
  const [before, after] = [(l + own.mm.length - 1) % own.mm.length, l];
  const [partBefore, partAfter] = [(k + part.mm.length - 1) % part.mm.length, k];
  const mm = (side: number, of: Sides) => numberAt(of.mm, side);
  const off = (side: number, partSide: number) => wrapped(numberAt(part.angles, partSide) - numberAt(own.angles, side));
  if (mm(before, own) > mm(partBefore, part) + tol || mm(after, own) > mm(partAfter, part) + tol) return null;
  const [first, second] = [off(before, partBefore), off(after, partAfter)];
  const apart = wrapped(second - first);
  if (Math.abs(apart) > tol / mm(before, own) + tol / mm(after, own)) return null;
  const [w1, w2] = [mm(before, own) ** 2, mm(after, own) ** 2];
  let turn = first + (apart * w2) / (w1 + w2);
  if (flowRad !== null && shape.flowRad !== null) {
    const wrong = halfTurn(turn + shape.flowRad - flowRad);
    const longest = Math.max(mm(before, own), mm(after, own));
    if (Math.abs(wrong) > shape.toleranceRad + tol / longest) return null;
    turn += Math.max(-shape.toleranceRad, Math.min(shape.toleranceRad, wrong)) - wrong;
  }
  const [x, y] = cornerOf(shape.hull, l);
  const [px, py] = cornerOf(poly, k);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return { turn, dx: px - (x * cos - y * sin), dy: py - (x * sin + y * cos) };
}

/** The ways to break a shape out of the part from where it lies; none where it does not lie inside. */
function waysOf(
  index: number,
  laid: Laid,
  shape: Shape,
  planes: readonly HalfPlane[],
  areaMm2: number,
  tol: number,
): Fit[] {
  const hull = moved(shape.hull, Math.cos(laid.turn), Math.sin(laid.turn), laid.dx, laid.dy);
  if (planes.some(({ nx, ny, c }) => reach(hull, nx, ny) > c + tol)) return [];
  const sides = halfPlanes(hull);
  const at = (k: number, { nx, ny, c }: HalfPlane) => {
    const [x, y] = cornerOf(hull, k);
    return nx * x + ny * y > c - tol;
  };
  const isAlong = sides.map((_, k) => planes.some((plane) => at(k, plane) && at(k + 1, plane)));
  const free = sides.flatMap((side, k) => (isAlong[k] ? [] : [{ side, k }]));
  if (free.length > MOST_FREE) return [];
  // Corners of the shape in which two of the part's sides meet.
  const corners = sides.filter((_, k) => isAlong[k] && isAlong[(k + sides.length - 1) % sides.length]).length;
  const isCertain = free.length === 0 || corners >= 3 || (free.length === 1 && corners >= 2);
  const rank = (free.length === 0 ? 100 : 0) + corners * 10 - free.length * 15 + shape.hullMm2 / areaMm2;
  // Free sides follow each other, so that the first break runs along the first or the last of them.
  const start = free.findIndex(({ k }) => isAlong[(k + sides.length - 1) % sides.length]);
  const chain = [...free.slice(Math.max(0, start)), ...free.slice(0, Math.max(0, start))].map(({ side }) => side);
  return fromEnds(chain).map((breaks) => ({ ...laid, shape: index, breaks, isCertain, rank }));
}

/** Every order in which a row is taken from its ends. */
function fromEnds<T>(row: readonly T[]): T[][] {
  const [first, ...rest] = row;
  const last = row.at(-1);
  if (first === undefined || last === undefined) return [[]];
  if (rest.length === 0) return [[first]];
  return [
    ...fromEnds(rest).map((more) => [first, ...more]),
    ...fromEnds(row.slice(0, -1)).map((more) => [last, ...more]),
  ];
}

/**
 * A part filled from its corners over and over, with what found no place joined otherwise each time: a joint that only
 * looked right makes a shape that lies in no corner.
 */
export class CornerFiller {
  readonly #pieces: readonly Shape[];
  readonly #part: Part;
  readonly #rounding: number;
  readonly #measures: Measures;
  readonly #fits: (shape: Shape) => Shape | null;
  readonly #random: () => number;
  #banned: ReadonlySet<string> = new Set();
  /** What the part was filled with at best, and what is left over then. */
  #best: { readonly whole: Shape; readonly loose: readonly Shape[] } | null = null;
  #loose: readonly Shape[] = [];
  /** What was joined and lies in the part. */
  #held: readonly Shape[] = [];
  /** Of what lies from the corners inwards. */
  #heldMm2 = 0;

  constructor(
    pieces: readonly Shape[],
    part: Part,
    rounding: number,
    measures: Measures,
    fits: (shape: Shape) => Shape | null,
    random: () => number,
  ) {
    this.#pieces = pieces;
    this.#part = part;
    this.#rounding = rounding;
    this.#measures = measures;
    this.#fits = fits;
    this.#random = random;
  }

  /** The filled part as one shape, and the others; null as long as nothing lies in a corner. */
  get best(): readonly Shape[] | null {
    return this.#best && [this.#best.whole, ...this.#best.loose];
  }

  /** Nothing is left over. */
  get isDone(): boolean {
    return this.#best !== null && this.#best.loose.length === 0;
  }

  /** One more way. @returns whether it is better than all before */
  tryAgain(): boolean {
    const banned = this.#otherJoints();
    const joined = joinAll(this.#pieces, this.#rounding, this.#fits, this.#random, { banned });
    const { bed, glass } = this.#part;
    const filled = filledFromCorners(glass, joined, {
      flowRad: bed.flowRad,
      rounding: this.#rounding,
      mostTries: MOST_TRIES,
    });
    const inside = joined.filter((_, i) => filled?.shapes.has(i) === true);
    const loose = joined.filter((_, i) => filled?.shapes.has(i) !== true);
    const heldMm2 = inside.reduce((sum, one) => sum + one.areaMm2, 0);
    if (heldMm2 < this.#heldMm2) return false;
    this.#banned = banned;
    this.#loose = loose;
    this.#held = inside.filter(({ count: many }) => many > 1);
    if (filled === null || heldMm2 <= this.#heldMm2 + 1) return false;
    this.#heldMm2 = heldMm2;
    const single = loose.flatMap(({ makeup }) => piecesIn(makeup)).map((piece) => this.#pieceOf(piece));
    const rests = openIn(filled.tree);
    const laid = laidInto(rests, single, bed, this.#measures);
    const areaMm2 = heldMm2 + laid.shapes.reduce((sum, one) => sum + one.areaMm2, 0);
    const count = inside.reduce((sum, one) => sum + one.count, laid.shapes.length);
    const makeup = makeupOf(filled.tree, joined, laid.inRest);
    if (areaMm2 <= (this.#best?.whole.areaMm2 ?? 0) + 1) return false;
    const whole = shapeOf(glass, { areaMm2, flowRad: bed.flowRad, toleranceRad: 0, makeup, count });
    this.#best = {
      whole,
      loose: laid.shapes.length === 0 ? loose : single.filter((one) => !laid.shapes.includes(one)),
    };
    return true;
  }

  #pieceOf(piece: number): Shape {
    const found = this.#pieces.find(({ makeup }) => makeup.kind === 'piece' && makeup.piece === piece);
    if (found === undefined) throw new Error(`there is no piece ${piece}`);
    return found;
  }

  #otherJoints(): ReadonlySet<string> {
    const suspects = this.#loose.filter(({ count }) => count > 1).sort((a, b) => b.count - a.count);
    // A false joint may have found its place too, and kept another piece from its own.
    const from = suspects.length > 0 && this.#random() < LOOSE_SHARE ? suspects : this.#held;
    const one = from[Math.floor(this.#random() * this.#random() * from.length)];
    if (one === undefined) return this.#banned;
    const banned = new Set(this.#random() < 0.7 ? this.#banned : []);
    do banned.add(suspectIn(one.makeup, this.#random));
    while (this.#random() < 0.3);
    return banned;
  }
}

/** Steps for what is left over, in the rests that are left. */
const REST_STEPS = 200;

/** Shapes that found no place from the corners, laid into the rests as on sheets of their own. */
function laidInto(
  rests: readonly Flat[],
  shapes: readonly Shape[],
  bed: Bed,
  measures: Measures,
): { readonly inRest: ReadonlyMap<Flat, Makeup>; readonly shapes: readonly Shape[] } {
  const inRest = new Map<Flat, Makeup>();
  const least = Math.min(...shapes.map((one) => one.hullMm2));
  const room = rests.filter((rest) => areaOf(rest) > least * 0.99);
  if (shapes.length === 0 || room.length === 0) return { inRest, shapes: [] };
  const bench = { shapes, alike: shapes.map((_, i) => i), measures };
  const sheets = room.map((poly) => ({
    isOffcut: true,
    areaMm2: areaOf(poly),
    parts: [{ bed, glass: poly, room: poly }],
  }));
  const search = new Search(bench, sheets, { seed: 1, prefersUse: false });
  search.run(REST_STEPS);
  const laid: Shape[] = [];
  search.best.roots.forEach((root, i) => {
    const makeup = makeupOfNode(root, shapes, laid);
    if (makeup !== null) inRest.set(nth(room, i), makeup);
  });
  return { inRest, shapes: laid };
}

/** What lies in a part of a pattern; what it is goes into `laid`. */
function makeupOfNode(node: Node, shapes: readonly Shape[], laid: Shape[]): Makeup | null {
  if (node.shape === null) return null;
  const shape = nth(shapes, node.shape);
  laid.push(shape);
  let makeup = movedMakeup(shape.makeup, node.laid.turn, node.laid.dx, node.laid.dy);
  for (let i = node.rests.length - 1; i >= 0; i--) {
    const { cut, node: rest } = nth(node.rests, i);
    const high = makeupOfNode(rest, shapes, laid);
    if (high !== null) makeup = { kind: 'pair', cut, low: makeup, high };
  }
  return makeup;
}
