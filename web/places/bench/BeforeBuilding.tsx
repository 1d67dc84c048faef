import { useMemo } from 'react';
import { gateChecks } from '#core/bench';
import { gateWords, nextThing } from '#core/words';
import type { PanelView } from '../../panel/view.ts';
import { useSelection } from '../../state/selection.ts';

/** Before pieces get their foil or lead: what is looked at first, each with a press that picks those it is about. */
export function BeforeBuilding({ view }: { view: PanelView }) {
  const { panel, pieces, answer, glasses } = view;
  const { step } = nextThing(panel, pieces);
  const isDue = step?.look === 'copper' || step?.look === 'leaded';
  const checks = useMemo(
    () => (isDue && answer ? gateChecks(pieces, answer.cuts, glasses, panel.route) : []),
    [isDue, answer, pieces, glasses, panel.route],
  );
  if (checks.length === 0) return null;
  return (
    <section aria-label="Look at this first" className="grid gap-1.5">
      <h3 className="text-[17px]">Before they are {step?.word}</h3>
      <ul className="grid gap-1.5">
        {checks.map((check) => (
          <li key={check.code}>
            <button
              type="button"
              className="min-h-11 w-full border-l-4 border-copper bg-raised px-3 py-1.5 text-left text-[15.5px] hover:bg-soft"
              onClick={() => useSelection.getState().choose(panel.id, check.numbers)}
            >
              {gateWords(check)}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
