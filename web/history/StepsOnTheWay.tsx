import { useQueryClient } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { toast } from 'sonner';
import { count } from '#core/units';
import { heard } from '../state/freshness.ts';
import { useInStep } from '../state/inStep.ts';
import type { Step } from '../state/outbox.ts';
import { browserKeeps, outbox } from '../state/outboxHere.ts';
import { useSettings } from '../state/studio.ts';
import { Pop } from '../ui/Pop.tsx';
import { Button } from '../ui/Button.tsx';
import { momentWords } from '../ui/dates.ts';
import { WhatDidNotFit } from './WhatDidNotFit.tsx';

/** A break shorter than this is nobody's concern. */
const GRACE_MS = 2500;

const changes = (changed: () => void) => outbox.onChange(changed);

/** A quiet line while this screen is out of step: since when, and what was done here that is not answered yet. */
export function StepsOnTheWay() {
  useLateAnswers();
  const steps = useSyncExternalStore(changes, () => outbox.steps);
  const why = useSyncExternalStore(changes, () => outbox.why);
  const isLasting = useSyncExternalStore(changes, () => outbox.isLasting);
  const [isLooking, setLooking] = useState(false);
  const lostSince = useInStep((s) => s.lostSince);
  const now = useTicks(lostSince !== null || steps.length > 0);
  const { locale } = useSettings();
  const refused = steps.filter((step) => step.refused !== undefined);
  const waiting = steps.filter((step) => step.refused === undefined);
  const since = Math.min(lostSince ?? Infinity, ...waiting.map((step) => step.at));
  if (refused.length === 0 && (since === Infinity || now - since < GRACE_MS)) return null;
  const isOut = lostSince !== null || waiting.length > 0;
  return (
    <div role="status" className="flex items-center gap-3 border-b border-line bg-soft px-6 py-1.5 text-[15px]">
      <span className="mr-auto">
        {isOut && `Not in step since ${momentWords(since, locale)}: ${why ?? 'Nelvik does not answer.'}`}
        {waiting.length > 0 && ` ${waitingWords(waiting.length)}`}
        {waiting.length > 0 && !(browserKeeps && isLasting) && ' Keep this page open: this browser keeps nothing.'}
        {refused.length > 0 && ` ${count(refused.length, 'step')} did not fit any more.`}
      </span>
      {refused.length > 0 && (
        <Button look="quiet" onClick={() => setLooking(true)}>
          See both
        </Button>
      )}
      {waiting.length > 0 && <WaitingList waiting={waiting} locale={locale} />}
      <WhatDidNotFit refused={refused} locale={locale} isOpen={isLooking} onClose={() => setLooking(false)} />
    </div>
  );
}

const waitingWords = (n: number): string =>
  n === 1
    ? '1 step waits here and goes off as soon as it does.'
    : `${n} steps wait here and go off as soon as it does.`;

function WaitingList({ waiting, locale }: { waiting: readonly Step[]; locale: string }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="min-h-11 px-2 font-semibold underline underline-offset-4">
        Look at them
      </Popover.Trigger>
      <Pop label="Steps on their way" className="max-h-[60vh] w-96 overflow-y-auto p-4 text-[15px]" align="end">
        <ol className="grid gap-2">
          {waiting.map((step) => (
            <li key={step.commandId} className="flex items-center gap-3 border-t border-line pt-2">
              <span className="min-w-0 flex-1">
                <span className="text-mute">{momentWords(step.at, locale)}</span> {step.words}
              </span>
              <Button look="quiet" className="px-1.5" onClick={() => outbox.giveUp(step.commandId)}>
                Give up
              </Button>
            </li>
          ))}
        </ol>
      </Pop>
    </Popover.Root>
  );
}

/** Answers to what was done before this page was loaded; and a word before it is left with steps still here. */
function useLateAnswers(): void {
  const client = useQueryClient();
  useEffect(() => {
    outbox.onLate = ({ words }, ended) => {
      if ('error' in ended) return;
      toast.success(`From before: ${words}.`);
      void heard.change(client, ended.done.seq, ended.done.touched, ended.done.told);
    };
    // Who has to enter the passcode anew is asked for it where the studio is fetched.
    outbox.onPasscode = () => void client.invalidateQueries({ queryKey: ['studio'] });
    const stay = (event: BeforeUnloadEvent) => {
      if (outbox.waiting.length > 0) event.preventDefault();
    };
    const online = () => outbox.again();
    window.addEventListener('beforeunload', stay);
    window.addEventListener('online', online);
    return () => {
      window.removeEventListener('beforeunload', stay);
      window.removeEventListener('online', online);
    };
  }, [client]);
}

function useTicks(isOn: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!isOn) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [isOn]);
  return isOn ? now : Date.now();
}
