import { useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';

const query = () => matchMedia('print');

/** Whether the page is being printed: what is a picture on the screen is drawn in lines for paper. */
export const usePrinting = (): boolean =>
  useSyncExternalStore(
    (wake) => {
      const now = () => flushSync(wake);
      const media = query();
      media.addEventListener('change', now);
      addEventListener('beforeprint', now);
      return () => {
        media.removeEventListener('change', now);
        removeEventListener('beforeprint', now);
      };
    },
    () => query().matches,
  );
