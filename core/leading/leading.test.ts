import { describe, expect, it } from 'vitest';
import { readCartoon } from '../cartoon/index.ts';
import { cells, courses, DISC_IN_PANE, grid, KEY, medallion, PINWHEEL, waves } from '../test/leadDrawings.ts';
import { leastTime } from '../test/leastTime.ts';
import { doc, paneNet } from '../test/panels.ts';
import { checkLead, CORNERS, leadPlan, type Corner, type LeadPlan } from './index.ts';

const FACES = { innerMm: 6, borderMm: 10 };
function planOf(svg: string, corner: Corner = 'bottom-left'): LeadPlan {
  const reading = readCartoon(svg, {});
  if ('refusal' in reading) throw new Error(reading.refusal);
  return leadPlan(reading.cartoon, { corner, ...FACES });
}
const inner = ({ runs }: LeadPlan) => runs.filter((run) => !run.isBorder);
const kinds = ({ joints }: LeadPlan) => joints.map((joint) => joint.kind).sort();

describe('which came goes through, and how it is cut', () => {
  it('a grid: the cames of one way go right through, those of the other butt between them', () => {
    const plan = planOf(grid(3, 4, 50));
    expect(checkLead(plan, FACES)).toEqual([]);
    expect(plan.runs.filter((run) => run.isBorder)).toHaveLength(4);
    // Three level cames of three panes, and two uprights in each of four rows: by counting.
    expect(inner(plan)).toHaveLength(3 + 2 * 4);
    const level = inner(plan).filter((run) => run.lines.length === 3);
    expect(level).toHaveLength(3);
    // 150 mm less half the border's face at both ends; uprights 50 less half of each face they meet.
    for (const run of level) expect(run.lengthMm).toBeCloseTo(150 - 5 - 5, 6);
    const uprights = inner(plan).filter((run) => run.lines.length === 1);
    expect(uprights.map((run) => run.lengthMm).sort()).toEqual([42, 42, 42, 42, 44, 44, 44, 44]);
    expect(new Set(uprights.flatMap((run) => run.ends.map((end) => end.kind)))).toEqual(new Set(['butt']));
    for (const run of plan.runs.filter((one) => one.isBorder))
      expect(run.ends).toMatchObject([
        { kind: 'mitre', angleDeg: 45 },
        { kind: 'mitre', angleDeg: 45 },
      ]);
  });

  it('a slanted came loses more where it butts: half the face by the sine of the angle', () => {
    const plan = planOf(doc(200, 200, '<rect width="200" height="200"/><path d="M0 150L100 0"/>'));
    const [run] = inner(plan);
    const drawn = Math.hypot(100, 150);
    const steep = Math.atan2(150, 100);
    expect(run?.lengthMm).toBeCloseTo(drawn - 5 / Math.sin(steep) - 5 / Math.cos(steep), 3);
    expect(run?.ends.map((end) => Math.round(end.angleDeg ?? 0)).sort()).toEqual([34, 56]);
  });

  it('a ring without joints is one line; with spokes it is one came that closes, the spokes butt square', () => {
    const disc = planOf(DISC_IN_PANE);
    expect(disc.lines.filter((line) => line.from === null && line.to === null)).toHaveLength(1);
    expect(kinds(disc)).toEqual(['L', 'L', 'L', 'L']);
    const plan = planOf(medallion());
    const rings = inner(plan).filter((run) => run.isLoop);
    expect(rings).toHaveLength(2);
    for (const ring of rings) expect(ring.ends).toMatchObject([{ kind: 'closed' }, { kind: 'closed' }]);
    const [small = 0, large = 0] = rings.map((run) => run.lengthMm).sort((a, b) => a - b);
    expect(small).toBeCloseTo(2 * Math.PI * 80, 0);
    expect(large).toBeCloseTo(2 * Math.PI * 140, 0);
    for (const end of inner(plan).flatMap((run) => run.ends))
      if (end.kind === 'butt' && end.angleDeg !== null && end.angleDeg > 60) expect(end.angleDeg).toBeCloseTo(90, 0);
  });

  it('a came is bent up to 35°, and cut where it turns more', () => {
    const bent = (deg: number) => {
      const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
      return planOf(
        doc(200, 200, `<rect width="200" height="200"/><path d="M0 100H100L${100 + 100} ${100 + (100 * s) / c}"/>`),
      );
    };
    expect(inner(bent(33))).toHaveLength(1);
    const cut = bent(37);
    expect(inner(cut)).toHaveLength(2);
    expect(
      inner(cut)
        .flatMap((run) => run.ends)
        .filter((end) => end.kind === 'mitre'),
    ).toMatchObject([
      { angleDeg: expect.closeTo((180 - 37) / 2, 3) as number },
      { angleDeg: expect.closeTo((180 - 37) / 2, 3) as number },
    ]);
  });
});

describe('the order', () => {
  it.each(CORNERS)('begins at the %s with the border of its two sides, and ends with the others', (corner) => {
    const plan = planOf(courses(5, 6), corner);
    expect(checkLead(plan, FACES)).toEqual([]);
    expect(plan.locked).toEqual([]);
    const first = plan.order[0]?.runs ?? [];
    expect(first).toHaveLength(2);
    expect(plan.order.at(-1)).toMatchObject({ piece: null });
    expect(plan.order.at(-1)?.runs).toHaveLength(2);
    const [isLeft, isTop] = [corner.endsWith('left'), corner.startsWith('top')];
    for (const run of first)
      for (const ref of plan.runs[run]?.lines ?? [])
        for (const [x, y] of plan.lines[ref < 0 ? ~ref : ref]?.path ?? [])
          expect(Math.min(Math.abs(x - (isLeft ? 0 : 400)), Math.abs(y - (isTop ? 0 : 300)))).toBeLessThan(0.5);
  });

  it('a chamfer has its ends on both sides of the corner, and lies on neither: it comes last', () => {
    const plan = planOf(doc(300, 200, '<path d="M0 0H300V200H60L0 140Z"/><path d="M150 0V200"/><path d="M0 70H150"/>'));
    expect(checkLead(plan, FACES)).toEqual([]);
    const lengths = (runs: readonly number[]) =>
      runs.map((run) => Math.round(plan.runs[run]?.lengthMm ?? 0)).sort((a, b) => a - b);
    expect(lengths(plan.order[0]?.runs ?? [])).toEqual([140, 240]);
    expect(lengths(plan.order.at(-1)?.runs ?? [])).toEqual([85, 200, 300]);
  });

  it('a panel with a round border has none to begin with', () => {
    const plan = planOf(
      doc(300, 300, '<circle cx="150" cy="150" r="150"/><path d="M0 150H300"/><path d="M150 0V300"/>'),
    );
    expect(checkLead(plan, FACES)).toEqual([]);
    expect(plan.order[0]).toEqual({ piece: null, runs: [] });
    expect(plan.order.at(-1)?.runs).toHaveLength(1);
  });

  it('a pinwheel, though each of its oblongs is held by the next, goes together with every came whole', () => {
    const plan = planOf(PINWHEEL);
    expect(checkLead(plan, FACES)).toEqual([]);
    expect(plan.locked).toEqual([]);
    expect(inner(plan)).toHaveLength(4);
  });

  it('what can not be slid in is named, with what reaches round it, and nothing else is', () => {
    const disc = planOf(DISC_IN_PANE);
    expect(checkLead(disc, FACES)).toEqual([]);
    expect(disc.locked.flatMap((one) => one.pieces)).toHaveLength(1);
    const key = planOf(KEY);
    expect(checkLead(key, FACES)).toEqual([]);
    expect(key.locked.flatMap((one) => one.pieces)).toHaveLength(1);
    expect(key.locked[0]?.by.length).toBeGreaterThan(0);
  });

  it.each([
    ['panes', grid(14, 15, 30), 213],
    ['panes a little off', paneNet(14, 14, 30, { seed: 9 }), 199],
    ['bowed panes', paneNet(12, 12, 40, { curved: true }), 171],
    ['waves', waves(8, 7), 51],
    ['cells', cells(200, 3), 490],
  ])('%s: sound, no came is cut that could go through, 200 pieces well within 2 s', (_, svg, runs) => {
    const { result: plan, ms } = leastTime(() => planOf(svg), 2000);
    expect(ms).toBeLessThan(2000);
    expect(checkLead(plan, FACES)).toEqual([]);
    expect(plan.locked).toEqual([]);
    // As many joints as let a came go through take one run each off the lines: no fewer are possible.
    expect(plan.runs.length).toBeLessThanOrEqual(runs);
  });

  it.each([11, 12, 13, 14, 15, 16, 17, 18])('random cells %d from every corner are sound', (seed) => {
    for (const corner of CORNERS) expect(checkLead(planOf(cells(20 + 4 * seed, seed), corner), FACES)).toEqual([]);
  });
});

describe('the validator finds what is wrong', () => {
  const sound = planOf(courses(4, 4));
  const faults = (change: (plan: LeadPlan) => LeadPlan) => checkLead(change(sound), FACES);
  const second = sound.order.findIndex((step) => step.piece !== null && step.runs.length > 0);
  it.each<[string, (plan: LeadPlan) => LeadPlan, RegExp]>([
    [
      'a line in no run',
      (p) => ({ ...p, runs: p.runs.map((run, i) => (i === 5 ? { ...run, lines: run.lines.slice(0, 1) } : run)) }),
      /./,
    ],
    [
      'a run too long',
      (p) => ({ ...p, runs: p.runs.map((r, i) => (i === 5 ? { ...r, lengthMm: r.lengthMm + 1 } : r)) }),
      /another length/,
    ],
    ['a piece laid twice', (p) => ({ ...p, order: [...p.order.slice(0, 3), ...p.order.slice(2)] }), /once/],
    ['the order backwards', (p) => ({ ...p, order: [...p.order].reverse() }), /./],
    [
      'a came laid before its piece',
      (p) => ({
        ...p,
        order: p.order.map((step, i) =>
          i === second - 1
            ? { ...step, runs: [...step.runs, ...(p.order[second]?.runs ?? [])] }
            : i === second
              ? { ...step, runs: [] }
              : step,
        ),
      }),
      /both sides|out of turn/,
    ],
    [
      'a butt against the wrong came',
      (p) => ({
        ...p,
        runs: p.runs.map((run) =>
          run.ends[0].kind === 'butt'
            ? { ...run, ends: [{ ...run.ends[0], against: (run.ends[0].against ?? 0) + 1 }, run.ends[1]] }
            : run,
        ),
      }),
      /does not butt|another length/,
    ],
    ['a piece called locked', (p) => ({ ...p, locked: [{ pieces: [1], by: [] }] }), /called locked/],
  ])('%s', (_, change, words) => {
    expect(faults((p) => p)).toEqual([]);
    expect(faults(change).join('; ')).toMatch(words);
  });
});
