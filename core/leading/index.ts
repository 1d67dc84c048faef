export {
  CORNERS,
  type Corner,
  type LeadGraph,
  type LeadJoint,
  type LeadLine,
  type LeadPlan,
  type LeadRun,
  type LeadStep,
  type Locked,
} from './types.ts';
export { leadPlan, straightRuns, type LeadWish } from './plan.ts';
export { cutList, fewestLengths, packLengths, type CutList, type Spliced } from './cuts.ts';
export { jointName, runName, waysThrough, type Through, type WayThrough } from './through.ts';
export { orderBreaks, type OrderBreaks } from './breaks.ts';
export { checkLead } from './check.ts';
