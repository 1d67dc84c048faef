import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { WORK_STAGES } from '#core/bench';
import { useBench } from '../../state/bench.ts';
import { newId } from '../../state/ids.ts';
import { useSend } from '../../state/send.ts';

/** A code of the bench card was read by a camera: the clock that it names is started, once, or the running one stopped. */
export function useClockCode(panelId: string): void {
  const [params, setParams] = useSearchParams();
  const send = useSend();
  const personId = useBench((s) => s.personId);
  const done = useRef<string | null>(null);
  const code = params.get('clock');
  useEffect(() => {
    // Taken once; the same code may be scanned again later.
    const isTaken = done.current === code;
    done.current = code;
    if (code === null || isTaken) return;
    setParams(
      (now) => {
        now.delete('clock');
        return now;
      },
      { replace: true },
    );
    const stage = WORK_STAGES.find((one) => one === code);
    if (personId === null)
      toast.error('Say who works here first, then scan again: the round mark at the foot of the rail.');
    else if (stage) void send.command({ kind: 'start-clock', ask: { id: newId(), personId, panelId, stage } });
    else if (code === 'stop') void send.command({ kind: 'stop-clock', ask: { personId, endedAt: null } });
    else toast.error(`“${code}” is no work that hours are booked to.`);
  }, [code, personId, panelId, send, setParams]);
}
