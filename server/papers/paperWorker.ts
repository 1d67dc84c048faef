import { answerJobs } from '../jobs/answerJobs.ts';
import { work } from './paperWork.ts';

answerJobs(work);
