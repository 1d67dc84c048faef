import { parentPort, workerData } from 'node:worker_threads';
import type { FromWorker } from '../jobs/pool.ts';
import { work, type PaperJob } from './paperWork.ts';

const answer = await work(workerData as PaperJob);
parentPort?.postMessage({ answer } satisfies FromWorker);
