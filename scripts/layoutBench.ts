import { checkLayout, checkWithStrips, Layouter, stripsOrNot } from '../core/layout/index.ts';
import { signedArea } from '../core/geometry/index.ts';
import { boxLayout } from '../core/test/boxLayout.ts';
import { jigsaw } from '../core/test/jigsaws.ts';
import { cells, mostUse, studioJobs } from '../core/test/layoutJobs.ts';
import { rectangle } from '../core/test/jigsaws.ts';
import type { LayoutJob } from '../core/layout/index.ts';

interface Row {
  readonly what: string;
  readonly figures: string;
}

const SECONDS = 10;
/** Of the steps of the search, so many more for the pieces beside strips. */
const FOR_STRIPS = 0.2;
const share = (value: number): string => value.toFixed(3);

/** How much of its glass each job uses beside the bounding boxes and the bound that no answer passes. */
export function layoutBench(): Row[] {
  const rows: Row[] = [];
  const ratios: number[] = [];
  const told: number[] = [];
  for (const { name, job } of studioJobs()) {
    const { use, whole, inStrips } = laidOut(job, SECONDS);
    const floor = boxLayout(job);
    ratios.push(use / floor.use);
    told.push(inStrips / floor.use);
    rows.push({
      what: name,
      figures: `${share(use)} of the glass in ${SECONDS} s, boxes ${share(floor.use)} (× ${(use / floor.use).toFixed(2)}), at most ${share(mostUse(job))}; whole sheets ${whole}, boxes ${floor.wholeSheets}${inStrips > use + 1e-6 ? `; equal pieces in strips ${share(inStrips)}` : ''}`,
    });
  }
  const median = (of: readonly number[]) => ([...of].sort((a, b) => a - b)[of.length >> 1] ?? 0).toFixed(3);
  rows.push({
    what: 'median over boxes',
    figures: `× ${median(ratios)} by the search alone, × ${median(told)} as the app tells it, with strips (goal 1.35)`,
  });
  for (const digits of [2, 1]) {
    for (const missing of [0, 3]) {
      const uses = [12, 40, 120].map((count) => {
        const job = jigsaw(count, { digits, missing, seed: 7 });
        const { use, consumedMm2 } = laidOut(job, SECONDS / 2);
        const wantedMm2 = job.pieces.reduce((sum, piece) => sum + Math.abs(signedArea(piece.outline)), 0);
        return `${count}: ${share((use * consumedMm2) / wantedMm2)}`;
      });
      rows.push({
        what: `jigsaw, ${digits} decimals, ${missing} lost`,
        figures: `${uses.join(', ')} of the glass that is there`,
      });
    }
  }
  const [soon, late] = [laidOut(cellJob(120), SECONDS).use, laidOut(cellJob(120), 60).use];
  rows.push({
    what: '120 pieces',
    figures: `${share(soon)} in ${SECONDS} s, ${share(late)} in 60 s: ${((1 - soon / late) * 100).toFixed(1)} % less (goal 3)`,
  });
  const large = laidOut(cellJob(520), 40);
  rows.push({
    what: '520 pieces',
    figures: `${share(large.use)}, ${large.whole} sheets, ${large.seconds.toFixed(1)} s`,
  });
  return rows;
}

function cellJob(count: number): LayoutJob {
  const side = Math.sqrt(count * 3000);
  return {
    marginMm: 5,
    edgeMm: 6,
    keepMm: 60,
    sheets: Array.from({ length: Math.ceil(count / 40) + 1 }, (_, i) => rectangle(`S${i}`, 600, 400)),
    pieces: cells(count, side, side, 11).map((outline, i) => ({
      id: String(i),
      outline,
      flowDeg: i % 3 === 0 ? null : 90,
      flowToleranceDeg: 15,
      turnOver: false,
    })),
  };
}

function laidOut(job: LayoutJob, seconds: number) {
  const started = performance.now();
  const search = new Layouter(job, { seed: 1, prefersUse: false });
  while (performance.now() - started < seconds * 1000 && !search.isDone) search.run(10);
  const layout = search.best();
  const withStrips = stripsOrNot(job, layout, { seed: 1, prefersUse: false }, search.steps * FOR_STRIPS);
  const tolerance = { mm: 0.25, deg: 0.05, mm2: 1 };
  const faults = [
    ...checkLayout(job, layout, tolerance),
    ...(withStrips.strips.length > 0 ? checkWithStrips(job, withStrips) : []),
  ];
  if (faults.length > 0) throw new Error(`a layout does not hold: ${JSON.stringify(faults[0])}`);
  return {
    use: layout.use,
    inStrips: withStrips.layout.use,
    consumedMm2: layout.glassConsumedMm2,
    whole: search.score.wholeSheets,
    seconds: (performance.now() - started) / 1000,
  };
}
