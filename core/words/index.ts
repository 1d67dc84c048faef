export { holdingWords } from './laying.ts';
export { jointName, jointPlace, jointsWords } from './joints.ts';
export {
  cartoonFindingWords,
  crossingsFolded,
  cuttingFindingWords,
  editRefusalWords,
  panelFindingWords,
  repairWords,
  proposalWords,
  scoreWords,
} from './findings.ts';
export { askedWords } from './asked.ts';
export { cureWords, misfitWords } from './misfit.ts';
export { borderWords, profileWords } from './profiles.ts';
export { panelWonder } from './panelWonder.ts';
export { borderMarks, hiddenWords, lineWords, type BorderMark } from './border.ts';
export { nextStep, nextThing, progressOf, standingWords, tallyOf, waitOf, type NextThing } from './next.ts';
export { drawingRefusalWords } from './drawingRefusals.ts';
export { TECHNIQUE_WORDS } from './terms.ts';
export { receiptFaultWords } from './receipts.ts';
export { endsWords, lockedWords, orderBreaksWords, runWords } from './lead.ts';
export { backingWords, solderRateWords, supplyListFaultWords } from './supplies.ts';
export { materialsFindingWords } from './materials.ts';
export { tallyWords } from './tally.ts';
export { pieceSaid } from './said.ts';
export {
  breakOutWords,
  breakWords,
  idsCalled,
  jobFaultWords,
  layingWords,
  stripWords,
  sizeWords,
  measureWords,
  unplacedWords,
} from './layout.ts';
export { textureWords } from './glass.ts';
export { stepCodeFor, stepWords } from './routes.ts';
export { gateWords } from './gates.ts';
export {
  EDGE_WHY,
  hangingFindingWords,
  lampWords,
  lastLightWords,
  outerGlassWords,
  playWords,
  stiffeningWords,
} from './finish.ts';
