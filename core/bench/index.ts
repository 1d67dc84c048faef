export { ACTS, actOf, isActKind, type ActKind, type Command, type Happening } from './acts/index.ts';
export {
  begunPieces,
  DRAWING_ORIGINS,
  type AcceptCartoon,
  type DrawingOrigin,
  type DrawnPiece,
} from './acts/acceptCartoon.ts';
export type { MarkPieces } from './acts/markPieces.ts';
export type { Source, Taking } from './acts/cutPieces.ts';
export { runningClock } from './acts/hours.ts';
export type { Side } from './acts/panelSteps.ts';
export type { PutBackTarget } from './acts/putBack.ts';
export type { Circumstance, Refusal, RefusalCode } from './act.ts';
export { applied, decide, inverseOf, type LogEntry, type Outcome } from './decide.ts';
export { differences, replay } from './replay.ts';
export {
  BACK_REASONS,
  BREAK_REASON_CODES,
  BREAK_REASONS,
  lastStage,
  OPTIONAL_STEPS,
  PANEL_STEPS,
  readBreakReason,
  ROUTES,
  stageIndex,
  STEP_WAIT_MIN,
  WORK_STAGES,
  type BackReason,
  type BreakReason,
  type PanelStep,
  type Stage,
  type WorkStage,
} from './route.ts';
export { Draft, Studio } from './studio.ts';
export {
  DEFAULT_SETTINGS,
  pieceId,
  settingsOf,
  TABLE_NAMES,
  type Commission,
  type Hours,
  type Mishap,
  type Panel,
  type Person,
  type Piece,
  type Reader,
  type RowChange,
  type Settings,
  type TableName,
  type Tables,
} from './tables.ts';
export { parseTally, type TallyLine } from './tally/parse.ts';
export { readTally, type SourceQuestion, type TallyMeaning } from './tally/resolve.ts';
export { putBackTarget } from './undo.ts';
