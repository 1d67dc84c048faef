import { nth } from '../units/index.ts';
import type { LeadPlan, Locked } from './types.ts';

/** What an order costs beside another one of the same panel. */
export interface OrderBreaks {
  /** Joints where a came would go through, and has to be cut, with the pieces that meet there. */
  readonly cut: readonly { readonly joint: number; readonly pieces: readonly number[] }[];
  /** So many cames there are more; fewer than none where it takes fewer. */
  readonly moreCames: number;
  /** Pieces that can not be slid in where they stand, and could. */
  readonly locked: readonly Locked[];
}

/** @param given the order that somebody wants; the same drawing, corner and joints as the best one */
export function orderBreaks(best: LeadPlan, given: LeadPlan): OrderBreaks {
  const now = passedBy(given);
  const couldSlide = (piece: number) => !best.locked.some(({ pieces }) => pieces.includes(piece));
  return {
    cut: [...passedBy(best)]
      .filter((joint) => !now.has(joint))
      .map((joint) => ({ joint, pieces: roundJoint(given, joint) })),
    moreCames: given.runs.length - best.runs.length,
    locked: given.locked.filter(({ pieces }) => pieces.some(couldSlide)),
  };
}

/** Joints through which a came goes without a cut. */
const passedBy = ({ lines, runs }: LeadPlan): Set<number> =>
  new Set(
    runs.flatMap((run) =>
      run.lines.slice(run.ends[0].kind === 'closed' ? 0 : 1).flatMap((ref) => {
        const { from, to } = nth(lines, ref < 0 ? ~ref : ref);
        return (ref < 0 ? to : from) ?? [];
      }),
    ),
  );

function roundJoint({ joints, lines }: LeadPlan, joint: number): number[] {
  const round = nth(joints, joint).ends.flatMap(({ line }) => [nth(lines, line).left, nth(lines, line).right]);
  return [...new Set(round)].filter((piece) => piece !== null).sort((a, b) => a - b);
}
