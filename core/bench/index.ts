export {
  ACT_KINDS,
  ACTS,
  actOf,
  happeningOf,
  effectWords,
  happeningWords,
  isActKind,
  type ActKind,
  type AskOf,
  type Command,
  type FactOf,
  type Happening,
} from './acts/index.ts';
export type { DrawingAccepted } from './acts/acceptDrawing/act.ts';
export type { AcceptDrawing, DrawnJoint, DrawnPiece } from './acts/acceptDrawing/ask.ts';
export { DRAWING_ORIGINS, type DrawingOrigin } from './acts/acceptDrawing/origins.ts';
export { jointsBetween, piecesGone } from './acts/acceptDrawing/parts.ts';
export { PUT_AWAY, type PutAwayTable } from './acts/putAway/act.ts';
export type { MarkPieces } from './acts/markPieces/act.ts';
export type { SavePanel } from './acts/savePanel/act.ts';
export type { WriteNote } from './acts/writeNote/act.ts';
export { REPAIR_MEANINGS, REPAIR_WAYS, repairSteps, type RepairStep, type RepairWay } from './repairs.ts';
export { GLASSES_OF_TWO, type GlassOfTwo } from './acts/breakPieces/act.ts';
export { keepsBack } from './acts/chooseBack/act.ts';
export { keepsGlass } from './acts/chooseGlass/act.ts';
export { COUNTED_BY, type CountedBy } from './acts/countStock/act.ts';
export { TAKEN_IN, TAKEN_IN_KINDS, type TakenIn } from './acts/takeIn/act.ts';
export {
  glassBehind,
  glassLabel,
  isLaidToCut,
  laidOn,
  ownGlass,
  sourcesAsLaid,
  sourcesIfLaid,
  stillToCut,
  type Behind,
  type OneGlass,
} from './acts/laid.ts';
export type { LayOut, SheetLaidOut } from './acts/layOut/act.ts';
export { backsCalled, pieceNumbered } from './acts/picked.ts';
export { isLabelTaken } from './acts/taking.ts';
export type { Source, Taking } from './acts/taking.ts';
export { runningClock } from './acts/clock.ts';
export { SIDES, type Side } from './acts/joints.ts';
export { stepDoneId } from './acts/stepDone.ts';
export type { PutBackTarget } from './acts/putBack/act.ts';
export type { Act, Circumstance, RowInverse, UpcastContext } from './act.ts';
export { checkLaid } from './checkLaid.ts';
export { checkCounts, checkInHand, countedFromScratch, NO_COUNTS } from './counts.ts';
export { applied, decide, NO_HISTORY, type History, type LogEntry, type Outcome } from './decide.ts';
export { inverseOf, isSame, touchedBy, touches, type Touch } from './inverse.ts';
export {
  BACK_REASONS,
  BREAK_REASON_CODES,
  BREAK_REASONS,
  breakReasons,
  ownReason,
  readBreakReason,
  reasonWords,
  shortReason,
  type BackReason,
  type BreakReason,
} from './reasons.ts';
export { REFUSAL_CODES, refusalWords, type Refusal, type RefusalCode } from './refusals.ts';
export { disagreements, type StoredRows } from './agreement.ts';
export { differences, replay, type Rows } from './replay.ts';
export {
  DEEDS,
  LOOKS,
  type Deed,
  type Look,
  type RouteStep,
  type RouteVersion,
  type StepCode,
  type StepDefinition,
} from './routes/definition.ts';
export {
  backStep,
  BEGINS,
  checkRoute,
  currentRoute,
  firstStage,
  hasBack,
  isBuiltIn,
  isInHand,
  lastStageOf,
  makeRoute,
  routeOf,
  spokenCode,
  stageIndex,
  stepOf,
  stepsBeforePieces,
  stepThat,
  TAKES_GLASS,
  wantsBack,
  wayOf,
  type Route,
} from './routes/route.ts';
export { buildOf, type Build } from './routes/build.ts';
export { RETIRED_ROUTES, SHIPPED_ROUTES, shippedRows } from './routes/shipped.ts';
export { PIECE as NEW_STEP } from './routes/shippedSteps.ts';
export { Draft, Studio } from './studio.ts';
export { standingOf, type Standing } from './standing.ts';
export {
  AWAY,
  backGlassOf,
  DEFAULT_SETTINGS,
  glassAreaOf,
  jointRowId,
  limitsOf,
  numberedKey,
  pieceRowId,
  QUESTIONS,
  settingsOf,
  TABLE_NAMES,
  type AnswerRow,
  type Away,
  type Commission,
  type Hours,
  type JointRow,
  type MayBeAway,
  type JointRowId,
  type Mishap,
  type Panel,
  type DaySheet,
  type Finish,
  type LeadMarks,
  type Note,
  type Repair,
  type Tray,
  type Wait,
  type NoteAbout,
  NOTES_ABOUT,
  subjectOf,
  type PanelCounts,
  type CommissionRow,
  type PanelRow,
  type Person,
  type Piece,
  type PieceRow,
  type PieceRowId,
  type Question,
  type Reader,
  type RowChange,
  type Settings,
  type StepDone,
  type StockRow,
  type TableName,
  type Row,
  type Tables,
} from './tables.ts';
export { offers, type Names } from './tally/offers.ts';
export { parseTally, type TallyLine, type Vocabulary } from './tally/parse.ts';
export {
  backQuestions,
  readTally,
  vocabularyOf,
  type SourceQuestion,
  type TallyCircumstance,
  type TallyMeaning,
} from './tally/resolve.ts';
export {
  backOf,
  deedWords,
  isLargeAct,
  isOwnAt,
  nextBack,
  placeOf,
  restingOn,
  standing,
  type UndoPlace,
  type Who,
} from './undo.ts';
export { cementChecks, gateChecks, type GateCheck } from './gates.ts';
export { isUpToDate, kindNamed, upToDate } from './upcast.ts';
export { glassStillToCut, tooLargeForRack, wantedBy } from './wanted.ts';
export { WORK_STAGES, workCaution, workWord, type WorkStage } from './works.ts';
