import { useEffect, useMemo, useState } from 'react';
import { leadFaces, type LeadAsked } from '#core/papers';
import type { PanelView } from '../../../panel/view.ts';
import type { LeadAsk, LeadFound } from '../../../worker/lead.worker.ts';

type Answer = { readonly key: string; readonly found: LeadFound | null };

/** The order of a leaded panel, worked out in a worker; null while it is, `failed` where it can not be. */
export function useLeadPlan(view: PanelView, asked: LeadAsked, isWanted: boolean): LeadFound | null | 'failed' {
  const { panel, paths } = view;
  const [answer, setAnswer] = useState<Answer | null>(null);
  const { allowance } = panel;
  const wish = JSON.stringify(asked);
  const ask = useMemo((): LeadAsk | null => {
    if (!isWanted || !paths) return null;
    const key = `${panel.cartoonId} ${wish} ${JSON.stringify(leadFaces(allowance))}`;
    return { key, cartoon: paths.cartoon, asked: JSON.parse(wish) as LeadAsked, allowance };
  }, [isWanted, paths, panel.cartoonId, wish, allowance]);
  useEffect(() => {
    if (ask === null) return;
    const worker = new Worker(new URL('../../../worker/lead.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<LeadFound>) => setAnswer({ key: data.key, found: data });
    worker.onerror = () => setAnswer({ key: ask.key, found: null });
    worker.postMessage(ask);
    return () => worker.terminate();
  }, [ask]);
  if (ask === null || answer?.key !== ask.key) return null;
  return answer.found ?? 'failed';
}
