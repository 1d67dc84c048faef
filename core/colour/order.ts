import { colourDifference } from './difference.ts';
import { labOf } from './lab.ts';

/** In which order glasses are shown: by their codes, from light to dark, or the most alike to one colour first. */
export const GLASS_ORDERS = ['code', 'light', 'nearest'] as const;
export type GlassOrder = (typeof GLASS_ORDERS)[number];

interface Coloured {
  readonly code: string;
  /** `#rrggbb`, as seen against daylight. */
  readonly colour: string;
}

/** @param to the colour that `nearest` is held against; without one the order is that of the codes */
export function inOrder<G extends Coloured>(glasses: readonly G[], order: GlassOrder, to: string | null): G[] {
  const byCode = [...glasses].sort((a, b) => a.code.localeCompare(b.code));
  if (order === 'code' || (order === 'nearest' && to === null)) return byCode;
  const near = to === null ? null : labOf(to);
  const rank = new Map(
    byCode.map((glass) => {
      const lab = labOf(glass.colour);
      return [glass, order === 'nearest' && near ? colourDifference(near, lab) : -lab.l];
    }),
  );
  return byCode.sort((a, b) => (rank.get(a) ?? 0) - (rank.get(b) ?? 0));
}
