import { parentPort, workerData } from 'node:worker_threads';
import type { FromWorker } from '../jobs/pool.ts';
import { workOnCopy, type CopiesJob } from './copyJobs.ts';

const say = (said: FromWorker) => parentPort?.postMessage(said);
say({ answer: await workOnCopy(workerData as CopiesJob) });
