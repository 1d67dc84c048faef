import { parentPort, workerData } from 'node:worker_threads';
import { work, type Job } from './runDrawing.ts';

parentPort?.postMessage(work(workerData as Job));
