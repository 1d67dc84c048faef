import { useEffect, useRef, useState } from 'react';
import type { CuttingAnswers, CuttingJob } from '../worker/cutting.worker.ts';

export interface Worked<T> {
  readonly answer: T | null;
  readonly isWorking: boolean;
}

/** The worker that answered last, for the next question: making one costs more than most answers. */
let idle: Worker | null = null;

function takeWorker(): Worker {
  const worker = idle ?? new Worker(new URL('../worker/cutting.worker.ts', import.meta.url), { type: 'module' });
  idle = null;
  return worker;
}

function giveBack(worker: Worker): void {
  if (idle) worker.terminate();
  else idle = worker;
}

/**
 * Works something out about a piece in a web worker; the question before ends as soon as another one is asked.
 * @param job null for nothing to ask; a new question is a new object, so keep it with `useMemo`
 */
export function useCutting<Job extends CuttingJob>(job: Job | null): Worked<CuttingAnswers[Job['kind']]> {
  const [found, setFound] = useState<{ of: Job; answer: CuttingAnswers[Job['kind']] | null } | null>(null);
  const answered = useRef<Job>(null);
  useEffect(() => {
    // Asked already: its place is seen again, and nothing has changed.
    if (!job || answered.current === job) return;
    let worker: Worker | null = takeWorker();
    worker.onmessage = ({ data }: MessageEvent<CuttingAnswers[Job['kind']]>) => {
      if (worker) giveBack(worker);
      worker = null;
      answered.current = job;
      setFound({ of: job, answer: data });
    };
    worker.onerror = () => {
      worker?.terminate();
      worker = null;
      setFound({ of: job, answer: null });
    };
    worker.postMessage(job);
    return () => worker?.terminate();
  }, [job]);
  const isFound = job !== null && found !== null && found.of === job;
  return { answer: isFound ? found.answer : null, isWorking: job !== null && !isFound };
}
