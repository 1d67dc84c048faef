import { parentPort, workerData } from 'node:worker_threads';
import { readDrawing, type DrawingJob } from './readDrawing.ts';

parentPort?.postMessage(readDrawing(workerData as DrawingJob));
