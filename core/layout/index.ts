export {
  UNPLACED_CODES,
  type Break,
  type Layout,
  type LayoutJob,
  type LayoutOffcut,
  type LayoutPiece,
  type LayoutSheet,
  type Placement,
  type Rectangle,
  type UnplacedCode,
} from './types.ts';
export { Layouter, type LayoutOptions } from './layout.ts';
export { checkLayout, faultsOfLaying, type LayingFault, type LayoutFault, type LayoutTolerance } from './check.ts';
export { jobFault, type JobFault } from './jobFault.ts';
export { brokenParts, partedBy, type BrokenPart } from './breaking.ts';
export { breakAcross } from './breakAcross.ts';
export { cutOut, planFault, type CutOut, type LaidPiece, type PartKept } from './cutOut.ts';
export {
  breakOut,
  freeParts,
  NOTHING_LAID,
  withHandLaid,
  type BrokenOut,
  type HandLaidSheet,
  type LaidByHand,
  type NotBreakable,
} from './byHand.ts';
export { layOn, takersOfPiece, type OneLaidBy } from './finder.ts';
export {
  countInStrip,
  planStrips,
  stripForms,
  stripKind,
  stripLength,
  type StripForm,
  type StripKind,
  type StripPlan,
  type StripSettings,
} from './strips.ts';
export { stripsLaid, type SheetAsLaid } from './stripsLaid.ts';
export { checkWithStrips, stripsOrNot, type WithStrips } from './stripsOrNot.ts';
export { keptLayout, outAfter, type KeptSheet } from './kept.ts';
export { spotOf, type SpotFound } from './spotOf.ts';
export {
  glassJob,
  purchaseJob,
  laidOutBy,
  sheetOf,
  type GlassPiece,
  type LaidOutBy,
  type SheetSize,
} from './glassJob.ts';
