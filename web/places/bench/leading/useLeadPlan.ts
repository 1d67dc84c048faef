import { useEffect, useMemo, useRef, useState } from 'react';
import { leadFaces, type LeadAsked } from '#core/papers';
import type { PanelView } from '../../../panel/view.ts';
import type { LeadAsk, LeadFound } from '../../../worker/lead.worker.ts';

/** An answer about one drawing. */
type Answer = { readonly key: string; readonly cartoonId: string | null; readonly found: LeadFound | null };

/**
 * The order of a leaded panel, worked out in a worker; null while it is, `failed` where it can not be. While the same
 * drawing is worked out anew the order before stays in sight.
 */
export function useLeadPlan(view: PanelView, asked: LeadAsked, isWanted: boolean): LeadFound | null | 'failed' {
  const { panel, paths } = view;
  const [answer, setAnswer] = useState<Answer | null>(null);
  const { allowance, cartoonId } = panel;
  const wish = JSON.stringify(asked);
  const ask = useMemo((): LeadAsk | null => {
    if (!isWanted || !paths) return null;
    const key = `${cartoonId} ${wish} ${JSON.stringify(leadFaces(allowance))}`;
    return { key, cartoon: paths.cartoon, asked: JSON.parse(wish) as LeadAsked, allowance };
  }, [isWanted, paths, cartoonId, wish, allowance]);
  const answered = useRef<LeadAsk>(null);
  useEffect(() => {
    // Asked already: its place is seen again, and nothing has changed.
    if (ask === null || answered.current === ask) return;
    const worker = new Worker(new URL('../../../worker/lead.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<LeadFound>) => {
      answered.current = ask;
      setAnswer({ key: data.key, cartoonId, found: data });
    };
    worker.onerror = () => setAnswer({ key: ask.key, cartoonId, found: null });
    worker.postMessage(ask);
    return () => worker.terminate();
  }, [ask, cartoonId]);
  if (ask === null || answer?.cartoonId !== cartoonId) return null;
  if (answer.key !== ask.key) return answer.found;
  return answer.found ?? 'failed';
}
