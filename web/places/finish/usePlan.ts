import { useRef, useState } from 'react';
import type { PlansAnswer } from '#contract';
import { USUAL_FINISH, type FinishPlan } from '#core/finish';
import { usePlans } from '../../state/studio.ts';
import { useSend } from '../../state/send.ts';

export type PlanChange = Partial<Omit<FinishPlan, 'measured'>>;

/** What is decided on how a panel is finished, and the ways to decide otherwise. */
export interface Planning {
  /** With what is being slid or decided just now. */
  readonly plan: FinishPlan | null;
  /** All that is decided on the panel. */
  readonly answer: PlansAnswer | null;
  change(plan: PlanChange): void;
  /** Shown at once, and decided when it is let go: one step for a whole slide. */
  slide(plan: PlanChange): void;
}

export function usePlan(panelId: string): Planning {
  const { data } = usePlans(panelId);
  const send = useSend();
  const [slid, setSlid] = useState<PlanChange>({});
  // What is slid on while an earlier step is on its way must not jump back when that one is answered.
  const latest = useRef(0);
  return {
    answer: data ?? null,
    plan: data ? { ...(data.finish ?? USUAL_FINISH), ...slid } : null,
    change: (plan) => {
      const mine = ++latest.current;
      // Shown at once: the next press goes on from it, not from what the studio said last.
      setSlid((now) => ({ ...now, ...plan }));
      void send.command({ kind: 'plan-finish', ask: { panelId, plan } }).then(() => {
        if (latest.current === mine) setSlid({});
      });
    },
    slide: (plan) => {
      latest.current++;
      setSlid((now) => ({ ...now, ...plan }));
    },
  };
}
