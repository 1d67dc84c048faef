import type { Corner } from '#core/leading';

/** Where a panel is built from. */
export const CORNER_WORDS: Readonly<Record<Corner, string>> = {
  'bottom-left': 'bottom left',
  'bottom-right': 'bottom right',
  'top-left': 'top left',
  'top-right': 'top right',
};
