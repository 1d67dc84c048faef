import { backingFor, JOINT_G, type Materials } from '../materials/index.ts';
import type { Glass, SupplyListFault } from '../stock/index.ts';
import { count } from '../units/index.ts';

/** Why a list of supplies can not be taken, in one sentence. */
export function supplyListFaultWords(fault: SupplyListFault): string {
  switch (fault.code) {
    case 'empty':
      return 'There is no line in this list.';
    case 'no-column':
      return `A column “${fault.column}” is missing.`;
    case 'too-many':
      return `More than ${fault.most} lines; give it in several lists.`;
    case 'wrong':
      return `Line ${fault.line}: “${fault.text}” does not do for “${fault.column}”.`;
    case 'twice':
      return `Line ${fault.line}: ${fault.text} is in the list twice.`;
  }
}

/** What the back of a foil is to look like, by what of it is seen through the glass of each piece; null has none yet. */
export function backingWords(glasses: readonly (Pick<Glass, 'hiding'> | null)[]): string {
  const known = glasses.flatMap((glass) => (glass ? backingFor(glass.hiding) : []));
  const bare = known.filter((backing) => backing === 'copper').length;
  const seen = known.length - bare;
  if (known.length === 0)
    return 'Behind opal glass copper-backed foil will do; where its back is seen, black or silver-backed, as the solder will be.';
  if (seen === 0) return 'Copper-backed foil will do: its back is seen through no glass of this panel.';
  const backed = 'Black or silver-backed foil, as the solder will be';
  return bare === 0
    ? `${backed}: its back is seen through the glass.`
    : `${backed}, for ${count(seen, 'piece')} through which its back is seen; copper-backed will do for ${bare} of opal.`;
}

/** How much solder goes on a metre of seam, or on a joint. */
export const solderRateWords = ({ foil, solder, seamMm }: Pick<Materials, 'foil' | 'solder' | 'seamMm'>): string =>
  foil === null
    ? `about ${JOINT_G} g of solder a joint`
    : seamMm > 0
      ? `about ${Math.round(solder.massG / (seamMm / 1000))} g of solder a metre of seam`
      : 'no seam to solder';
