import { Redo2, Undo2 } from 'lucide-react';
import { useEffect } from 'react';
import type { UndoPlace } from '#core/bench';
import { useSend } from '../state/send.ts';
import { useUndoWords } from '../state/studio.ts';
import { Button } from '../ui/Button.tsx';
import { Hint } from '../ui/Hint.tsx';
import { isAsked } from '../ui/inSight.ts';

/** Takes back and does again what somebody did at this place; each says by name what it would do. Ctrl+Z, Ctrl+Shift+Z. */
export function UndoButtons({ place }: { place: UndoPlace }) {
  const send = useSend();
  const next = useUndoWords(place);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'z' || !(event.ctrlKey || event.metaKey) || event.altKey) return;
      // Where something is being written, the keys take back what was written.
      const { target } = event;
      if ((target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) && target.value !== '') return;
      if (isAsked()) return;
      event.preventDefault();
      void send.putBack(event.shiftKey ? 'redo' : 'undo', place);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [send, place]);
  return (
    <div className="flex gap-1.5" role="group" aria-label="Undo">
      {(['undo', 'redo'] as const).map((direction) => {
        const words = next?.[direction] ?? null;
        const verb = direction === 'undo' ? 'Take back' : 'Do again';
        const Icon = direction === 'undo' ? Undo2 : Redo2;
        const name = words === null ? `${verb}: nothing of yours here` : `${verb}: ${words}`;
        return (
          <Hint key={direction} words={name}>
            <Button
              look="line"
              className="w-11 px-0!"
              aria-label={name}
              aria-disabled={words === null}
              onClick={() => words !== null && void send.putBack(direction, place)}
            >
              <Icon aria-hidden size={20} className={`shrink-0 ${words === null ? 'opacity-35' : ''}`} />
            </Button>
          </Hint>
        );
      })}
    </div>
  );
}
