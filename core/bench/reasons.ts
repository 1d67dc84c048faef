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

type SharedReason = keyof typeof BREAK_REASONS;
/** One that everybody knows, or one of the studio's own in its own words. */
export type BreakReason = SharedReason | `own:${string}`;
export const BREAK_REASON_CODES = keysOf(BREAK_REASONS);
const OWN = 'own:';
export const ownReason = (words: string): BreakReason => `own:${words}`;

/** All reasons that a studio may name, its own last. */
export const breakReasons = (own: readonly string[]): BreakReason[] => [...BREAK_REASON_CODES, ...own.map(ownReason)];

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

const isShared = (code: BreakReason): code is SharedReason => !code.startsWith(OWN);
const wordsFor = (code: BreakReason): readonly string[] =>
  isShared(code) ? BREAK_REASONS[code] : [code.slice(OWN.length).toLowerCase()];

/**
 * The reason meant by words, longest wording first; null when none fits.
 * @param own reasons of the studio's own
 */
export function readBreakReason(words: string, own: readonly string[] = []): BreakReason | null {
  const text = words.trim().toLowerCase();
  if (text === '') return null;
  const all = breakReasons(own);
  for (const code of all) if (code === text || wordsFor(code).includes(text)) return code;
  const starts = all.filter((code) => wordsFor(code).some((w) => w.startsWith(text)));
  return starts.length === 1 ? nth(starts, 0) : null;
}

/** A reason as a sentence has it. */
export const reasonWords = (reason: BreakReason): string =>
  isShared(reason) ? BREAK_REASONS[reason][0] : reason.slice(OWN.length);

/** A reason as it is said shortest and still known. */
export const shortReason = (reason: BreakReason): string => wordsFor(reason)[1] ?? nth(wordsFor(reason), 0);
