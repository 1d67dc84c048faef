import { describe, expect, it, vi } from 'vitest';
import { boxLayout } from '../test/boxLayout.ts';
import { jigsaw, rectangle } from '../test/jigsaws.ts';
import { mostUse, studioJobs } from '../test/layoutJobs.ts';
import { signedArea } from '../geometry/index.ts';
import { nth } from '../units/index.ts';
import { checkLayout, Layouter, NOTHING_LAID, type Layout, type LayoutJob } from './index.ts';

// A search is work, and a busy machine has little time for it.
vi.setConfig({ testTimeout: 120_000 });

function laidOut(job: LayoutJob, steps: number, options = { seed: 1, prefersUse: false }): Layout {
  const search = new Layouter(job, options);
  search.run(steps);
  return search.best();
}

const piece = (id: string, outline: LayoutJob['pieces'][number]['outline'], more = {}) => ({
  id,
  outline,
  flowDeg: null,
  flowToleranceDeg: 0,
  turnOver: false,
  ...more,
});
const box = (id: string, width: number, height: number, more = {}) =>
  piece(
    id,
    [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ],
    more,
  );
const jobOf = (more: Partial<LayoutJob>): LayoutJob => ({
  marginMm: 5,
  edgeMm: 6,
  keepMm: 60,
  sheets: [rectangle('S', 600, 400)],
  pieces: [],
  ...more,
});

describe('jobs of a studio', () => {
  const jobs = studioJobs();
  const ratios: number[] = [];
  it.each(jobs.map(({ name, job }) => [name, job] as const))('%s: holds, and beats boxes', (_, job) => {
    const layout = laidOut(job, 400);
    expect(checkLayout(job, layout)).toEqual([]);
    expect(layout.unplaced).toEqual([]);
    const floor = boxLayout(job);
    expect(layout.use).toBeGreaterThan(floor.use);
    expect(layout.use).toBeLessThan(mostUse(job));
    const whole = new Set(
      layout.placements.map((p) => p.sheetId).filter((id) => !job.sheets.find((s) => s.id === id)?.offcut),
    );
    expect(whole.size).toBeLessThanOrEqual(floor.wholeSheets);
    ratios.push(layout.use / floor.use);
  });

  it('half of them use 1.2 times as much of their glass as boxes do, after few steps', () => {
    const sorted = [...ratios].sort((a, b) => a - b);
    expect(nth(sorted, sorted.length >> 1)).toBeGreaterThan(1.2);
  });
});

describe('jigsaws made by straight breaks', () => {
  const ways = [12, 40, 120].flatMap((count) => [true, false].map((isFixed) => [count, isFixed] as const));
  it.each(ways)('%i pieces, flow fixed: %s: all of the glass is used again', (count, isFixed) => {
    for (const seed of [1, 3]) {
      const job = jigsaw(count, { isFixed, seed });
      const layout = laidOut(job, 0);
      expect(checkLayout(job, layout, { mm: 0.02, deg: 0.01, mm2: 1 })).toEqual([]);
      expect(layout.unplaced).toEqual([]);
      expect(layout.use).toBeGreaterThan(0.9995);
    }
  });

  it.each([7, 10, 14, 22])('twelve pieces to 0.1 mm, seed %i: a joint that only looked right is not kept', (seed) => {
    const job = jigsaw(12, { digits: 1, seed });
    const layout = laidOut(job, 200);
    expect(checkLayout(job, layout, { mm: 0.1, deg: 0.05, mm2: 1 })).toEqual([]);
    expect(layout.placements).toHaveLength(12);
  });

  it.each(ways)('%i pieces, flow fixed: %s, outlines to 0.1 mm: nine tenths and more', (count, isFixed) => {
    const job = jigsaw(count, { isFixed, digits: 1, seed: 4 });
    const layout = laidOut(job, 100);
    expect(checkLayout(job, layout, { mm: 0.1, deg: 0.05, mm2: 1 })).toEqual([]);
    expect(layout.use).toBeGreaterThan(0.9);
    expect(layout.placements.length / job.pieces.length).toBeGreaterThan(0.9);
  });

  const holed = [12, 40].flatMap((count) =>
    [1, 3].flatMap((missing) => [true, false].map((isFixed) => [count, missing, isFixed] as const)),
  );
  it.each(holed)(
    '%i pieces, %i of them lost, flow fixed: %s: the others come together round the holes',
    (count, missing, isFixed) => {
      const job = jigsaw(count, { missing, isFixed, seed: 4 });
      const layout = laidOut(job, 400);
      expect(checkLayout(job, layout, { mm: 0.02, deg: 0.01, mm2: 1 })).toEqual([]);
      const thereMm2 = job.pieces.reduce((sum, { outline }) => sum + Math.abs(signedArea(outline)), 0);
      expect((layout.use * layout.glassConsumedMm2) / thereMm2).toBeGreaterThan(0.97);
    },
  );
});

describe('what a job may ask for', () => {
  it('same job, seed and steps: same answer; other seeds, other answers', () => {
    const { job } = nth(studioJobs(), 0);
    const first = laidOut(job, 60);
    expect(laidOut(job, 60)).toEqual(first);
    expect(laidOut(job, 60, { seed: 2, prefersUse: false })).not.toEqual(first);
  });

  it('a piece larger than any sheet, or at its flow, is told apart from one for which no glass is left', () => {
    const job = jobOf({
      sheets: [rectangle('S', 300, 200)],
      pieces: [
        box('wide', 280, 40, { flowDeg: 0, flowToleranceDeg: 0 }),
        box('huge', 400, 300),
        box('half', 280, 100),
        box('other', 280, 100),
      ],
    });
    const layout = laidOut(job, 200);
    expect(checkLayout(job, layout)).toEqual([]);
    expect(layout.placements).toHaveLength(1);
    // Its flow runs along x, the sheet's along y: turned to it, it is longer than the sheet is high.
    expect(layout.unplaced).toContainEqual({ pieceId: 'wide', code: 'too-large' });
    expect(layout.unplaced).toContainEqual({ pieceId: 'huge', code: 'too-large' });
    expect(layout.unplaced.filter((one) => one.code === 'no-glass')).toHaveLength(1);
  });

  it('exactly fitting: off the edge by its strip, apart by the margin', () => {
    const four = ['a', 'b', 'c', 'd'].map((id) => box(id, 141.5, 91.5));
    const fits = jobOf({ sheets: [rectangle('S', 300, 200)], pieces: four });
    expect(laidOut(fits, 100).unplaced).toEqual([]);
    const tooTight = jobOf({ sheets: [rectangle('S', 300, 199.9)], pieces: four });
    const layout = laidOut(tooTight, 100);
    expect(checkLayout(tooTight, layout)).toEqual([]);
    expect(layout.unplaced.length).toBeGreaterThan(0);
  });

  it('pieces that are turned over lie mirrored, their flow with them', () => {
    const slanted = [
      [0, 0],
      [120, 0],
      [90, 60],
      [0, 40],
    ] as const;
    const pieces = Array.from({ length: 8 }, (_, i) =>
      piece(String(i), slanted, { turnOver: true, flowDeg: 30, flowToleranceDeg: 2 }),
    );
    const layout = laidOut(jobOf({ pieces }), 300);
    expect(checkLayout(jobOf({ pieces }), layout)).toEqual([]);
    expect(layout.placements).toHaveLength(8);
    // Mirrored its flow runs at 150°; the sheet's at 90°: turned by 120° or 300°.
    for (const { rotationDeg } of layout.placements)
      expect(Math.abs((rotationDeg % 180) - 120)).toBeLessThanOrEqual(2.001);
  });

  it('keeps off flaws, and out of the hollows of a sheet far from the origin', () => {
    const { job } = nth(studioJobs(), 0);
    const hollow = [
      [0, 0],
      [600, 0],
      [600, 250],
      [350, 250],
      [350, 400],
      [0, 400],
    ].map(([x = 0, y = 0]) => [x + 1000, y - 500] as const);
    const flaw = [
      [1100, -400],
      [1180, -380],
      [1140, -330],
    ] as const;
    const on = { ...job, sheets: [{ ...rectangle('S', 1, 1), outline: hollow, flaws: [flaw] }] };
    const layout = laidOut(on, 150);
    expect(checkLayout(on, layout)).toEqual([]);
    expect(layout.placements.length).toBeGreaterThan(30);
  });

  it('offcuts before whole sheets, unless the use comes first', () => {
    const pieces = Array.from({ length: 4 }, (_, i) => box(String(i), 50, 50));
    const sheets = [rectangle('S', 600, 400), { ...rectangle('O', 178, 178), offcut: true }];
    const used = (prefersUse: boolean) =>
      laidOut(jobOf({ pieces, sheets }), 200, { seed: 1, prefersUse }).placements.map((p) => p.sheetId);
    expect(new Set(used(false))).toEqual(new Set(['O']));
    // The offcut would be used up with what is left of it, the sheet keeps nearly all.
    expect(new Set(used(true))).toEqual(new Set(['S']));
  });

  it('nothing to lay, and nothing to lay it on', () => {
    expect(laidOut(jobOf({}), 10)).toEqual(NOTHING_LAID);
    expect(laidOut(jobOf({ sheets: [rectangle('S', 9, 9)], pieces: [box('1', 5, 5)] }), 10).unplaced).toEqual([
      { pieceId: '1', code: 'too-large' },
    ]);
  });
});
