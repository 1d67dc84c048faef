import { useSyncExternalStore } from 'react';

const EVERY_MS = 15_000;
let now = Date.now();

const read = (): number => {
  if (Date.now() - now >= EVERY_MS) now = Date.now();
  return now;
};
const subscribe = (wake: () => void): (() => void) => {
  const timer = setInterval(wake, EVERY_MS);
  return () => clearInterval(timer);
};

/** The present time, true to a quarter of a minute, so that running clocks are seen to run. */
export const useMinute = (): number => useSyncExternalStore(subscribe, read);
