import { performance } from 'node:perf_hooks';
import { makeCartoon, readSvg, type RawDrawing } from '#core/cartoon';
import { arrange } from '../core/cartoon/arrange.ts';
import { oracleAreas } from '../core/test/oracle.ts';
import { paneNet } from '../core/test/panels.ts';

export interface Row {
  readonly what: string;
  readonly figures: string;
}

const SIZES = [
  [20, 26],
  [40, 50],
  [50, 100],
] as const;
/** As often on both sides, after a few that do not count: with larger tables some code is compiled anew. */
const RUNS = 7;
const UNCOUNTED = 3;
/** Runs before the clock counts, on both sides alike: the first ones are compiled while they run. */
const WARM_UP = 16;

/** The quickest of some runs, in ms: what else the machine does can only make a run slower. */
function times(runs: number, work: () => number, expected: number): number {
  const found: number[] = [];
  for (let i = -UNCOUNTED; i < runs; i++) {
    const start = performance.now();
    const count = work();
    if (i >= 0) found.push(performance.now() - start);
    if (count !== expected) throw new Error(`${count} regions instead of ${expected}`);
  }
  return Math.min(...found);
}

const read = (svg: string): RawDrawing => {
  const raw = readSvg(svg);
  if ('refusal' in raw) throw new Error(raw.refusal);
  return raw;
};

/**
 * The same lines made into regions by our arrangement and by a general planar-geometry library (union, then
 * polygonizer) in one run, and by us all the way to numbered pieces with neighbours and joints.
 */
export function besideLibrary(): Row[] {
  const rows: Row[] = [];
  for (let i = 0; i < WARM_UP; i++) {
    const raw = read(paneNet(20, 26, 20, { curved: i % 2 === 0 }));
    makeCartoon(raw);
    oracleAreas(raw.lines);
  }
  for (const curved of [false, true]) {
    let last: { n: number; ms: number } | null = null;
    for (const [across, down] of SIZES) {
      const n = across * down;
      const raw = read(paneNet(across, down, 20, { curved }));
      const asDrawn = { snapMm: 0.8, mostMm: 0.8, refused: [], drawOn: [] };
      const regions = () => {
        const arranged = arrange(raw.lines, asDrawn);
        return typeof arranged === 'string' ? 0 : arranged.faces.faces.length;
      };
      const whole = () => {
        const reading = makeCartoon(raw);
        return 'refusal' in reading ? 0 : reading.cartoon.pieces.length;
      };
      const ours = times(RUNS, regions, n);
      const pieces = times(RUNS, whole, n);
      const theirs = times(RUNS, () => oracleAreas(raw.lines).length, n);
      const growth = last
        ? `, ${(ours / last.ms).toFixed(1)}× the time for ${(n / last.n).toFixed(1)}× the pieces`
        : '';
      rows.push({
        what: `regions of ${n} ${curved ? 'curved' : 'straight'} pieces beside the library`,
        figures: `${ours.toFixed(0)} ms, library ${theirs.toFixed(0)} ms: ${(theirs / ours).toFixed(1)} times as fast (${(theirs / pieces).toFixed(1)} with numbers, neighbours and joints: ${pieces.toFixed(0)} ms)${growth}`,
      });
      last = { n, ms: ours };
    }
  }
  for (const curved of [false, true]) {
    const raw = read(paneNet(40, 50, 20, { curved, jitterMm: 0.8, doubledShare: 0.05 }));
    const ms = times(
      RUNS,
      () => {
        const reading = makeCartoon(raw);
        return 'refusal' in reading ? 0 : reading.cartoon.pieces.length;
      },
      2000,
    );
    rows.push({
      what: `2000 ${curved ? 'curved' : 'straight'} pieces, every end off by up to 0.8 mm, 5 % drawn twice`,
      figures: `${ms.toFixed(0)} ms, all 2000 found`,
    });
  }
  return rows;
}
