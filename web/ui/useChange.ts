import { useState } from 'react';

/** What follows from another value is done while drawing, before anything is seen of it; nothing follows from the first. */
export function useChange<T>(value: T, follows: () => void): void {
  const [before, setBefore] = useState(value);
  if (before === value) return;
  setBefore(value);
  follows();
}
