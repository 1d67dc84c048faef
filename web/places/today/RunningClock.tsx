import { useState } from 'react';
import type { StudioAnswer } from '#contract';
import { workWord } from '#core/bench';
import { minutesOf } from '#core/labour';
import { showClock } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { momentWords } from '../../ui/dates.ts';

/** A clock that runs: whose, for what, how long. One that was forgotten can be cut back. */
export function RunningClock({
  entry,
  now,
  long,
  person,
  panel,
  locale,
}: {
  entry: StudioAnswer['clocks'][number];
  now: number;
  long: number;
  person: string;
  panel: string;
  locale: string;
}) {
  const send = useSend();
  const minutes = minutesOf(entry, now);
  const forgotten = minutes > long;
  const [back, setBack] = useState(false);
  return (
    <div className="flex flex-wrap items-center gap-x-3 py-1">
      <p>
        <b className="text-copper-ink">
          {person}, {workWord(entry.stage).toLowerCase()}
        </b>{' '}
        {panel} · {showClock(minutes)}
      </p>
      <Button
        look="quiet"
        className="px-1"
        onClick={() => void send.command({ kind: 'stop-clock', ask: { personId: entry.personId, endedAt: null } })}
      >
        Stop
      </Button>
      {forgotten && (
        <p className="w-full text-risk">
          Since {momentWords(entry.startedAt, locale)}: was it forgotten?{' '}
          {back ? (
            [30, 60, 120, 240].map((m) => (
              <Button
                key={m}
                look="quiet"
                className="px-1.5"
                onClick={() =>
                  void send.command(
                    { kind: 'stop-clock', ask: { personId: entry.personId, endedAt: entry.startedAt + m * 60_000 } },
                    `Cut back to ${showClock(m)}.`,
                  )
                }
              >
                {showClock(m)}
              </Button>
            ))
          ) : (
            <Button look="quiet" className="px-1" onClick={() => setBack(true)}>
              Cut it back to …
            </Button>
          )}
        </p>
      )}
    </div>
  );
}
