import { describe, expect, it, vi } from 'vitest';
import type { Point, Ring } from '../geometry/index.ts';
import { cells } from '../test/layoutJobs.ts';
import { seededRandom } from '../units/index.ts';
import { checkLayout, jobFault, Layouter, type LayoutJob } from './index.ts';

// A search is work, and a busy machine has little time for it.
vi.setConfig({ testTimeout: 120_000 });

/** A job as no studio would write it: sheets of any shape anywhere, flaws, spiky pieces, any margin and flow. */
function anyJob(seed: number): LayoutJob {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + (high - low) * random();
  const spiky = (corners: number, low: number, high: number, x: number, y: number): Ring =>
    Array.from({ length: corners }, (_, k): Point => {
      const t = ((k + between(0.1, 0.6)) / corners) * 2 * Math.PI;
      const r = between(low, high);
      return [x + r * Math.cos(t), y + r * Math.sin(t)];
    });
  const sheet = (i: number) => {
    const [x, y, w, h] = [between(-500, 500), between(-500, 500), between(80, 600), between(80, 500)];
    const shapes: readonly (() => Ring)[] = [
      () => [
        [x, y],
        [x + w, y],
        [x + w, y + h],
        [x, y + h],
      ],
      () => [
        [x, y],
        [x + w, y],
        [x + w, y + h / 2],
        [x + w / 2, y + h / 2],
        [x + w / 2, y + h],
        [x, y + h],
      ],
      () => spiky(5 + Math.floor(between(0, 8)), 60, 300, x + w / 2, y + h / 2),
    ];
    const outline = (shapes[Math.floor(random() * shapes.length)] ?? (() => []))();
    return {
      id: `S${i}`,
      outline: random() < 0.3 ? [...outline].reverse() : outline,
      flowDeg: random() < 0.3 ? null : between(-90, 270),
      offcut: random() < 0.4,
      flaws: random() < 0.4 ? [spiky(4, 5, 40, x + w / 2, y + h / 2)] : [],
    };
  };
  const count = Math.floor(between(3, 26));
  const rings =
    random() < 0.5
      ? cells(count, 200, 260, seed)
      : Array.from({ length: count }, () =>
          spiky(3 + Math.floor(between(0, 9)), between(3, 15), between(16, 60), 0, 0),
        );
  return {
    marginMm: random() < 0.2 ? 0 : between(0.5, 10),
    edgeMm: random() < 0.2 ? 0 : between(0, 15),
    keepMm: random() < 0.5 ? 60 : between(20, 200),
    sheets: Array.from({ length: 1 + Math.floor(between(0, 4)) }, (_, i) => sheet(i)),
    pieces: rings.map((outline, i) => ({
      id: `p${i}`,
      outline,
      flowDeg: random() < 0.4 ? null : between(-180, 360),
      flowToleranceDeg: random() < 0.3 ? 0 : between(0, 100),
      turnOver: random() < 0.3,
    })),
  };
}

describe('any job', () => {
  const seeds = Array.from({ length: 14 }, (_, i) => i + 1).filter((seed) => jobFault(anyJob(seed)) === null);
  it('most of them can be laid out', () => expect(seeds.length).toBeGreaterThan(9));

  it.each(seeds)('%i has an answer that holds', (seed) => {
    const job = anyJob(seed);
    const search = new Layouter(job, { seed, prefersUse: seed % 3 === 0 });
    search.run(30);
    expect(checkLayout(job, search.best(), { mm: job.marginMm === 0 ? 0.1 : 0.01, deg: 0.01, mm2: 1 })).toEqual([]);
  });
});
