/** So many wrong tries are anybody's slips. */
const FREE = 4;
/** From all devices together: somebody goes from address to address. */
const FREE_TOGETHER = 40;
const FIRST_PAUSE_MS = 10_000;
const LONGEST_PAUSE_MS = 60 * 60_000;

/** How long after so many wrong tries, one after the other, the next is not looked at: each time twice as long. */
export function pauseAfter(wrong: number, isTogether = false): number {
  const over = wrong - (isTogether ? FREE_TOGETHER : FREE);
  return over <= 0 ? 0 : Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (over - 1));
}
