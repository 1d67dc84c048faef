import type { PlansAnswer } from '#contract';
import type { Desk } from '../desk.ts';

/** What is decided on a panel beside its pieces; null where there is no such panel. */
export function plansAnswer({ seq, state }: Desk, panelId: string): PlansAnswer | null {
  if (!state.get('panels', panelId)) return null;
  return {
    seq,
    finish: state.get('finishes', panelId) ?? null,
    leadMarks: state.get('leadMarks', panelId) ?? null,
    trays: [...state.ask('traysOfPanel', panelId)],
    repairs: [...state.ask('repairsOfPanel', panelId)].sort((a, b) => b.openedAt - a.openedAt),
    waits: [...state.ask('waitsOfPanel', panelId)],
    used: [...state.ask('supplyMovesOfPanel', panelId)],
  } as PlansAnswer;
}
