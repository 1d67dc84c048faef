export {
  cartoonFindingWords,
  cuttingFindingWords,
  editRefusalWords,
  panelFindingWords,
  repairWords,
  scoreWords,
} from './findings.ts';
export { effectWords, happeningWords } from './happenings.ts';
export { nextStep, nextThing, progressOf, tallyOf, waitOf, type NextThing } from './next.ts';
export { drawingRefusalWords, refusalWords } from './refusals.ts';
export {
  CAUTIONS,
  reasonWords,
  STAGE_VERBS,
  STAGE_WORDS,
  STEP_DONE,
  STEP_WORDS,
  TECHNIQUE_WORDS,
  WORK_WORDS,
} from './terms.ts';
