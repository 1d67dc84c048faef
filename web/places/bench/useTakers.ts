import { useEffect, useState } from 'react';
import type { TakersFound, TakersWish } from '../../worker/takers.worker.ts';

/** One worker for all pieces that are looked at: making one costs more than most answers. */
let worker: Worker | null = null;
const listeners = new Set<(found: TakersFound) => void>();

function looking(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('../../worker/takers.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<TakersFound>) => {
    for (const listener of listeners) listener(data);
  };
  return worker;
}

/** Which sheets and offcuts take a piece, found in a worker; null while it is looked for, or where nothing is asked. */
export function useTakers(wish: TakersWish | null): TakersFound | null {
  const [found, setFound] = useState<TakersFound | null>(null);
  const key = wish?.key ?? null;
  const [asked, setAsked] = useState(wish);
  if (asked?.key !== wish?.key) setAsked(wish);
  useEffect(() => {
    if (asked === null) return;
    listeners.add(setFound);
    looking().postMessage(asked);
    return () => void listeners.delete(setFound);
  }, [asked]);
  return found?.key === key ? found : null;
}
