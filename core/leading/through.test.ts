import { describe, expect, it } from 'vitest';
import { readCartoon } from '../cartoon/index.ts';
import { courses, grid, PINWHEEL } from '../test/leadDrawings.ts';
import { nth, seededRandom } from '../units/index.ts';
import { checkLead, jointName, leadPlan, runName, waysThrough, type LeadPlan, type Through } from './index.ts';

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
      expect(Math.abs(nth(ways, 0).deg - nth(ways, 1).deg) % 180).toBe(90);
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
    const rim = plan.joints.flatMap(({ ends }, joint) =>
      ends.some(({ line }) => nth(plan.lines, line).isBorder) ? [joint] : [],
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
        if (ways.length > 1 && random() < 0.3)
          through[jointName(at)] = nth(ways, Math.floor(random() * ways.length)).deg;
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
