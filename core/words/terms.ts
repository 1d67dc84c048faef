import { BREAK_REASONS, type BreakReason, type PanelStep, type Stage, type WorkStage } from '../bench/index.ts';
import type { Technique } from '../sizing/index.ts';

/** Stages as the bench calls them. */
export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  'to-cut': 'to cut',
  cut: 'cut',
  ground: 'ground',
  foiled: 'foiled',
  leaded: 'leaded',
  'in-place': 'in place',
};
/** What is done to reach a stage, as an order. */
export const STAGE_VERBS: Readonly<Record<Stage, string>> = {
  'to-cut': 'Draw',
  cut: 'Cut',
  ground: 'Grind',
  foiled: 'Foil',
  leaded: 'Lead up',
  'in-place': 'Lay out and tack',
};
export const STEP_WORDS: Readonly<Record<PanelStep, string>> = {
  'solder-front': 'solder the front',
  'solder-back': 'solder the back',
  rim: 'bead the rim',
  cement: 'cement',
  patina: 'patina',
  wash: 'wash',
  wax: 'wax',
  deliver: 'deliver',
};
export const STEP_DONE: Readonly<Record<PanelStep, string>> = {
  'solder-front': 'front soldered',
  'solder-back': 'back soldered',
  rim: 'rim beaded',
  cement: 'cemented',
  patina: 'patina on',
  wash: 'washed',
  wax: 'waxed',
  deliver: 'delivered',
};
export const TECHNIQUE_WORDS: Readonly<Record<Technique, string>> = { foil: 'copper foil', lead: 'leaded' };
export const WORK_WORDS: Readonly<Record<WorkStage, string>> = {
  design: 'Drawing',
  cutting: 'Cutting',
  grinding: 'Grinding',
  foiling: 'Foiling',
  leading: 'Leading',
  soldering: 'Soldering',
  finishing: 'Finishing',
  other: 'Other',
};
export const reasonWords = (reason: BreakReason): string => BREAK_REASONS[reason][0];

/** Short cautions at the step where they matter. They defer to labels, local codes and licensed trades. */
export const CAUTIONS: Readonly<Partial<Record<WorkStage | PanelStep, string>>> = {
  cutting: 'Eye protection when scoring and breaking; sweep often.',
  grinding: 'Eye protection; keep the sponge wet; textured glass has needle-sharp edges.',
  leading: 'Lead: no eating or smoking at the bench, gloves or washing, wet cleaning only, children away.',
  soldering: 'Fume extraction or a respirator for flux and solder; wash hands; follow the labels.',
  cement: 'Lead dust and cement: gloves, wet cleaning, no dry sweeping; follow the label.',
  patina: 'Patina and flux are corrosive or toxic: gloves, eye protection, follow the label.',
  deliver:
    'Doors, low, overhead or wet places: the local safety-glazing code decides. Leave structural fixings to those licensed.',
};
