import { checkLayout, Layouter } from '../core/layout/index.ts';
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
const share = (value: number): string => value.toFixed(3);

/** How much of its glass each job uses beside the bounding boxes and the bound that no answer passes. */
export function layoutBench(): Row[] {
  const rows: Row[] = [];
  const ratios: number[] = [];
  for (const { name, job } of studioJobs()) {
    const { use, whole } = laidOut(job, SECONDS);
    const floor = boxLayout(job);
    ratios.push(use / floor.use);
    rows.push({
      what: name,
      figures: `${share(use)} of the glass in ${SECONDS} s, boxes ${share(floor.use)} (× ${(use / floor.use).toFixed(2)}), at most ${share(mostUse(job))}; whole sheets ${whole}, boxes ${floor.wholeSheets}`,
    });
  }
  ratios.sort((a, b) => a - b);
  rows.push({ what: 'median over boxes', figures: `× ${(ratios[ratios.length >> 1] ?? 0).toFixed(3)} (goal 1.35)` });
  for (const digits of [2, 1]) {
    for (const missing of [0, 3]) {
      const uses = [12, 40, 120].map((count) => {
        const { use, consumedMm2 } = laidOut(jigsaw(count, { digits, missing, seed: 7 }), SECONDS / 2);
        return `${count}: ${share(Math.min(1, (use * consumedMm2) / 240000))}`;
      });
      rows.push({ what: `jigsaw, ${digits} decimals, ${missing} lost`, figures: `${uses.join(', ')} of the sheet` });
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
  const faults = checkLayout(job, layout, { mm: 0.25, deg: 0.05, mm2: 1 });
  if (faults.length > 0) throw new Error(`a layout does not hold: ${JSON.stringify(faults[0])}`);
  return {
    use: layout.use,
    consumedMm2: layout.glassConsumedMm2,
    whole: search.score.wholeSheets,
    seconds: (performance.now() - started) / 1000,
  };
}
