import { useEffect, useState, useSyncExternalStore } from 'react';
import type { LayoutNews, LayoutWish } from '../../worker/layout.worker.ts';

/** What was found, by its key: a place that is opened again has nothing to look for. */
let found: ReadonlyMap<string, LayoutNews> = new Map();
const hearers = new Set<() => void>();
const MOST_KEPT = 120;

function keep(news: LayoutNews): void {
  const next = new Map(found);
  next.delete(news.key);
  next.set(news.key, news);
  const [oldest] = next.keys();
  if (next.size > MOST_KEPT && oldest !== undefined) next.delete(oldest);
  found = next;
  for (const wake of hearers) wake();
}

const hear = (wake: () => void): (() => void) => {
  hearers.add(wake);
  return () => void hearers.delete(wake);
};
const useFound = () => useSyncExternalStore(hear, () => found);

export interface Layouts {
  readonly of: (key: string) => LayoutNews | null;
  readonly isLooking: boolean;
  /** Leaves it at the best so far. */
  readonly stop: () => void;
  /** The search itself went wrong; what was found before still stands. */
  readonly isBroken: boolean;
}

const keysOf = (wishes: readonly LayoutWish[]): string => wishes.map((wish) => wish.key).join('\n');

/**
 * Layouts looked for in a web worker, one glass after the other; the search ends when another question is asked.
 */
export function useLayouts(wanted: readonly LayoutWish[]): Layouts {
  // The same question asked by another object, as after any step on another screen, does not start the search anew.
  const [wishes, setWishes] = useState(wanted);
  if (keysOf(wishes) !== keysOf(wanted)) setWishes(wanted);
  const known = useFound();
  /** The wishes for which the search was stopped, or broke. */
  const [ended, setEnded] = useState<{ of: readonly LayoutWish[]; isBroken: boolean } | null>(null);
  const hasEnded = ended?.of === wishes;
  useEffect(() => {
    if (hasEnded) return;
    const open = wishes.filter((wish) => found.get(wish.key)?.share !== 1);
    if (open.length === 0) return;
    const worker = new Worker(new URL('../../worker/layout.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<LayoutNews>) => keep(data);
    worker.onerror = () => setEnded({ of: wishes, isBroken: true });
    worker.postMessage(open);
    return () => worker.terminate();
  }, [wishes, hasEnded]);
  return {
    of: (key) => known.get(key) ?? null,
    isLooking: !hasEnded && wishes.some((wish) => known.get(wish.key)?.share !== 1),
    stop: () => setEnded({ of: wishes, isBroken: false }),
    isBroken: hasEnded && ended.isBroken,
  };
}
