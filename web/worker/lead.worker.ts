import type { Cartoon } from '#core/cartoon';
import { checkLead, cutList, leadPlan, type Corner, type CutList, type LeadPlan } from '#core/leading';

/** A leaded panel whose order and cuts are asked for. */
export interface LeadAsk {
  readonly key: string;
  readonly cartoon: Cartoon;
  readonly corner: Corner;
  /** Faces of the cames inside and round the panel, mm. */
  readonly innerMm: number;
  readonly borderMm: number;
  readonly stockMm: number;
  readonly kerfMm: number;
}

export interface LeadFound {
  readonly key: string;
  readonly plan: LeadPlan;
  readonly cuts: CutList;
}

onmessage = ({ data: { key, cartoon, corner, innerMm, borderMm, stockMm, kerfMm } }: MessageEvent<LeadAsk>) => {
  const faces = { innerMm, borderMm };
  const plan = leadPlan(cartoon, { corner, ...faces });
  // What is told is looked at once more by other means.
  const [fault] = checkLead(plan, faces);
  if (fault !== undefined) throw new Error(`the order does not hold: ${fault}`);
  const found: LeadFound = { key, plan, cuts: cutList(plan.runs, { stockMm, kerfMm }) };
  postMessage(found);
};
