import { useQueryClient } from '@tanstack/react-query';
import { startTransition, useEffect, useState } from 'react';
import type { Path } from 'react-router';
import { askAhead } from '../state/studio.ts';
import { fetchAt, panelAt } from './places.tsx';

/** A hand is at a link, or the focus is: it is likely to be followed. */
const NEAR = ['pointerover', 'pointerdown', 'focusin'] as const;
/** A link that nobody followed for so long is not going to be, ms. */
const WAITS_MS = 60_000;

/**
 * What a link leads to is asked for as soon as a hand is at it, so that the press waits for less.
 * @returns where it leads, once all is here that it shows
 */
export function useAhead(): Path | null {
  const client = useQueryClient();
  const [ahead, setAhead] = useState<Path | null>(null);
  useEffect(() => {
    let last = '';
    let timer: ReturnType<typeof setTimeout>;
    const ask = ({ target }: Event) => {
      const link = target instanceof Element ? target.closest<HTMLAnchorElement>('a[href^="/"]') : null;
      const address = link?.pathname ?? '';
      if (address === last) return;
      last = address;
      if (!link || address === window.location.pathname) return;
      const { pathname, search, hash } = link;
      const panelId = panelAt(address);
      void Promise.all([fetchAt(address), panelId !== undefined && askAhead(client, panelId)]).then(() => {
        if (address !== last) return;
        clearTimeout(timer);
        timer = setTimeout(() => setAhead(null), WAITS_MS);
        startTransition(() => setAhead({ pathname, search, hash }));
      });
    };
    for (const near of NEAR) document.addEventListener(near, ask, { passive: true });
    return () => {
      clearTimeout(timer);
      for (const near of NEAR) document.removeEventListener(near, ask);
    };
  }, [client]);
  return ahead;
}
