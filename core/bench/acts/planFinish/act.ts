import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { USUAL_FINISH, type FinishPlan } from '../../../finish/index.ts';

export interface PlanFinish {
  readonly panelId: string;
  /** What changes; the rest stays as it is. */
  readonly plan: Partial<Omit<FinishPlan, 'measured'>>;
  /** The finished panel, measured. */
  readonly measured?: { readonly widthMm: number; readonly heightMm: number } | undefined;
}

export interface FinishPlanned {
  readonly panelId: string;
  readonly plan: FinishPlan;
  readonly measured: { readonly widthMm: number; readonly heightMm: number } | null;
}

/** How a panel is to be finished, hung or fitted; or what it measures when it is done. */
export const planFinish: Act<PlanFinish, FinishPlanned> = {
  version: 2,
  formerly: [],
  undoIn: 'panel',
  reads: { finishes: [] },
  decide: (state, { panelId, plan, measured = null }, { at }) => {
    if (!state.get('panels', panelId)) return refuse('unknown-panel');
    const { id: _, rev: __, panelId: ___, ...old } = state.get('finishes', panelId) ?? { ...NO_ROW, ...USUAL_FINISH };
    const size = measured === null ? {} : { measured: { ...measured, at } };
    return { fact: { panelId, plan: { ...old, ...plan, ...size }, measured } };
  },
  apply: (draft, { panelId, plan }) => draft.put('finishes', { id: panelId, panelId, ...plan }),
  panelOf: (fact) => fact.panelId,
  told: ({ measured }) =>
    measured === null
      ? 'its finish planned'
      : `finished it measures ${measured.widthMm.toFixed(1)} × ${measured.heightMm.toFixed(1)} mm`,
  effect: NO_WORDS,
  upcasts: { 1: (old: FinishPlanned): FinishPlanned => ({ ...old, plan: { ...old.plan, tier: null } }) },
};

const NO_ROW = { id: '', rev: 0, panelId: '' };
