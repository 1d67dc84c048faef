import { numberAt } from '../units/index.ts';
import { areaOf } from './convex.ts';
import { sidesOf } from './lay.ts';
import { bestOffer, type Offer, type Taste } from './offer.ts';
import { mayHold, type Part } from './part.ts';
import { breakOff, freeNode, withRests, type Bench, type HeldNode, type Node, type Rest } from './tree.ts';

/** Of a large pool only so many shapes are tried in one part. */
const MOST_TRIED = 36;

/**
 * A part filled from a pool of shapes, one after another, the smaller rests first. What was laid is taken out of the pool.
 */
export function fill(part: Part, pool: Set<number>, bench: Bench, taste: Taste, random: () => number, ways = 1): Node {
  if (ways > 1) return farSeeing(part, pool, bench, taste, random, ways);
  const offer = bestOfPool(part, pool, bench, taste, random);
  if (offer === null) return freeNode(part, bench);
  const node = opened(part, offer, pool, bench);
  return filledRests(node, node.rests.length, pool, bench, taste, random);
}

/** A shape laid and broken off, its rests still free. */
function opened(part: Part, offer: Offer, pool: Set<number>, bench: Bench): HeldNode {
  pool.delete(offer.rule.shape);
  return breakOff(part, offer.rule, offer.laid, offer.base, bench, [], []);
}

/** The smallest rests of a node filled, so many of them. */
function filledRests(
  node: HeldNode,
  most: number,
  pool: Set<number>,
  bench: Bench,
  taste: Taste,
  random: () => number,
): HeldNode {
  const rests: Rest[] = [...node.rests];
  for (const at of bySize(node).slice(0, most)) {
    const rest = rests[at];
    if (rest !== undefined) rests[at] = { ...rest, node: fill(rest.node.part, pool, bench, taste, random) };
  }
  return withRests(node, rests);
}

/** Which rests of a node are the smaller ones. */
const bySize = (node: HeldNode): number[] =>
  node.rests
    .map((rest, at) => ({ at, mm2: areaOf(rest.node.part.room) }))
    .sort((a, b) => a.mm2 - b.mm2)
    .map(({ at }) => at);

/**
 * The same, looking ahead: of several first shapes the one is taken whose strip, filled, holds most glass for what it
 * consumes; then its largest rest the same way.
 */
function farSeeing(
  part: Part,
  pool: Set<number>,
  bench: Bench,
  taste: Taste,
  random: () => number,
  ways: number,
): Node {
  let best: { node: HeldNode; pool: Set<number>; score: number } | null = null;
  for (let way = 0; way < ways; way++) {
    const offer = bestOfPool(part, pool, bench, way === 0 ? taste : { ...taste, noise: taste.noise + 0.5 }, random);
    if (offer === null) break;
    const left = new Set(pool);
    const first = opened(part, offer, left, bench);
    const node = filledRests(first, first.rests.length - 1, left, bench, taste, random);
    const [largest] = bySize(first).slice(-1);
    let heldMm2 = 0;
    for (const index of pool) if (!left.has(index)) heldMm2 += bench.shapes[index]?.hullMm2 ?? 0;
    const openMm2 = largest === undefined ? 0 : (node.rests[largest]?.node.costMm2 ?? 0);
    const score = heldMm2 / Math.max(heldMm2, node.costMm2 - openMm2);
    if (best === null || score > best.score) best = { node, pool: left, score };
  }
  if (best === null) return freeNode(part, bench);
  for (const index of [...pool]) if (!best.pool.has(index)) pool.delete(index);
  const { node } = best;
  const [largest] = bySize(node).slice(-1);
  return withRests(
    node,
    node.rests.map((rest, at) =>
      at === largest && rest.node.shape === null
        ? { ...rest, node: farSeeing(rest.node.part, pool, bench, taste, random, ways) }
        : rest,
    ),
  );
}

function bestOfPool(part: Part, pool: Set<number>, bench: Bench, taste: Taste, random: () => number): Offer | null {
  const mm2 = areaOf(part.room);
  const { leastShapeMm2, graceMm } = bench.measures;
  if (!mayHold(mm2, leastShapeMm2, graceMm)) return null;
  const sides = sidesOf(part.room);
  let fitting: number[] = [];
  const met = new Set<number>();
  for (const index of pool) {
    const alike = numberAt(bench.alike, index);
    if (met.has(alike) || !mayHold(mm2, bench.shapes[index]?.hullMm2 ?? Infinity, graceMm)) continue;
    met.add(alike);
    fitting.push(index);
  }
  if (fitting.length > MOST_TRIED) fitting = sample(fitting, MOST_TRIED, random);
  let best: Offer | null = null;
  for (const index of fitting) {
    const offer = bestOffer(part, index, bench, taste, random, sides);
    if (offer !== null && (best === null || offer.score > best.score)) best = offer;
  }
  return best;
}

/** So many of a list by chance, in a row that the random numbers alone decide. */
export function sample(list: readonly number[], most: number, random: () => number): number[] {
  const left = [...list];
  const out: number[] = [];
  while (out.length < most && left.length > 0) {
    const i = Math.floor(random() * left.length);
    out.push(numberAt(left, i));
    left[i] = numberAt(left, left.length - 1);
    left.pop();
  }
  return out;
}
