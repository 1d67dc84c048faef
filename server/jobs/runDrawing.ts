import { Worker } from 'node:worker_threads';
import type { DrawingRefusal, EditRefusal } from '#core/cartoon';
import { editDrawing, readDrawing, type DrawingJob, type DrawingResult, type EditJob } from '#core/cutting';

const LONGEST_MS = 30_000;
const MOST_MEMORY_MB = 1024;

type Answer = DrawingResult | DrawingRefusal | { readonly refusal: EditRefusal };

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
  if (script === null) return job.kind === 'read' ? readDrawing(job) : editDrawing(job);
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
