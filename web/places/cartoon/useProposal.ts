import { useEffect, useState } from 'react';
import { needsCure, type Proposal } from '#core/cutting';
import type { ProposalJob, ProposalMessage } from '../../worker/proposal.worker.ts';

/** Lines that would cure the piece looked at, and whether they are being looked for. */
export interface Proposed {
  readonly proposal: Proposal | null;
  readonly isLooking: boolean;
}

/** Looks for them in a web worker; the question before ends as soon as another one is asked. */
export function useProposal({ cartoon, judged, allowance, limits }: Partial<ProposalJob>): Proposed {
  const [found, setFound] = useState<{ of: unknown; proposal: Proposal | null } | null>(null);
  const isAsked = cartoon && judged && allowance && limits && needsCure(judged);
  useEffect(() => {
    if (!isAsked) return;
    const worker = new Worker(new URL('../../worker/proposal.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ProposalMessage>) => setFound({ of: judged, proposal: data });
    worker.onerror = () => setFound({ of: judged, proposal: null });
    worker.postMessage({ cartoon, judged, allowance, limits } satisfies ProposalJob);
    return () => worker.terminate();
  }, [isAsked, cartoon, judged, allowance, limits]);
  const isFound = found !== null && found.of === judged;
  return { proposal: isAsked && isFound ? found.proposal : null, isLooking: Boolean(isAsked) && !isFound };
}
