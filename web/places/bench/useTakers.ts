import { useEffect, useState } from 'react';
import type { TakersFound, TakersWish } from '../../worker/takers.worker.ts';

/** Which sheets and offcuts take a piece, found in a worker; null while it is looked for, or where nothing is asked. */
export function useTakers(wish: TakersWish | null): TakersFound | null {
  const [found, setFound] = useState<TakersFound | null>(null);
  const key = wish?.key ?? null;
  const [asked, setAsked] = useState(wish);
  if (asked?.key !== wish?.key) setAsked(wish);
  useEffect(() => {
    if (asked === null) return;
    const worker = new Worker(new URL('../../worker/takers.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<TakersFound>) => setFound(data);
    worker.postMessage(asked);
    return () => worker.terminate();
  }, [asked]);
  return found?.key === key ? found : null;
}
