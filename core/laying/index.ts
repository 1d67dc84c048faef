export { layOutPlan, type LaidStep, type LayingPlan } from './layOut.ts';
export { type Holding, type Strip } from './strips.ts';
