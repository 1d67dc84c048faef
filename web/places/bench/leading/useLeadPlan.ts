import { useEffect, useMemo, useState } from 'react';
import type { Corner } from '#core/leading';
import { readProfile } from '#core/sizing';
import type { PanelView } from '../../../panel/view.ts';
import type { LeadAsk, LeadFound } from '../../../worker/lead.worker.ts';

/** Came as it is bought, and what is lost with each cut. From memory. */
const STOCK_MM = 1830;
const KERF_MM = 2;

type Answer = { readonly key: string; readonly found: LeadFound | null };

/** The order of a leaded panel from a corner, worked out in a worker; null while it is, `failed` where it can not be. */
export function useLeadPlan(view: PanelView, corner: Corner, isWanted: boolean): LeadFound | null | 'failed' {
  const { panel, paths } = view;
  const [answer, setAnswer] = useState<Answer | null>(null);
  const { faceMm, border } = panel.allowance;
  const ask = useMemo((): LeadAsk | null => {
    if (!isWanted || !paths) return null;
    const rim = border === undefined ? null : readProfile(border);
    const borderMm = rim !== null && rim.kind !== 'foil' ? rim.faceMm : faceMm;
    const key = `${panel.cartoonId} ${corner} ${faceMm} ${borderMm}`;
    return { key, cartoon: paths.cartoon, corner, innerMm: faceMm, borderMm, stockMm: STOCK_MM, kerfMm: KERF_MM };
  }, [isWanted, paths, panel.cartoonId, corner, faceMm, border]);
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
