import { useLayoutEffect, useRef, type UIEvent } from 'react';

/** How far each place is rolled down: a place that is opened begins at its top, one that is come back to where it was. */
export function useRolled(place: string) {
  const ref = useRef<HTMLDivElement>(null);
  const rolled = useRef(new Map<string, number>());
  const now = useRef(0);
  useLayoutEffect(() => {
    const wanted = rolled.current.get(place) ?? 0;
    // To roll is to lay the page out at once: mostly both stand at their top.
    if (ref.current && wanted !== now.current) ref.current.scrollTop = wanted;
  }, [place]);
  const onScroll = ({ currentTarget, target }: UIEvent<HTMLDivElement>) => {
    if (target !== currentTarget) return;
    now.current = currentTarget.scrollTop;
    rolled.current.set(place, now.current);
  };
  return { ref, onScroll };
}
