import { Activity, useState, type ReactNode } from 'react';

interface Place {
  readonly name: string;
  readonly content: ReactNode;
}

/**
 * Of places of which one is seen, those that were seen before stay as they were left: what is typed, chosen and rolled
 * to is found again, and coming back draws nothing anew but what changed. Out of sight they are at rest: they hear of
 * nothing, and nobody can reach them.
 * @param here the name of the one that is seen; as many are kept as there are names
 * @param children what is seen there
 */
export function Kept({ here, children }: { here: string; children: ReactNode }) {
  const [places, setPlaces] = useState<readonly Place[]>([]);
  const now = places.find(({ name }) => name === here);
  if (now?.content !== children || !now) {
    const seen: Place = { name: here, content: children };
    setPlaces(now ? places.map((place) => (place === now ? seen : place)) : [...places, seen]);
  }
  return places.map(({ name, content }) => (
    <Activity key={name} mode={name === here ? 'visible' : 'hidden'}>
      {content}
    </Activity>
  ));
}
