import { useState } from 'react';
import { BEGINS, type AskOf } from '#core/bench';
import { toast } from 'sonner';
import type { Point } from '#core/geometry';
import { jointName, waysThrough, type Corner, type LeadPlan } from '#core/leading';
import { camesOf } from '#core/papers';
import { servesFor } from '#core/stock';
import { nth } from '#core/units';
import { usePlans, useSupplies } from '../../../state/studio.ts';
import type { PanelView } from '../../../panel/view.ts';
import { useSend } from '../../../state/send.ts';
import { useLeadPlan } from './useLeadPlan.ts';

/** A finger reaches a joint so far away, px. */
const REACH_PX = 30;
const NO_MARKS = { cut: [], through: {}, laid: [] } as const;

/** Stages from which a piece is in the lead. */
const LEADED: ReadonlySet<string> = new Set(['leaded', 'in-place']);

/** Where somebody stands in the order of leading; it begins with the first piece that is not leaded yet. */
export function useLeading(view: PanelView) {
  const { panel, pieces, settings } = view;
  const send = useSend();
  const [isOn, setOn] = useState(false);
  const [corner, setCorner] = useState<Corner>('bottom-left');
  const [chosen, setChosen] = useState<number | null>(null);
  const { data: plans } = usePlans(panel.id);
  const { data: shelf } = useSupplies(isOn);
  const marks = plans?.leadMarks ?? NO_MARKS;
  const code = camesOf(panel.allowance).inner?.code ?? '';
  const supply = shelf?.supplies.find((one) => servesFor(one, 'came', code));
  const numberOf = new Map(pieces.map(({ id, number }) => [id, number]));
  const laid = marks.laid.flatMap((id) => numberOf.get(id) ?? []);
  const asked = {
    corner,
    through: marks.through,
    ...(laid.length > 0 ? { order: laid } : {}),
    ...(supply ? { stockMm: supply.packAmount } : {}),
  };
  const found = useLeadPlan(view, asked, isOn && plans !== undefined && shelf !== undefined);
  const plan: LeadPlan | null = found === null || found === 'failed' ? null : found.plan;
  const stages = new Map(pieces.map((piece) => [piece.number, piece.stage]));
  const isLeaded = (piece: number): boolean => LEADED.has(stages.get(piece) ?? BEGINS);
  const last = (plan?.order.length ?? 1) - 1;
  const first = plan?.order.findIndex(({ piece }) => piece !== null && !isLeaded(piece)) ?? 0;
  const hasBegun = pieces.some((piece) => isLeaded(piece.number));
  const step = Math.min(last, chosen ?? (hasBegun ? (first < 0 ? last : first) : 0));
  const onLeaded = async (piece: number) => {
    const ask = { panelId: panel.id, numbers: [piece], to: 'leaded' };
    if (await send.command({ kind: 'advance', ask })) setChosen(Math.min(last, step + 1));
  };
  const mark = (ask: Omit<AskOf<'mark-lead'>, 'panelId'>) =>
    void send.command({ kind: 'mark-lead', ask: { panelId: panel.id, ...ask } });
  /** Lets cames meet in the next way at a joint. */
  const turnJoint = (joint: number) => {
    if (plan === null) return;
    const ways = waysThrough(plan, joint);
    const now = ways.findIndex((way) => way.isTaken);
    const next = nth(ways, (now + 1) % ways.length);
    mark({ through: { joint: jointName(nth(plan.joints, joint).at), deg: next.deg } });
  };
  /** A tap near a joint lets cames meet in the next way there. */
  const tapJoint = ([x, y]: Point, mmPerPx: number) => {
    if (plan === null) return;
    const near = plan.joints
      .map(({ at }, joint) => ({ joint, at, mm: Math.hypot(at[0] - x, at[1] - y) }))
      .filter(({ mm }) => mm <= REACH_PX * mmPerPx)
      .sort((a, b) => a.mm - b.mm)[0];
    if (!near) return;
    if (waysThrough(plan, near.joint).length < 2) toast('Here there is one way alone for cames to meet.');
    else turnJoint(near.joint);
  };
  return {
    isOn,
    plan,
    through: marks.through,
    tapJoint,
    turn: () => setOn(!isOn),
    sheet: {
      found,
      corner,
      onCorner: (next: Corner) => {
        setCorner(next);
        setChosen(null);
      },
      step,
      onStep: setChosen,
      isLeaded,
      joints: plan === null ? [] : openJointsOf(plan, plan.order[step]?.piece ?? null),
      onJoint: turnJoint,
      decided: Object.keys(marks.through).length,
      cut: new Set(marks.cut),
      onCut: (name: string, isCut: boolean) => mark({ cut: { name, isCut } }),
      isOrdered: laid.length > 0,
      onOrder: (order: readonly number[] | null) => mark({ laid: order }),
      onUndecided: () => {
        for (const joint of Object.keys(marks.through)) mark({ through: { joint, deg: null } });
      },
      onLeaded: (piece: number) => void onLeaded(piece),
      unit: settings.unit,
    },
  };
}

/** Joints round a piece where more than one came could go through, with the pieces that meet there. */
function openJointsOf(plan: LeadPlan, piece: number | null): { joint: number; pieces: readonly number[] }[] {
  if (piece === null) return [];
  const round = new Map<number, Set<number>>();
  for (const { from, to, left, right } of plan.lines)
    for (const joint of [from, to])
      if (joint !== null) {
        const there = round.get(joint) ?? new Set<number>();
        for (const side of [left, right]) if (side !== null) there.add(side);
        round.set(joint, there);
      }
  return [...round]
    .filter(([joint, there]) => there.has(piece) && waysThrough(plan, joint).length > 1)
    .map(([joint, there]) => ({ joint, pieces: [...there].sort((a, b) => a - b) }));
}
