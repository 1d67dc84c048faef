import { useQueryClient } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { toast } from 'sonner';
import { count } from '#core/units';
import { heard } from '../state/freshness.ts';
import { useInStep } from '../state/inStep.ts';
import { outbox } from '../state/outboxHere.ts';
import { useSettings } from '../state/studio.ts';
import { Pop } from '../ui/Pop.tsx';
import { Button } from '../ui/Button.tsx';
import { momentWords } from '../ui/dates.ts';

/** A break shorter than this is nobody's concern. */
const GRACE_MS = 2500;

/** A quiet line while this screen is out of step: since when, and what was done here that is not answered yet. */
export function StepsOnTheWay() {
  useLateAnswers();
  const steps = useSyncExternalStore(
    (changed) => outbox.onChange(changed),
    () => outbox.steps,
  );
  const lostSince = useInStep((s) => s.lostSince);
  const now = useTicks(lostSince !== null || steps.length > 0);
  const { locale } = useSettings();
  const refused = steps.filter((step) => step.refused !== undefined);
  const since = Math.min(lostSince ?? Infinity, ...steps.map((step) => step.at));
  if (refused.length === 0 && now - since < GRACE_MS) return null;
  if (since === Infinity) return null;
  const waiting = steps.length - refused.length;
  return (
    <div role="status" className="flex items-center gap-3 border-b border-line bg-soft px-6 py-1.5 text-[15px]">
      <span className="mr-auto">
        {lostSince === null && waiting === 0
          ? `${count(refused.length, 'step')} could not be taken`
          : `Not in step since ${momentWords(since, locale)}: Nelvik does not answer`}
        {waiting > 0 &&
          `. ${count(waiting, 'step')} ${waiting === 1 ? 'waits' : 'wait'} here and ${waiting === 1 ? 'goes' : 'go'} off as soon as it does`}
        .
      </span>
      {steps.length > 0 && (
        <Popover.Root>
          <Popover.Trigger className="min-h-11 px-2 font-semibold underline underline-offset-4">
            Look at them
          </Popover.Trigger>
          <Pop label="Steps on their way" className="max-h-[60vh] w-96 overflow-y-auto p-4 text-[15px]" align="end">
            <ol className="grid gap-2">
              {steps.map((step) => (
                <li key={step.commandId} className="flex items-center gap-3 border-t border-line pt-2">
                  <span className="min-w-0 flex-1">
                    <span className="text-mute">{momentWords(step.at, locale)}</span> {step.words}
                    {step.refused && <b className="block font-semibold text-risk">{step.refused}</b>}
                  </span>
                  <Button look="quiet" className="px-1.5" onClick={() => outbox.giveUp(step.commandId)}>
                    {step.refused ? 'Read' : 'Give up'}
                  </Button>
                </li>
              ))}
            </ol>
          </Pop>
        </Popover.Root>
      )}
    </div>
  );
}

/** Answers to what was done before this page was loaded; and a word before it is left with steps still here. */
function useLateAnswers(): void {
  const client = useQueryClient();
  useEffect(() => {
    outbox.onLate = ({ words }, ended) => {
      if ('done' in ended) {
        toast.success(`From before: ${words}.`);
        void heard.change(client, ended.done.seq, ended.done.touched);
      } else toast.error(`From before: ${words} could not be taken.`, { duration: 9000 });
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
