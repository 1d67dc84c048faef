import type { CuttingAnswers, CuttingJob } from '../worker/cutting.worker.ts';
import { useWorked } from '../ui/useWorked.ts';

export interface Cutting<T> {
  readonly answer: T | null;
  readonly isWorking: boolean;
}

const begin = () => new Worker(new URL('../worker/cutting.worker.ts', import.meta.url), { type: 'module' });

/**
 * Works something out about a piece in a web worker.
 * @param job null for nothing to ask; a new question is a new object, so keep it with `useMemo`
 */
export function useCutting<Job extends CuttingJob>(job: Job | null): Cutting<CuttingAnswers[Job['kind']]> {
  const found = useWorked<Job, CuttingAnswers[Job['kind']]>(job, begin);
  const isFound = job !== null && found?.of === job;
  return { answer: isFound ? found.answer : null, isWorking: job !== null && !isFound };
}
