import { useEffect } from 'react';

/** Keeps the screen lit as long as this is shown, where the browser allows it; again after the page was hidden. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let isOver = false;
    const hold = async () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      // Refused on low battery, for one: then the screen goes dark as it always did.
      const got = await navigator.wakeLock.request('screen').catch(() => null);
      if (isOver) void got?.release();
      else lock = got;
    };
    const onVisible = () => void hold();
    void hold();
    document.addEventListener('visibilitychange', onVisible);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', onVisible);
      void lock?.release();
    };
  }, []);
}
