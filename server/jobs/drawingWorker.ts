import { answerJobs } from './answerJobs.ts';
import { work } from './drawingJobs.ts';

answerJobs(work);
