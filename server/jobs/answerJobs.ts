import { parentPort } from 'node:worker_threads';
import type { FromWorker } from './pool.ts';

/**
 * A worker of a pool: does one job after the other for as long as the pool keeps it. A fault ends it.
 * @param work does a job, and tells how much of it is done, 0 to 1
 */
export function answerJobs<J>(work: (job: J, tell: (progress: number) => void) => unknown): void {
  const say = (said: FromWorker) => parentPort?.postMessage(said);
  const answer = async (job: J) => say({ answer: await work(job, (progress) => say({ progress })) });
  parentPort?.on('message', (job: J) => void answer(job));
}
