import { Activity, Fragment, use, useEffect, useEffectEvent, useState, type ReactNode } from 'react';
import { InSight } from './inSight.ts';

/** So long a place is kept out of sight, ms: what was opened yesterday begins anew today. */
export const KEPT_MS = 10 * 60_000;

/** … and so many, the ones seen last. */
const MOST_KEPT = 10;

export interface Place {
  readonly name: string;
  readonly content: ReactNode;
}

/** A place that was seen, and which it was in the order of all. */
interface Seen extends Place {
  readonly turn: number;
}

/**
 * Of places of which one is seen, those that were seen before stay as they were left: what is typed, chosen and rolled
 * to is found again, and coming back draws nothing anew but what changed. Out of sight they are at rest: they hear of
 * nothing, and nobody can reach them. After a while they are let go.
 * @param here the name of the one that is seen
 * @param ahead one that is likely to be seen next: it is drawn while there is nothing else to do
 * @param children what is seen here
 */
export function Kept({ here, ahead, children }: { here: string; ahead?: Place | null; children: ReactNode }) {
  const [places, setPlaces] = useState<readonly Seen[]>([]);
  const isSeen = use(InSight);
  const now = places.find(({ name }) => name === here);
  const last = Math.max(0, ...places.map(({ turn }) => turn));
  if (!now || now.content !== children || now.turn < last) {
    const seen: Seen = { name: here, content: children, turn: last + 1 };
    const all = now ? places.map((place) => (place === now ? seen : place)) : [...places, seen];
    const [least = 0] = all
      .map(({ turn }) => turn)
      .sort((a, b) => a - b)
      .slice(-MOST_KEPT);
    setPlaces(all.filter(({ turn }) => turn >= least));
  }
  const isNew = ahead && !places.some(({ name }) => name === ahead.name);
  return [...places, ...(isNew ? [ahead] : [])].map(({ name, content }) => (
    <Fragment key={name}>
      <Activity mode={name === here ? 'visible' : 'hidden'}>
        <InSight value={isSeen && name === here}>{content}</InSight>
      </Activity>
      {name !== here && <Away onLong={() => setPlaces((all) => all.filter((place) => place.name !== name))} />}
    </Fragment>
  ));
}

/** Tells once a place has been out of sight for long. */
function Away({ onLong }: { onLong: () => void }) {
  const long = useEffectEvent(onLong);
  useEffect(() => {
    const timer = setTimeout(() => long(), KEPT_MS);
    return () => clearTimeout(timer);
  }, []);
  return null;
}
