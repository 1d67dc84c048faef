import { useMemo, useState } from 'react';
import type { LayingPlan } from '#core/laying';
import type { Corner } from '#core/leading';
import type { PanelView } from '../../../panel/view.ts';
import { useSend } from '../../../state/send.ts';
import { useWorked } from '../../../ui/useWorked.ts';
import type { LayingAsk } from '../../../worker/laying.worker.ts';

const begin = () => new Worker(new URL('../../../worker/laying.worker.ts', import.meta.url), { type: 'module' });

/** The stage of a piece that lies in its place, tacked. */
const IN_PLACE = 'in-place';

/** Where somebody stands in laying out a foiled panel; it begins with the first piece that is not in place yet. */
export function useLaying(view: PanelView) {
  const { panel, pieces, settings } = view;
  const send = useSend();
  const [isOn, setOn] = useState(false);
  const [corner, setCorner] = useState<Corner>('bottom-left');
  const [chosen, setChosen] = useState<number | null>(null);
  const plan = useLayingPlan(view, corner, isOn);
  const stages = new Map(pieces.map((piece) => [piece.number, piece.stage]));
  const isPlaced = (piece: number): boolean => stages.get(piece) === IN_PLACE;
  const last = Math.max(0, (plan?.steps.length ?? 1) - 1);
  const first = plan?.steps.findIndex(({ piece }) => !isPlaced(piece)) ?? 0;
  const step = Math.min(last, chosen ?? (first < 0 ? last : first));
  const onPlaced = async (piece: number) => {
    const ask = { panelId: panel.id, numbers: [piece], to: IN_PLACE };
    if (await send.command({ kind: 'advance', ask })) setChosen(Math.min(last, step + 1));
  };
  return {
    isOn,
    plan,
    turn: () => setOn(!isOn),
    sheet: {
      plan,
      joints: view.paths?.cartoon.joints ?? [],
      corner,
      onCorner: (next: Corner) => {
        setCorner(next);
        setChosen(null);
      },
      step,
      onStep: setChosen,
      isPlaced,
      onPlaced: panel.route.pieceSteps.some(({ code }) => code === IN_PLACE)
        ? (piece: number) => void onPlaced(piece)
        : null,
      unit: settings.unit,
    },
  };
}

/** Worked out in a worker; while it is anew the one before stays in sight. */
function useLayingPlan({ panel, pieces, paths }: PanelView, corner: Corner, isWanted: boolean): LayingPlan | null {
  const { cartoonId } = panel;
  // The bench is drawn with every tap: as long as nobody asks, nothing is worked out.
  const sections = isWanted ? JSON.stringify(pieces.map(({ number, section }) => [number, section])) : '';
  const ask = useMemo((): LayingAsk | null => {
    if (!isWanted || !paths) return null;
    return {
      cartoonId,
      cartoon: paths.cartoon,
      corner,
      sections: new Map(JSON.parse(sections) as [number, string | null][]),
    };
  }, [isWanted, paths, cartoonId, corner, sections]);
  const found = useWorked<LayingAsk, LayingPlan>(ask, begin);
  return isWanted && found?.of.cartoonId === cartoonId ? found.answer : null;
}
