import { parentPort, workerData } from 'node:worker_threads';
import { work, type Job } from './drawingJobs.ts';
import type { FromWorker } from './pool.ts';

const say = (said: FromWorker) => parentPort?.postMessage(said);
say({ answer: work(workerData as Job, (progress) => say({ progress })) });
