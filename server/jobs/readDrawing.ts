import type { LineAllowance } from '#core/sizing';
import { cuttability } from '#core/cutting';
import { readCartoon, type CartoonReading, type DrawingRefusal, type ReadOptions } from '#core/cartoon';
import { cutOutlines, type CutPiece } from '#core/sizing';
import type { Cuttability } from '#core/cutting';

export interface DrawingJob {
  readonly source: string;
  readonly options: Omit<ReadOptions, 'onProgress'>;
  readonly allowance: LineAllowance;
}

export interface DrawingResult extends CartoonReading {
  readonly cuts: readonly CutPiece[];
  readonly cuttability: readonly Cuttability[];
}

/** Drawing → pieces → cut outlines → what is hard to cut. Runs in a worker thread. */
export function readDrawing(job: DrawingJob): DrawingResult | DrawingRefusal {
  const reading = readCartoon(job.source, job.options);
  if ('refusal' in reading) return reading;
  const cuts = cutOutlines(reading.cartoon, job.allowance);
  return { ...reading, cuts, cuttability: cuts.map((cut) => cuttability(cut)) };
}
