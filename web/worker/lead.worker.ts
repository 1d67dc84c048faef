import type { Cartoon } from '#core/cartoon';
import { orderBreaks, type CutList, type LeadPlan, type OrderBreaks } from '#core/leading';
import { leadOf, type LeadAsked } from '#core/papers';
import type { LineAllowance } from '#core/sizing';

/** A leaded panel whose order and cuts are asked for. */
export interface LeadAsk {
  readonly cartoonId: string | null;
  readonly cartoon: Cartoon;
  readonly asked: LeadAsked;
  readonly allowance: LineAllowance;
}

export interface LeadFound {
  readonly plan: LeadPlan;
  readonly cuts: CutList;
  /** What the wanted order costs beside the best one; null where none is wanted. */
  readonly breaks: OrderBreaks | null;
}

onmessage = ({ data: { cartoon, asked, allowance } }: MessageEvent<LeadAsk>) => {
  const { plan, cuts } = leadOf(cartoon, allowance, asked);
  const { order, ...free } = asked;
  const breaks = order ? orderBreaks(leadOf(cartoon, allowance, free).plan, plan) : null;
  const found: LeadFound = { plan, cuts, breaks };
  postMessage(found);
};
