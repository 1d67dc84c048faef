import type { Cartoon } from '#core/cartoon';
import {
  planScores,
  proposeLine,
  type Cuttability,
  type CuttingLimits,
  type Proposal,
  type ScorePlan,
} from '#core/cutting';
import type { Ring } from '#core/geometry';
import type { Limits } from '#core/limits';
import type { LineAllowance } from '#core/sizing';

export interface CureJob {
  readonly kind: 'cure';
  readonly cartoon: Cartoon;
  readonly judged: Cuttability;
  readonly allowance: LineAllowance;
  readonly limits: CuttingLimits;
}
export interface ScoresJob {
  readonly kind: 'scores';
  /** Outer ring of the cut outline, clockwise as seen, mm. */
  readonly outline: Ring;
  readonly limits: Limits;
}
export type CuttingJob = CureJob | ScoresJob;

export interface CuttingAnswers {
  readonly cure: Proposal | null;
  readonly scores: ScorePlan;
}

const answered = (job: CuttingJob): CuttingAnswers[CuttingJob['kind']] => {
  switch (job.kind) {
    case 'cure':
      return proposeLine(job.cartoon, job.judged.number, job.judged, job.allowance, job.limits);
    case 'scores':
      return planScores(job.outline, job.limits);
  }
};

/** What is worked out of one piece while it is looked at: many hundred chords and scores may have to be tried. */
onmessage = ({ data }: MessageEvent<CuttingJob>) => postMessage(answered(data));
