import type { Cartoon } from '#core/cartoon';
import type { CutList, LeadPlan } from '#core/leading';
import { leadOf, type LeadAsked } from '#core/papers';
import type { LineAllowance } from '#core/sizing';

/** A leaded panel whose order and cuts are asked for. */
export interface LeadAsk {
  readonly key: string;
  readonly cartoon: Cartoon;
  readonly asked: LeadAsked;
  readonly allowance: LineAllowance;
}

export interface LeadFound {
  readonly key: string;
  readonly plan: LeadPlan;
  readonly cuts: CutList;
}

onmessage = ({ data: { key, cartoon, asked, allowance } }: MessageEvent<LeadAsk>) => {
  const found: LeadFound = { key, ...leadOf(cartoon, allowance, asked) };
  postMessage(found);
};
