import { useRef, type PointerEvent } from 'react';

/** A finger that rests so long means more than a tap, ms. */
const RESTS_MS = 450;
/** It is asked so often whether it still rests, ms. */
const ASKS_MS = 50;
/** It may tremble by so much, px. */
const TREMBLES_PX = 8;

/**
 * A press that stays where it is. The tap that ends it is no tap any more: `wasLong` says so once. Only time in which the
 * page could have heard of the finger being lifted counts: a page that is busy takes no tap for a press.
 * @param onLong where it was, px of the window
 */
export function useLongPress(onLong: (at: { clientX: number; clientY: number }) => void) {
  const timer = useRef<ReturnType<typeof setInterval> | null>(null);
  const begun = useRef<{ clientX: number; clientY: number } | null>(null);
  const isDone = useRef(false);
  const stop = () => {
    if (timer.current) clearInterval(timer.current);
    timer.current = null;
  };
  return {
    down: (event: PointerEvent) => {
      stop();
      isDone.current = false;
      if (!event.isPrimary || event.button !== 0) return;
      const at = { clientX: event.clientX, clientY: event.clientY };
      begun.current = at;
      let rested = 0;
      timer.current = setInterval(() => {
        rested += ASKS_MS;
        if (rested < RESTS_MS) return;
        stop();
        isDone.current = true;
        onLong(at);
      }, ASKS_MS);
    },
    move: (event: PointerEvent) => {
      const from = begun.current;
      if (!from || !event.isPrimary) return;
      if (Math.hypot(event.clientX - from.clientX, event.clientY - from.clientY) > TREMBLES_PX) stop();
    },
    up: stop,
    wasLong: () => {
      const was = isDone.current;
      isDone.current = false;
      return was;
    },
  };
}
