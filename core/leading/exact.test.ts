import { describe, expect, it } from 'vitest';
import { readCartoon } from '../cartoon/index.ts';
import { cells, curvedPinwheel, KEY, PINWHEEL } from '../test/leadDrawings.ts';
import { nth } from '../units/index.ts';
import { contactsAt, contactsOf, isFreeOf, touchesOf } from './freedom.ts';
import { leadGraph } from './graph.ts';
import { checkLead, leadPlan } from './index.ts';
import { joined, stretchOf } from './order.ts';
import { chainsOf, isLoop, passesAt, type Pass } from './passes.ts';

const FACES = { innerMm: 6, borderMm: 10 };

function* ordersOf(pieces: readonly number[]): Generator<number[]> {
  if (pieces.length < 2) return yield [...pieces];
  for (const [i, piece] of pieces.entries())
    for (const rest of ordersOf([...pieces.slice(0, i), ...pieces.slice(i + 1)])) yield [piece, ...rest];
}

/** The fewest locked pieces, and the fewest runs with so few, over every order and every way to let cames through. */
function exactly(svg: string): { plan: { locked: number; runs: number }; best: { locked: number; runs: number } } {
  const reading = readCartoon(svg, {});
  if ('refusal' in reading) throw new Error(reading.refusal);
  const { cartoon } = reading;
  const graph = leadGraph(cartoon);
  const plan = leadPlan(cartoon, { corner: 'bottom-left', ...FACES });
  expect(checkLead(plan, FACES)).toEqual([]);
  const first = plan.order[0]?.runs.flatMap((run) => nth(plan.runs, run).lines.map((ref) => (ref < 0 ? ~ref : ref)));
  const contacts = contactsOf(graph.lines, new Set(first));
  let ways: (Pass | null)[][] = [[]];
  graph.joints.forEach((_, joint) => {
    const options = passesAt(graph, joint);
    const [straight] = options;
    const isBorder = straight !== undefined && nth(graph.lines, straight[0].line).isBorder;
    const here: readonly (Pass | null)[] = isBorder ? [straight] : [null, ...options];
    ways = ways.flatMap((way) => here.map((pass) => [...way, pass]));
  });
  const chainings = ways.map((way) => chainsOf(graph, way)).sort((a, b) => a.length - b.length);
  let best = { locked: Infinity, runs: Infinity };
  for (const order of ordersOf(cartoon.pieces.map((piece) => piece.number))) {
    const there = new Set<number>();
    let locked = 0;
    for (const piece of order) {
      if (!isFreeOf(touchesOf(contactsAt(contacts, piece), (other) => there.has(other)))) locked++;
      there.add(piece);
    }
    if (locked > best.locked) continue;
    if (locked < best.locked) best = { locked, runs: Infinity };
    const place = new Map(order.map((piece, i) => [piece, i]));
    const fits = chainings.find(
      (chains) =>
        chains.length >= best.runs ||
        chains.every(
          (chain) =>
            isLoop(graph.lines, chain) ||
            chain.refs.map((ref) => stretchOf(graph.lines, ref, place)).reduce((a, b) => joined(a, b)) !== null,
        ),
    );
    if (fits && fits.length < best.runs) best = { locked, runs: fits.length };
  }
  return { plan: { locked: plan.locked.flatMap((one) => one.pieces).length, runs: plan.runs.length }, best };
}

describe('the fewest locked pieces and the fewest runs, held against every order there is', () => {
  it.each([
    ['a pinwheel', PINWHEEL],
    ['a key in its hole', KEY],
    ['three curved arms', curvedPinwheel(3, 1)],
    ['three that turn back', curvedPinwheel(3, -0.6)],
    ['four', curvedPinwheel(4, 0.5)],
    ['five', curvedPinwheel(5, 1)],
    ['five that wind far', curvedPinwheel(5, 1.6)],
    ...[1, 2, 3, 4, 5].map((seed): [string, string] => [`six cells ${seed}`, cells(6, seed, 300, 250)]),
  ])('%s', (_, svg) => {
    const { plan, best } = exactly(svg);
    expect(plan).toEqual(best);
  });
});
