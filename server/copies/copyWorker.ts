import { answerJobs } from '../jobs/answerJobs.ts';
import { workOnCopy } from './copyJobs.ts';

answerJobs(workOnCopy);
