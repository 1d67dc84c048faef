import { useState, type PointerEvent } from 'react';
import type { Point } from '#core/geometry';

/** A ring of fewer points is a slip of the hand. */
const LEAST_POINTS = 6;

/**
 * A line drawn round something, with Shift held or the lasso switched on; it stays on until it is put away.
 * @param toMm where a pointer is on the panel
 * @param onRing what was drawn round, and whether it is to be added to what is picked
 */
export function useLasso(
  toMm: (event: { clientX: number; clientY: number }) => Point,
  onRing: (ring: readonly Point[], isMore: boolean) => void,
) {
  const [lasso, setLasso] = useState<readonly Point[] | null>(null);
  const [lassoing, setLassoing] = useState(false);
  const hand = {
    onPointerDown: (event: PointerEvent) => {
      if (!event.shiftKey && !lassoing) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      setLasso([toMm(event)]);
    },
    onPointerMove: (event: PointerEvent) => {
      if (lasso) setLasso([...lasso, toMm(event)]);
    },
    onPointerUp: (event: PointerEvent) => {
      if (!lasso) return;
      setLasso(null);
      if (lasso.length < LEAST_POINTS) return;
      onRing(lasso, event.ctrlKey || event.metaKey);
    },
  };
  return { lasso, lassoing, setLassoing, hand };
}
