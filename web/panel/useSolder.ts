import { toast } from 'sonner';
import { isBuiltIn, SIDES, type Side } from '#core/bench';
import type { Joint } from '#core/cartoon';
import { contains, type Point } from '#core/geometry';
import { showNumbers } from '#core/units';
import { jointName } from '#core/words';
import { useSend } from '../state/send.ts';
import type { PanelView } from './view.ts';

export interface Solder {
  /** Pieces that are not in place yet: before they are nothing is soldered. */
  readonly missing: readonly number[];
  /** The side that is being soldered: the first one with an open joint. */
  readonly side: Side;
  openOn(side: Side): readonly Joint[];
  tick(side: Side, numbers: readonly number[]): Promise<boolean>;
  /** A tap on a joint says that it is soldered. */
  tap(side: Side, joint: Joint): void;
  /** All that are open within a line drawn round them. */
  tickWithin(side: Side, ring: readonly Point[]): void;
}

/** What is said of the joints of a panel by touch. */
export function useSolder({ panel, pieces, paths }: PanelView): Solder {
  const send = useSend();
  const missing = pieces.filter((p) => !isBuiltIn(panel.route, p)).map((p) => p.number);
  const openOn = (side: Side) => (paths?.cartoon.joints ?? []).filter((j) => !panel.soldered[side].includes(j.number));
  const tick = (side: Side, numbers: readonly number[]) =>
    send.command({ kind: 'solder-joints', ask: { panelId: panel.id, side, joints: [...numbers] } });
  const notYet = () => toast.error(`Not all pieces are in place yet: ${showNumbers(missing, 8)}.`);
  return {
    missing,
    side: SIDES.find((side) => openOn(side).length > 0) ?? 'back',
    openOn,
    tick,
    tap: (side, joint) => {
      if (panel.soldered[side].includes(joint.number))
        toast(`Soldered on the ${side} already: ${jointName(joint)}. Undo takes a tick back.`);
      else if (missing.length > 0) notYet();
      else void tick(side, [joint.number]);
    },
    tickWithin: (side, ring) => {
      const open = openOn(side).filter(({ at }) => contains(ring, at));
      if (open.length === 0) toast(`No open joint of the ${side} lies in there.`);
      else if (missing.length > 0) notYet();
      else
        void tick(
          side,
          open.map(({ number }) => number),
        );
    },
  };
}
