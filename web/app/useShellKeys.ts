import { useEffect, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useTallyCall } from '../state/tallyCall.ts';
import { isAsked } from '../ui/inSight.ts';

const isWriting = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLElement && target.isContentEditable);

export type Over = 'finder' | 'keys' | 'help' | null;

/** The keys that do the same in every place; and what lies over it because of them. */
export function useShellKeys(): readonly [Over, (over: Over) => void] {
  const [over, setOver] = useState<Over>(null);
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const call = useTallyCall((s) => s.call);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const isFind = event.key.toLowerCase() === 'k' && (event.ctrlKey || event.metaKey) && !event.altKey;
      if (isFind) {
        event.preventDefault();
        return setOver((now) => (now === 'finder' ? null : 'finder'));
      }
      if (event.ctrlKey || event.metaKey || event.altKey || isWriting(event.target)) return;
      if (isAsked()) return;
      if (event.key === '?') {
        event.preventDefault();
        setOver('keys');
      } else if (event.key === '/') {
        const [, place, panelId, step] = pathname.split('/');
        if (place !== 'panels' || !panelId) return;
        event.preventDefault();
        call();
        if (step !== 'bench') void navigate(`/panels/${panelId}/bench`);
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [pathname, navigate, call]);
  return [over, setOver];
}
