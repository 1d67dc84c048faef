import { refuse, type Act } from '../../act.ts';
import type { StepCode, StepDefinition } from '../../routes/definition.ts';
import { routeOf, stepsBeforePieces, type Route } from '../../routes/route.ts';
import type { JointRowId, Reader } from '../../tables.ts';
import { AT_OF, openJoints, type Side } from '../joints.ts';
import { refuseUnbuilt } from '../picked.ts';
import { stepDoneId } from '../stepDone.ts';

export interface FinishStep {
  readonly panelId: string;
  readonly step: StepCode;
}

export interface StepFinished {
  readonly panelId: string;
  readonly step: StepCode;
  readonly word: string;
  /** Joints that are soldered with it. */
  readonly solders: { readonly side: Side; readonly joints: readonly JointRowId[] } | null;
  readonly delivers: boolean;
}

/** Does one step of the panel; soldering a side ticks every joint of it. */
export const finishStep: Act<FinishStep, StepFinished> = {
  version: 2,
  formerly: ['step'],
  undoIn: 'panel',
  reads: { panels: ['deliveredAt', 'cartoonId'], joints: ['drawn'] },
  decide: (state, ask) => {
    const panel = state.get('panels', ask.panelId);
    if (!panel) return refuse('unknown-panel');
    const route = routeOf(state, panel);
    const step = route.panelSteps.find((s) => s.code === ask.step);
    if (!step) return refuse('not-this-route', { name: ask.step });
    const isDone = (code: StepCode) => state.get('steps', stepDoneId(panel.id, code)) !== undefined;
    if (isDone(step.code)) return refuse('step-done', { name: step.word });
    const unbuilt = stepsBeforePieces(route).includes(step) ? null : refuseUnbuilt(state, panel, route);
    if (unbuilt) return unbuilt;
    const missing = route.panelSteps.find((s) => step.needs.includes(s.code) && !isDone(s.code));
    if (missing) return refuse('step-order', { name: missing.verb.toLowerCase() });
    return { fact: finished(state, panel.id, step) };
  },
  apply: (draft, { panelId, step, solders, delivers }, { at }) => {
    draft.put('steps', { id: stepDoneId(panelId, step), panelId, step, at });
    for (const id of solders?.joints ?? []) draft.patch('joints', id, { [AT_OF[solders?.side ?? 'front']]: at });
    if (delivers) draft.patch('panels', panelId, { deliveredAt: at });
  },
  panelOf: (fact) => fact.panelId,
  told: (fact) => fact.word,
  effect: ({ panelId, step }, state) => {
    const panel = state.get('panels', panelId);
    const definition = panel && stepOfPanel(routeOf(state, panel), step);
    return definition ? `the panel: ${definition.verb.toLowerCase()}` : '';
  },
  upcasts: {
    1: ({ panelId, step }: FinishStep, { state }): StepFinished => {
      const panel = state.get('panels', panelId);
      const definition = panel && stepOfPanel(routeOf(state, panel), step);
      if (!definition) throw new Error(`the log finishes the step “${step}”, which no route has`);
      return finished(state, panelId, definition);
    },
  },
};

const stepOfPanel = (route: Route, code: StepCode): StepDefinition | undefined =>
  route.panelSteps.find((s) => s.code === code);

function finished(state: Reader, panelId: string, step: StepDefinition): StepFinished {
  const side: Side | null = step.deed === 'solders-front' ? 'front' : step.deed === 'solders-back' ? 'back' : null;
  return {
    panelId,
    step: step.code,
    word: step.word,
    solders: side && { side, joints: openJoints(state, panelId, side).map((j) => j.id) },
    delivers: step.deed === 'delivers',
  };
}
