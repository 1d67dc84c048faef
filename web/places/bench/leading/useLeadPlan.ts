import { useMemo } from 'react';
import type { LeadAsked } from '#core/papers';
import type { PanelView } from '../../../panel/view.ts';
import { useWorked } from '../../../ui/useWorked.ts';
import type { LeadAsk, LeadFound } from '../../../worker/lead.worker.ts';

const begin = () => new Worker(new URL('../../../worker/lead.worker.ts', import.meta.url), { type: 'module' });

/**
 * The order of a leaded panel, worked out in a worker; null while it is, `failed` where it can not be. While the same
 * drawing is worked out anew the order before stays in sight.
 */
export function useLeadPlan(view: PanelView, asked: LeadAsked, isWanted: boolean): LeadFound | null | 'failed' {
  const { panel, paths } = view;
  const { allowance, cartoonId } = panel;
  const wish = JSON.stringify(asked);
  const ask = useMemo((): LeadAsk | null => {
    if (!isWanted || !paths) return null;
    return { cartoonId, cartoon: paths.cartoon, asked: JSON.parse(wish) as LeadAsked, allowance };
  }, [isWanted, paths, cartoonId, wish, allowance]);
  const found = useWorked<LeadAsk, LeadFound>(ask, begin);
  if (ask === null || found?.of.cartoonId !== cartoonId) return null;
  return found.answer ?? (found.of === ask ? 'failed' : null);
}
