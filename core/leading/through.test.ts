import { describe, expect, it } from 'vitest';
import { readCartoon } from '../cartoon/index.ts';
import { courses, grid, PINWHEEL } from '../test/leadDrawings.ts';
import { nth, seededRandom } from '../units/index.ts';
import {
  checkLead,
  jointName,
  leadPlan,
  orderBreaks,
  runName,
  waysThrough,
  type LeadPlan,
  type Through,
} from './index.ts';

const FACES = { innerMm: 6, borderMm: 10 };
function cartoonOf(svg: string) {
  const reading = readCartoon(svg, {});
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon;
}
const planOf = (svg: string, through: Through = {}): LeadPlan =>
  leadPlan(cartoonOf(svg), { corner: 'bottom-left', through, ...FACES });
const crossings = (plan: LeadPlan) =>
  plan.joints.flatMap(({ kind }, joint) => (kind === 'X' && waysThrough(plan, joint).length > 1 ? [joint] : []));

describe('which came goes through is decided by hand', () => {
  it('at a crossing of a grid there are two ways, of which one is taken', () => {
    const plan = planOf(grid(3, 4, 50));
    const joints = crossings(plan);
    expect(joints).toHaveLength(6);
    for (const joint of joints) {
      const ways = waysThrough(plan, joint);
      expect(ways).toHaveLength(2);
      expect(ways.filter((way) => way.isTaken)).toHaveLength(1);
      expect(Math.abs(Number(nth(ways, 0).deg) - Number(nth(ways, 1).deg)) % 180).toBe(90);
    }
  });
  it('the other one goes through where it is wished, the rest follows, and the whole is sound', () => {
    const svg = grid(3, 4, 50);
    const plan = planOf(svg);
    const joint = nth(crossings(plan), 2);
    const other = waysThrough(plan, joint).find((way) => !way.isTaken);
    const name = jointName(nth(plan.joints, joint).at);
    const turned = planOf(svg, { [name]: other?.deg ?? 0 });
    expect(checkLead(turned, FACES)).toEqual([]);
    expect(waysThrough(turned, joint).find((way) => way.isTaken)?.deg).toBe(other?.deg);
    // One level came is cut in two there, and two uprights are one.
    expect(turned.runs).toHaveLength(plan.runs.length);
    expect(turned.runs.map((run) => run.lengthMm)).not.toEqual(plan.runs.map((run) => run.lengthMm));
  });
  it('at a tee the border or the straight came goes through, and there is nothing to choose but that', () => {
    const plan = planOf(PINWHEEL);
    const rim = plan.joints.flatMap(({ ends, kind }, joint) =>
      kind !== 'L' && ends.some(({ line }) => nth(plan.lines, line).isBorder) ? [joint] : [],
    );
    for (const joint of rim) expect(waysThrough(plan, joint).length).toBeLessThan(2);
  });
  it('a wish for a joint that the drawing has no more changes nothing', () => {
    const plan = planOf(courses(5, 6));
    expect(planOf(courses(5, 6), { '1.5,2.5': 90 }).runs).toEqual(plan.runs);
  });
  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    'random wishes in a grid %d: sound each time, with every piece in the order once',
    (seed) => {
      const svg = grid(3 + (seed % 4), 4 + (seed % 3), 50);
      const plan = planOf(svg);
      const random = seededRandom(seed);
      const through: Record<string, number> = {};
      plan.joints.forEach(({ at }, joint) => {
        const ways = waysThrough(plan, joint);
        const { deg = null } = ways.length > 1 && random() < 0.3 ? nth(ways, Math.floor(random() * ways.length)) : {};
        if (deg !== null) through[jointName(at)] = deg;
      });
      expect(Object.keys(through).length).toBeGreaterThan(0);
      const turned = planOf(svg, through);
      expect(checkLead(turned, FACES)).toEqual([]);
      expect(turned.order.flatMap(({ piece }) => piece ?? []).sort((a, b) => a - b)).toEqual(
        plan.order.flatMap(({ piece }) => piece ?? []).sort((a, b) => a - b),
      );
    },
  );
  it('a came keeps its name as long as it is the same came', () => {
    const svg = grid(3, 4, 50);
    const plan = planOf(svg);
    const names = plan.runs.map((_, run) => runName(plan, run, null));
    expect(new Set(names).size).toBe(names.length);
    for (const name of names) expect(name.length).toBeLessThanOrEqual(40);
    const joint = nth(crossings(plan), 0);
    const other = waysThrough(plan, joint).find((way) => !way.isTaken);
    const turned = planOf(svg, { [jointName(nth(plan.joints, joint).at)]: other?.deg ?? 0 });
    const kept = turned.runs.filter((_, run) => names.includes(runName(turned, run, null)));
    expect(kept.length).toBeGreaterThanOrEqual(names.length - 6);
  });
});

describe('a corner', () => {
  const svg = grid(2, 2, 50);
  const plan = planOf(svg);
  const corners = plan.joints.flatMap(({ kind }, joint) => (kind === 'L' ? [joint] : []));
  const nameOf = (joint: number) => jointName(nth(plan.joints, joint).at);
  const border = (of: LeadPlan) => of.runs.filter((run) => run.isBorder).map((run) => run.lengthMm);

  it('is mitred at 45° unless one of its cames is to reach across the other', () => {
    expect(corners).toHaveLength(4);
    for (const joint of corners) {
      const ways = waysThrough(plan, joint);
      expect(ways.map(({ isTaken }) => isTaken)).toEqual([true, false, false]);
      expect(nth(ways, 0).deg).toBeNull();
    }
    expect(border(plan)).toEqual([100, 100, 100, 100]);
  });
  it('butted: the long came reaches to the outer edge of the other, the short one up to its inner edge', () => {
    // By hand: sides of 100 mm between the middles of a border with a face of 10 mm.
    const upright = { ...Object.fromEntries(corners.map((joint) => [nameOf(joint), uprightAt(joint)])) };
    const butted = planOf(svg, upright);
    expect(checkLead(butted, FACES)).toEqual([]);
    expect([...border(butted)].sort((a, b) => a - b)).toEqual([90, 90, 110, 110]);
    for (const joint of corners) expect(waysThrough(butted, joint)[0]?.isTaken).toBe(false);
    const kinds = butted.runs.filter((run) => run.isBorder).map((run) => run.ends.map((end) => end.kind).join());
    expect(kinds.sort()).toEqual(['butt,butt', 'butt,butt', 'over,over', 'over,over']);
  });
  it('butted at one corner alone leaves the others mitred', () => {
    const [joint = 0] = corners;
    const one = planOf(svg, { [nameOf(joint)]: uprightAt(joint) });
    expect(checkLead(one, FACES)).toEqual([]);
    expect([...border(one)].sort((a, b) => a - b)).toEqual([95, 100, 100, 105]);
  });

  /** The direction, of the two in which the border leaves a corner, that is up or down. */
  function uprightAt(joint: number): number {
    const way = waysThrough(plan, joint).find(({ deg }) => deg === 90 || deg === 270);
    return way?.deg ?? Number.NaN;
  }
});

describe('an order that somebody wants', () => {
  const svg = courses(5, 6);
  const best = planOf(svg);
  const wanted = (order: readonly number[]) => leadPlan(cartoonOf(svg), { corner: 'bottom-left', ...FACES, order });
  const laid = (plan: LeadPlan) => plan.order.flatMap(({ piece }) => piece ?? []);

  it('the best one wanted breaks nothing', () => {
    const same = wanted(laid(best));
    expect(laid(same)).toEqual(laid(best));
    expect(orderBreaks(best, same)).toEqual({ cut: [], moreCames: 0, locked: [] });
  });
  it('is kept, sound by other means, and what it breaks is told: more cames, each where it is cut', () => {
    const random = seededRandom(3);
    for (let i = 0; i < 12; i++) {
      const order = [...laid(best)];
      const [from, to] = [Math.floor(random() * order.length), Math.floor(random() * order.length)];
      order.splice(to, 0, ...order.splice(from, 1));
      const plan = wanted(order);
      expect(laid(plan)).toEqual(order);
      expect(checkLead(plan, FACES)).toEqual([]);
      const { cut, moreCames } = orderBreaks(best, plan);
      expect(moreCames).toBe(plan.runs.length - best.runs.length);
      // A came more for each joint where one is cut, less where another goes through instead.
      expect(cut.length).toBeGreaterThanOrEqual(moreCames);
      for (const { pieces } of cut) expect(pieces.length).toBeGreaterThan(1);
    }
  });
  it('a middle piece laid last of all is locked in by those round it', () => {
    const pieces = laid(planOf(grid(3, 3, 50)));
    const order = [...pieces.filter((piece) => piece !== 5), 5];
    const plan = leadPlan(cartoonOf(grid(3, 3, 50)), { corner: 'bottom-left', ...FACES, order });
    expect(checkLead(plan, FACES)).toEqual([]);
    expect(orderBreaks(planOf(grid(3, 3, 50)), plan).locked).toEqual([{ pieces: [5], by: [2, 4, 6, 8] }]);
  });
  it('pieces that it does not name, and such as are no more, leave it whole', () => {
    const [first = 0, ...others] = laid(best);
    const plan = wanted([...others.reverse(), 9999]);
    expect([...laid(plan)].sort((a, b) => a - b)).toEqual([...laid(best)].sort((a, b) => a - b));
    expect(laid(plan)).toContain(first);
  });
});
