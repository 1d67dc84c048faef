import { Worker } from 'node:worker_threads';
import type { Cartoon, DrawingRefusal, EditRefusal } from '#core/cartoon';
import {
  editDrawing,
  readDrawing,
  studyCartoon,
  type DrawingJob,
  type DrawingResult,
  type EditJob,
  type Study,
} from '#core/cutting';
import type { LineAllowance } from '#core/sizing';

const LONGEST_MS = 30_000;
const MOST_MEMORY_MB = 1024;

/** What follows from a drawing is worked out again. */
export interface StudyJob {
  readonly kind: 'study';
  readonly cartoon: Cartoon;
  readonly allowance: LineAllowance;
}
export type Job = DrawingJob | EditJob | StudyJob;
type Answer = DrawingResult | DrawingRefusal | { readonly refusal: EditRefusal } | Study;

/** The work itself, wherever it runs. */
export function work(job: Job): Answer {
  switch (job.kind) {
    case 'read':
      return readDrawing(job);
    case 'edit':
      return editDrawing(job);
    case 'study':
      return studyCartoon(job.cartoon, job.allowance);
  }
}

/**
 * Reads or changes a drawing off the server's thread.
 * @param script the bundled worker; where there is none (under the test runner) the job runs in place
 */
export async function runDrawing(job: DrawingJob, script: URL | null): Promise<DrawingResult | DrawingRefusal>;
export async function runDrawing(
  job: EditJob,
  script: URL | null,
): Promise<DrawingResult | { readonly refusal: EditRefusal }>;
export async function runDrawing(job: DrawingJob | EditJob, script: URL | null): Promise<Answer> {
  return run(job, script);
}

export async function runStudy(job: StudyJob, script: URL | null): Promise<Study> {
  const answer = await run(job, script);
  if ('refusal' in answer) throw new Error(`a drawing that was accepted cannot be studied: ${answer.refusal}`);
  return answer;
}

async function run(job: Job, script: URL | null): Promise<Answer> {
  if (script === null) return work(job);
  return new Promise((resolve, reject) => {
    const worker = new Worker(script, { workerData: job, resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB } });
    const timer = setTimeout(() => settle(() => resolve({ refusal: 'too-large' })), LONGEST_MS);
    const settle = (act: () => void) => {
      clearTimeout(timer);
      void worker.terminate();
      act();
    };
    worker.once('message', (result: Answer) => settle(() => resolve(result)));
    worker.once('error', (error: Error & { code?: string }) =>
      settle(() => (error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? resolve({ refusal: 'too-large' }) : reject(error))),
    );
  });
}
