import type { Reader, Tables } from '../tables.ts';

/** The entry whose clock runs for a person, if one does. */
export const runningClock = (state: Reader, personId: string): Tables['hours'] | undefined =>
  [...state.ask('runningClocksOf', personId)][0];
