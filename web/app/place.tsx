import { lazy, useState, type ComponentType } from 'react';
import { atRest, fetchUnasked } from '../state/offline.ts';

/** A place that is fetched when it is first opened, or before, and once here is drawn without waiting. */
export interface Place {
  readonly Here: ComponentType;
  fetch(): Promise<void>;
}

export function place(load: () => Promise<ComponentType>): Place {
  let loaded: ComponentType | null = null;
  const fetch = async () => {
    loaded = await load();
    return loaded;
  };
  const Fetched = lazy(async () => ({ default: await fetch() }));
  function Here() {
    // What is here already must not wait: an outlet that waits even for a moment is held back by React for 300 ms. A place
    // that is open stays the one it began as, or all that was typed in it would be gone.
    const [Place] = useState<ComponentType>(() => loaded ?? Fetched);
    return <Place />;
  }
  return { Here, fetch: async () => void (await fetch()) };
}

/** Fetches places one after the other while nothing else is to be done. A network that is away is no fault here. */
export function fetchAtRest(places: readonly Place[]): void {
  const [next, ...others] = places;
  if (!next) return;
  atRest(() => void fetchUnasked(() => next.fetch()).then((isHere) => isHere && fetchAtRest(others)));
}
