import type { Technique } from '../sizing/index.ts';

export type Stage = 'to-cut' | 'cut' | 'ground' | 'foiled' | 'leaded' | 'in-place';

/** The stages a piece goes through. Lead: a leaded piece stands in its came, so that is its place. */
export const ROUTES: Readonly<Record<Technique, readonly Stage[]>> = {
  foil: ['to-cut', 'cut', 'ground', 'foiled', 'in-place'],
  lead: ['to-cut', 'cut', 'ground', 'leaded'],
};

/** What is done to the panel as a whole, in order, once its pieces stand. */
export type PanelStep = 'solder-front' | 'solder-back' | 'rim' | 'cement' | 'patina' | 'wash' | 'wax' | 'deliver';

export const PANEL_STEPS: Readonly<Record<Technique, readonly PanelStep[]>> = {
  foil: ['solder-front', 'solder-back', 'rim', 'patina', 'wash', 'wax', 'deliver'],
  lead: ['solder-front', 'solder-back', 'cement', 'wash', 'patina', 'wax', 'deliver'],
};
/** Steps that a studio may leave out. */
export const OPTIONAL_STEPS: ReadonlySet<PanelStep> = new Set(['patina', 'wax', 'rim', 'wash']);

/** Minutes to wait after a step before the next one; from memory, and the label on the tin goes first. */
export const STEP_WAIT_MIN: Readonly<Partial<Record<PanelStep, number>>> = { cement: 24 * 60, wax: 5 };

/** Places of work that hours are booked to. */
export const WORK_STAGES = [
  'design',
  'cutting',
  'grinding',
  'foiling',
  'leading',
  'soldering',
  'finishing',
  'other',
] as const;
export type WorkStage = (typeof WORK_STAGES)[number];

/** Where a stage stands in its route; −1 when the route does not have it. */
export const stageIndex = (technique: Technique, stage: Stage): number => ROUTES[technique].indexOf(stage);
/** The stage at which every piece is built in. */
export const lastStage = (technique: Technique): Stage => ROUTES[technique].at(-1) as Stage;

/** Why a piece broke or had to be cut again, with words that the tally line knows it by. */
export const BREAK_REASONS = {
  'score-ran-off': ['score ran off', 'ran off', 'score'],
  'inside-curve': ['inside curve broke', 'inside curve', 'inside', 'curve'],
  'point-snapped': ['point snapped', 'point', 'snapped'],
  dropped: ['broke in the hand or dropped', 'dropped', 'hand', 'in the hand'],
  brittle: ['glass badly annealed or brittle', 'brittle', 'annealed'],
  chipped: ['chipped at the grinder', 'chipped', 'chip', 'grinder'],
  'too-small': ['ground too small', 'too small', 'small'],
  'wrong-glass': ['wrong glass', 'glass'],
  'wrong-face': ['wrong face', 'face'],
  'wrong-grain': ['grain wrong way or upside down', 'wrong grain', 'grain', 'upside down'],
  'does-not-fit': ['does not fit its neighbours', 'does not fit', 'fit'],
  heat: ['cracked by heat', 'heat'],
  turning: ['cracked while turning or cleaning', 'turning', 'cleaning'],
  'found-late': ['crack found after finishing', 'found late'],
  scratched: ['scratched', 'scratch'],
  firing: ['paint or firing fault', 'paint', 'firing'],
  lost: ['lost'],
  client: ['client changed their mind', 'client'],
} as const satisfies Record<string, readonly [string, ...string[]]>;

export type BreakReason = keyof typeof BREAK_REASONS;
export const BREAK_REASON_CODES = Object.keys(BREAK_REASONS) as [BreakReason, ...BreakReason[]];

/** Why a piece goes back a stage without breaking. */
export const BACK_REASONS = [
  'marked too early',
  'rough edge',
  'foil off centre',
  'foil lifted',
  'does not sit',
  'taken out again',
  'other',
] as const;
export type BackReason = (typeof BACK_REASONS)[number];

/** The reason meant by words, longest wording first; null when none fits. */
export function readBreakReason(words: string): BreakReason | null {
  const text = words.trim().toLowerCase();
  if (text === '') return null;
  for (const code of BREAK_REASON_CODES)
    if (code === text || (BREAK_REASONS[code] as readonly string[]).includes(text)) return code;
  const starts = BREAK_REASON_CODES.filter((code) =>
    (BREAK_REASONS[code] as readonly string[]).some((w) => w.startsWith(text)),
  );
  return starts.length === 1 ? (starts[0] as BreakReason) : null;
}
