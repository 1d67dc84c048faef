import { isNewId } from './ids.ts';

/** What a new thing is named by, made anew at each press. */
const NAMES = new Set(['id', 'moveId']);
/** What was asked for last, as long as it is on its way. */
let last: { readonly key: string; readonly sending: Promise<boolean> } | null = null;

/**
 * Sends, unless the very same was asked for just before and is on its way: then that is what was meant, for a finger that
 * presses twice means it once. With something else asked for between them it is meant again.
 * @param asked all that tells it from another act
 */
export function once(asked: object, send: () => Promise<boolean>): Promise<boolean> {
  const key = JSON.stringify(asked, (name, value: unknown) => (NAMES.has(name) && isNewId(value) ? null : value));
  if (last?.key === key) return last.sending;
  const mine = {
    key,
    sending: send().finally(() => {
      if (last === mine) last = null;
    }),
  };
  last = mine;
  return mine.sending;
}
