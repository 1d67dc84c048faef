export { cuttability, type Cuttability, type CuttingFinding, type CuttingLimits } from './findings.ts';
export { panelFindings, type PanelFinding, type PanelLimits } from './panelFindings.ts';
export { needsCure, proposeLine, type Proposal } from './propose.ts';
export { planScores, type Score, type ScorePlan } from './scores.ts';
export {
  allNew,
  changesBetween,
  studyCartoon,
  studyRules,
  type DrawingChanges,
  type PieceChange,
  type Study,
} from './study.ts';
export {
  editDrawing,
  readDrawing,
  type DrawingJob,
  type DrawingResult,
  type EditJob,
  type Previous,
} from './drawing.ts';
