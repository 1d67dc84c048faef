import { keysOf, nth } from '../units/index.ts';

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
export const BREAK_REASON_CODES = keysOf(BREAK_REASONS);

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

const wordsFor = (code: BreakReason): readonly string[] => BREAK_REASONS[code];

/** The reason meant by words, longest wording first; null when none fits. */
export function readBreakReason(words: string): BreakReason | null {
  const text = words.trim().toLowerCase();
  if (text === '') return null;
  for (const code of BREAK_REASON_CODES) if (code === text || wordsFor(code).includes(text)) return code;
  const starts = BREAK_REASON_CODES.filter((code) => wordsFor(code).some((w) => w.startsWith(text)));
  return starts.length === 1 ? nth(starts, 0) : null;
}

/** A reason as a sentence has it. */
export const reasonWords = (reason: BreakReason): string => BREAK_REASONS[reason][0];
