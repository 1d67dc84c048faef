import type { Locked } from '../leading/index.ts';
import { showNumbers } from '../units/index.ts';

/** Why a piece can not be slid in where it stands in the order, and what to do about it. */
export const lockedWords = ({ pieces, by }: Locked): string =>
  by.length === 0
    ? `${showNumbers(pieces, 4)} can not be slid in; open the border where it goes in.`
    : `${showNumbers(pieces, 4)} can not be slid in: ${showNumbers(by, 8)} reach round it; leave one of them out until it is in.`;
