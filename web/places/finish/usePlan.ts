import { USUAL_FINISH, type FinishPlan } from '#core/finish';
import { usePlans } from '../../state/studio.ts';
import { useSend } from '../../state/send.ts';

/** What is decided on how a panel is finished, and the way to decide otherwise. */
export function usePlan(panelId: string): {
  readonly plan: FinishPlan | null;
  readonly change: (plan: Partial<Omit<FinishPlan, 'measured'>>) => void;
} {
  const { data } = usePlans(panelId);
  const send = useSend();
  return {
    plan: data ? (data.finish ?? USUAL_FINISH) : null,
    change: (plan) => void send.command({ kind: 'plan-finish', ask: { panelId, plan } }),
  };
}
