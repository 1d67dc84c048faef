import { Activity, Fragment, use, useEffect, useEffectEvent, useState, type ReactNode } from 'react';
import { InSight } from './inSight.ts';

/** So long a place is kept out of sight, ms: what was opened yesterday begins anew today. */
const KEPT_MS = 10 * 60_000;

interface Place {
  readonly name: string;
  readonly content: ReactNode;
}

/**
 * Of places of which one is seen, those that were seen before stay as they were left: what is typed, chosen and rolled
 * to is found again, and coming back draws nothing anew but what changed. Out of sight they are at rest: they hear of
 * nothing, and nobody can reach them. After a while they are let go.
 * @param here the name of the one that is seen; as many are kept as there are names
 * @param children what is seen there
 */
export function Kept({ here, children }: { here: string; children: ReactNode }) {
  const [places, setPlaces] = useState<readonly Place[]>([]);
  const isSeen = use(InSight);
  const now = places.find(({ name }) => name === here);
  if (now?.content !== children || !now) {
    const seen: Place = { name: here, content: children };
    setPlaces(now ? places.map((place) => (place === now ? seen : place)) : [...places, seen]);
  }
  return places.map(({ name, content }) => (
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
