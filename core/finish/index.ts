export { barAt, stiffeningOf, tiesOf, type Bar, type Hinge, type Stiffening } from './bars.ts';
export { gravityOf, type Gravity } from './centre.ts';
export { edgeFor, footDepth, frameFor, REBATE_PLAY_MM, SANDED_MM, type EdgeReason, type Frame } from './edges.ts';
export {
  LAMP_CAUTION,
  fittingSteps,
  fittingTools,
  placeCaution,
  playIn,
  type FittingStep,
  type Play,
} from './fitting.ts';
export { lampFitting, type LampFitting } from './lamp.ts';
export { fittingOrder, type FittingOrder, type Light } from './lights.ts';
export { outerGlassFor, type OuterGlass } from './outer.ts';
export { bestRings, hangingOn, ringPlaces, type Hanging, type HangingFinding, type RingPlace } from './hanging.ts';
export {
  BEDDINGS,
  EDGES,
  SPOTS,
  USUAL_FINISH,
  WAYS_TO_HOLD,
  type Bedding,
  type EdgeKind,
  type FinishPlan,
  type FittingPlace,
  type MeasuredSize,
  type WayToHold,
  isBeddedInSealant,
} from './plan.ts';
export { gaugeMm, ratedKg, wireFor, type WireChoice } from './wire.ts';
