import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { repairSteps } from '../../repairs.ts';

export interface GoOnRepair {
  readonly id: string;
  readonly step: string;
}

export interface RepairWentOn extends GoOnRepair {
  readonly panelId: string;
  readonly number: number;
  readonly says: string;
  readonly isLast: boolean;
}

/** One step of a repair is done; with the last one it is closed. */
export const goOnRepair: Act<GoOnRepair, RepairWentOn> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { repairs: ['done', 'closedAt'] },
  decide: (state, ask) => {
    const repair = state.get('repairs', ask.id);
    const panel = repair && state.get('panels', repair.panelId);
    if (!repair || !panel) return refuse('unknown-repair');
    const steps = repairSteps(repair.way, panel.technique);
    const step = steps.find((one) => one.code === ask.step);
    if (!step) return refuse('not-this-route', { name: ask.step });
    if (repair.done.includes(step.code)) return refuse('step-done', { name: step.says });
    const { panelId, number } = repair;
    const isLast = repair.done.length + 1 === steps.length;
    return { fact: { ...ask, panelId, number, says: step.says, isLast } };
  },
  apply: (draft, { id, step, isLast }, { at }) => {
    const done = draft.get('repairs', id)?.done ?? [];
    draft.patch('repairs', id, { done: [...done, step], closedAt: isLast ? at : null });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ number, says, isLast }) => `repair of ${number}: ${says.replace(/\.$/, '')}${isLast ? '; mended' : ''}`,
  effect: NO_WORDS,
  upcasts: {},
};
