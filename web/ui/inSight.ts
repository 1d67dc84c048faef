import { createContext } from 'react';

/** Whether a place is the one that is seen; what lies over a place comes and goes with it. */
export const InSight = createContext(true);

/** Whether a sheet or a question lies over the place, to be answered first. */
export const isAsked = (): boolean =>
  [...document.querySelectorAll('[role="dialog"], [role="alertdialog"]')].some((one) => one.checkVisibility());
