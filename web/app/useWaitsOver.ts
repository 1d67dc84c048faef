import { useEffect, useRef } from 'react';
import { toast } from 'sonner';
import { showNumbers } from '#core/units';
import { useWaits } from '../state/studio.ts';
import { useMinute } from '../ui/useMinute.ts';

/** Tells once, wherever somebody is, that a wait is over. */
export function useWaitsOver(): void {
  const { data } = useWaits();
  const now = useMinute();
  const told = useRef<{ readonly since: number; readonly ids: Set<string> }>({ since: now, ids: new Set() });
  useEffect(() => {
    for (const { id, name, numbers, panelName, until } of data?.waits ?? []) {
      // What was over before this page was opened stands on Today.
      if (until > now || until < told.current.since || told.current.ids.has(id)) continue;
      told.current.ids.add(id);
      toast(`${panelName}${numbers.length > 0 ? `, ${showNumbers(numbers, 6)}` : ''}: ${name} is over.`, {
        duration: 20_000,
      });
    }
  }, [data, now]);
}
