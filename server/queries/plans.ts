import type { PlansAnswer } from '#contract';
import type { Desk } from '../desk.ts';

/** What is decided on a panel beside its pieces; null where there is no such panel. */
export function plansAnswer({ seq, state }: Desk, panelId: string): PlansAnswer | null {
  const panel = state.get('panels', panelId);
  if (!panel) return null;
  return {
    seq,
    finish: state.get('finishes', panelId) ?? null,
    leadMarks: state.get('leadMarks', panelId) ?? null,
    trays: [...state.ask('traysOfPanel', panelId)],
    repairs: [...state.ask('repairsOfPanel', panelId)].sort((a, b) => b.openedAt - a.openedAt),
    waits: [...state.ask('waitsOfPanel', panelId)],
    used: [...state.ask('supplyMovesOfPanel', panelId)],
    lights: lightsOf(state, panel.commissionId),
  } as PlansAnswer;
}

/** Panels of a job that stand in one opening, each in its row. */
function lightsOf(state: Desk['state'], commissionId: string): PlansAnswer['lights'] {
  const set = state.where('panels', 'commission_id = ? and away is null order by rowid', commissionId);
  return set.flatMap(({ id, name, widthMm, opening }) => {
    const { tier = null, measured = null } = state.get('finishes', id) ?? {};
    const openingMm = opening?.widthMm ?? null;
    return tier === null ? [] : [{ id, name, tier, widthMm: measured?.widthMm ?? widthMm, openingMm }];
  });
}
