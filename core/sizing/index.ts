export {
  allowanceFor,
  DEFAULT_ALLOWANCE,
  type LineAllowance,
  type OutlineMeaning,
  type Technique,
} from './allowance.ts';
export {
  cutOfRing,
  cutOutline,
  cutOutlines,
  edgeKeeps,
  innerOffset,
  outerLines,
  outlineOffset,
  type CutPiece,
} from './cutOutline.ts';
export {
  borderEdges,
  drawnSize,
  evenOutside,
  finishedSize,
  fitsInto,
  outsideOf,
  outsideOfOutline,
  panelInOpening,
  rimCode,
  type BorderEdges,
  type Opening,
  type Outside,
} from './border.ts';
export { cameBands, type CameBand } from './cames.ts';
export { misfitOf, type Misfit } from './fitting.ts';
export { worstGrowth, type Scan } from './growth.ts';
export {
  CAME_METALS,
  innerKeeps,
  PROFILE_CODE,
  readProfile,
  rimKeeps,
  rimOf,
  USUAL_METAL_BORDERS,
  USUAL_PROFILES,
  type CameMetal,
  type CameProfile,
  type Keeps,
  type Profile,
} from './profiles.ts';
export { sightLine } from './sightLine.ts';
