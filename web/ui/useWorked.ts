import { useEffect, useRef, useState } from 'react';

/** The answer to a question, and which question that was. */
export interface Worked<Ask, Answer> {
  readonly of: Ask;
  /** Null where it could not be worked out. */
  readonly answer: Answer | null;
}

/** The worker of each kind that answered last, for the next question: making one costs more than most answers. */
const idle = new Map<() => Worker, Worker>();

function giveBack(begin: () => Worker, worker: Worker): void {
  idle.get(begin)?.terminate();
  idle.set(begin, worker);
}

/**
 * Has something worked out off the page's thread. The question before ends as soon as another one is asked; its answer
 * stays until there is the next.
 * @param ask null for nothing to ask; a new question is a new object, so keep it with `useMemo`
 * @param begin makes a worker that answers each message with one; one and the same function each time
 */
export function useWorked<Ask, Answer>(ask: Ask | null, begin: () => Worker): Worked<Ask, Answer> | null {
  const [found, setFound] = useState<Worked<Ask, Answer> | null>(null);
  const answered = useRef<Ask>(null);
  useEffect(() => {
    // Asked already: its place is seen again, and nothing has changed.
    if (ask === null || answered.current === ask) return;
    let worker: Worker | null = idle.get(begin) ?? begin();
    idle.delete(begin);
    worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      if (worker) giveBack(begin, worker);
      worker = null;
      answered.current = ask;
      setFound({ of: ask, answer: data });
    };
    worker.onerror = () => {
      worker?.terminate();
      worker = null;
      setFound({ of: ask, answer: null });
    };
    worker.postMessage(ask);
    return () => worker?.terminate();
  }, [ask, begin]);
  return found;
}
