import type { Joint } from '../cartoon/index.ts';
import { count, showNumbers } from '../units/index.ts';

type Named = Pick<Joint, 'number' | 'pieces'>;

/** Where a joint is, as one points at it: by the pieces that meet there; empty where none do. */
export const jointPlace = ({ pieces }: Pick<Named, 'pieces'>): string => {
  const all = [...pieces].sort((a, b) => a - b);
  const last = all.pop();
  if (last === undefined) return '';
  return all.length === 0 ? `at piece ${last}` : `by ${all.join(', ')} and ${last}`;
};

export const jointName = (joint: Named): string =>
  joint.pieces.length === 0 ? `joint ${joint.number}` : `the one ${jointPlace(joint)}`;

/** So many are named one by one. */
const NAMED = 3;

/** How far a side is: `11 of 12 soldered on the back: the one by 4, 5 and 7 is open`. */
export function jointsWords(joints: readonly Named[], soldered: readonly number[], side: string): string {
  const done = new Set(soldered);
  const open = joints.filter((j) => !done.has(j.number));
  const so = `${joints.length - open.length} of ${count(joints.length, 'joint')} soldered on the ${side}`;
  if (open.length === 0 || open.length === joints.length) return `${so}.`;
  if (open.length > NAMED) return `${so}; open: ${showNumbers(open.map((j) => j.number))}.`;
  const names = open.map(jointName);
  return `${so}: ${names.join('; ')} ${open.length === 1 ? 'is' : 'are'} open.`;
}
