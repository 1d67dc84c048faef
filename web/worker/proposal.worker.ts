import type { Cartoon } from '#core/cartoon';
import { proposeLine, type Cuttability, type CuttingLimits, type Proposal } from '#core/cutting';
import type { LineAllowance } from '#core/sizing';

export interface ProposalJob {
  readonly cartoon: Cartoon;
  readonly judged: Cuttability;
  readonly allowance: LineAllowance;
  readonly limits: CuttingLimits;
}

export type ProposalMessage = Proposal | null;

/** Looks for the lines that cure a piece off the page's thread: many hundred chords may have to be judged. */
onmessage = ({ data: { cartoon, judged, allowance, limits } }: MessageEvent<ProposalJob>) => {
  const found: ProposalMessage = proposeLine(cartoon, judged.number, judged, allowance, limits);
  postMessage(found);
};
