import { useState } from 'react';
import { BEGINS } from '#core/bench';
import type { Corner, LeadPlan } from '#core/leading';
import type { PanelView } from '../../../panel/view.ts';
import { useSend } from '../../../state/send.ts';
import { useLeadPlan } from './useLeadPlan.ts';

/** Stages from which a piece is in the lead. */
const LEADED: ReadonlySet<string> = new Set(['leaded', 'in-place']);

/** Where somebody stands in the order of leading; it begins with the first piece that is not leaded yet. */
export function useLeading(view: PanelView) {
  const { panel, pieces, settings } = view;
  const send = useSend();
  const [isOn, setOn] = useState(false);
  const [corner, setCorner] = useState<Corner>('bottom-left');
  const [chosen, setChosen] = useState<number | null>(null);
  const found = useLeadPlan(view, corner, isOn);
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
  return {
    isOn,
    plan,
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
      onLeaded: (piece: number) => void onLeaded(piece),
      unit: settings.unit,
    },
  };
}
