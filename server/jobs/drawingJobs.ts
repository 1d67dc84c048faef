import type { Cartoon, DrawingRefusal, EditRefusal } from '#core/cartoon';
import {
  editDrawing,
  readDrawing,
  studyCartoon,
  type CuttingLimits,
  type DrawingJob,
  type DrawingResult,
  type EditJob,
  type Study,
} from '#core/cutting';
import { materialsOf, wantedSupplies, type MaterialsWish, type WantedSupply } from '#core/materials';
import type { LineAllowance } from '#core/sizing';
import { unpackJson } from '../store/packing.ts';
import { JobEnded, JobPool, type JobLimits } from './pool.ts';

/** The largest drawing takes 12 s and 340 MB here; whatever takes more is no drawing of a panel. */
const LIMITS: JobLimits = { longestMs: 30_000, mostMemoryMb: 1024 };
/** A studio's computer has two cores or more, and the server itself wants one. */
const AT_ONCE = 2;

/** What follows from a drawing is worked out again. */
export interface StudyJob {
  readonly kind: 'study';
  readonly cartoon: Cartoon;
  readonly allowance: LineAllowance;
  readonly limits: CuttingLimits;
}
/** What a drawing takes beside glass. */
export interface ReckoningJob {
  readonly kind: 'reckon';
  /** As it lies packed. */
  readonly reading: Uint8Array;
  readonly wish: MaterialsWish;
}
export type Job = DrawingJob | EditJob | StudyJob | ReckoningJob;
type Answer = DrawingResult | DrawingRefusal | { readonly refusal: EditRefusal } | Study | readonly WantedSupply[];

/** The work itself, wherever it runs. */
export function work(job: Job, onProgress?: (share: number) => void): Answer {
  switch (job.kind) {
    case 'read':
      return readDrawing(onProgress ? { ...job, options: { ...job.options, onProgress } } : job);
    case 'edit':
      return editDrawing(job);
    case 'study':
      return studyCartoon(job.cartoon, job.allowance, job.limits);
    case 'reckon': {
      const { cartoon } = unpackJson<{ cartoon: Cartoon }>(job.reading);
      return wantedSupplies(materialsOf(cartoon, job.wish), job.wish);
    }
  }
}

/** Drawings read, changed and studied off the server's thread. */
export class DrawingJobs {
  readonly #pool: JobPool;

  constructor(script: URL | null) {
    this.#pool = new JobPool(script, AT_ONCE, (job) => work(job as Job));
  }

  read(job: DrawingJob, signal?: AbortSignal): Promise<DrawingResult | DrawingRefusal> {
    return this.#run(job, signal) as Promise<DrawingResult | DrawingRefusal>;
  }

  edit(job: EditJob, signal?: AbortSignal): Promise<DrawingResult | { readonly refusal: EditRefusal }> {
    return this.#run(job, signal) as Promise<DrawingResult | { readonly refusal: EditRefusal }>;
  }

  study(job: Omit<StudyJob, 'kind'>): Promise<Study> {
    return this.#pool.run({ kind: 'study', ...job }, { limits: LIMITS }) as Promise<Study>;
  }

  reckon(job: Omit<ReckoningJob, 'kind'>): Promise<readonly WantedSupply[]> {
    return this.#pool.run({ kind: 'reckon', ...job }, { limits: LIMITS }) as Promise<readonly WantedSupply[]>;
  }

  /** A drawing that takes more than any panel's is refused in a sentence, not told as a fault. */
  async #run(job: DrawingJob | EditJob, signal: AbortSignal | undefined): Promise<unknown> {
    try {
      return await this.#pool.run(job, { limits: LIMITS, ...(signal ? { signal } : {}) });
    } catch (error) {
      if (error instanceof JobEnded && error.end !== 'given-up') return { refusal: 'too-large' };
      throw error;
    }
  }
}
