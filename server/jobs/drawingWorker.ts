import { parentPort, workerData } from 'node:worker_threads';
import { editDrawing, readDrawing, type DrawingJob, type EditJob } from '#core/cutting';

const job = workerData as DrawingJob | EditJob;
parentPort?.postMessage(job.kind === 'read' ? readDrawing(job) : editDrawing(job));
