import type { Tables } from '#core/bench';
import { showNumbers } from '#core/units';
import { useSend } from '../state/send.ts';
import { Button } from '../ui/Button.tsx';
import { momentWords } from '../ui/dates.ts';

type Waiting = Tables['waits'] & { readonly panelName?: string };

/** What is waited for, the next to be over first; over, it stays until somebody has seen it. */
export function WaitList({ waits, now, locale }: { waits: readonly Waiting[]; now: number; locale: string }) {
  const send = useSend();
  return (
    <ul>
      {[...waits]
        .sort((a, b) => a.until - b.until)
        .map((wait) => {
          const isOver = wait.until <= now;
          const who = [
            ...(wait.panelName === undefined ? [] : [wait.panelName]),
            ...(wait.numbers.length === 0 ? [] : [showNumbers(wait.numbers, 6)]),
          ].join(', ');
          return (
            <li key={wait.id} className="flex min-h-11 items-center gap-2">
              <span className="min-w-0 flex-1">
                <b className="text-copper-ink">{wait.name}</b>
                {who !== '' && `, ${who}`} ·{' '}
                {isOver ? (
                  <b>over since {momentWords(wait.until, locale, now)}</b>
                ) : (
                  `till ${momentWords(wait.until, locale, now)}`
                )}
              </span>
              <Button
                look="quiet"
                className="px-1!"
                aria-label={`${isOver ? 'Seen' : 'Wait no longer'}: ${wait.name}`}
                onClick={() => void send.command({ kind: 'end-wait', ask: { id: wait.id } })}
              >
                {isOver ? 'Seen' : 'No longer'}
              </Button>
            </li>
          );
        })}
    </ul>
  );
}
