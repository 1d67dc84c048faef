import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { askAhead } from '../state/studio.ts';
import { fetchAt, panelAt } from './places.tsx';

/** A hand is at a link, or the focus is: it is likely to be followed. */
const NEAR = ['pointerover', 'pointerdown', 'focusin'] as const;

/** What a link leads to is asked for as soon as a hand is at it, so that the press waits for less. */
export function useAhead(): void {
  const client = useQueryClient();
  useEffect(() => {
    let last = '';
    const ask = ({ target }: Event) => {
      const link = target instanceof Element ? target.closest<HTMLAnchorElement>('a[href^="/"]') : null;
      const address = link?.pathname ?? '';
      if (address === last) return;
      last = address;
      if (address === '' || address === window.location.pathname) return;
      fetchAt(address);
      const panelId = panelAt(address);
      if (panelId !== undefined) askAhead(client, panelId);
    };
    for (const near of NEAR) document.addEventListener(near, ask, { passive: true });
    return () => {
      for (const near of NEAR) document.removeEventListener(near, ask);
    };
  }, [client]);
}
