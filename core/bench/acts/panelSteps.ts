import { count } from '../../units/index.ts';
import { refuse, type Act } from '../act.ts';
import { OPTIONAL_STEPS, PANEL_STEPS, type PanelStep } from '../route.ts';
import type { Panel } from '../tables.ts';
import { notInPlace } from './pieceMoves.ts';

export type Side = 'front' | 'back';

export interface SolderJoints {
  readonly panelId: string;
  readonly side: Side;
  readonly joints: readonly number[];
}

/** Ticks joints on one side. When the last one is ticked, that side's soldering is done. */
export const solderJoints: Act<SolderJoints> = {
  undoable: true,
  decide: (state, command) => {
    const panel = state.get('panels', command.panelId);
    if (!panel) return refuse('unknown-panel');
    const unknown = command.joints.filter((j) => j < 1 || j > panel.jointCount);
    if (command.joints.length === 0 || unknown.length > 0) return refuse('unknown-joints', { numbers: unknown });
    const open = command.joints.filter((j) => !panel.soldered[command.side].includes(j));
    if (open.length === 0) return refuse('joints-done', { numbers: command.joints, name: command.side });
    const waiting = notInPlace(state, panel);
    if (waiting.length > 0) return refuse('not-in-place', { numbers: waiting, name: count(waiting.length, 'piece') });
    return { payload: { ...command, joints: open } };
  },
  apply: (draft, { panelId, side, joints }, now) => {
    const panel = draft.get('panels', panelId) as Panel;
    const done = [...panel.soldered[side], ...joints].sort((a, b) => a - b);
    const step: PanelStep = side === 'front' ? 'solder-front' : 'solder-back';
    const steps = done.length === panel.jointCount ? { ...panel.steps, [step]: now.at } : panel.steps;
    draft.patch('panels', panelId, { soldered: { ...panel.soldered, [side]: done }, steps });
  },
};

export interface FinishStep {
  readonly panelId: string;
  readonly step: PanelStep;
}

/** Does one step of the panel; soldering a side ticks every joint of it. */
export const finishStep: Act<FinishStep> = {
  undoable: true,
  decide: (state, command) => {
    const panel = state.get('panels', command.panelId);
    if (!panel) return refuse('unknown-panel');
    const steps = PANEL_STEPS[panel.technique];
    const index = steps.indexOf(command.step);
    if (index < 0) return refuse('not-this-route', { name: command.step });
    if (panel.steps[command.step] !== undefined) return refuse('step-done', { name: command.step });
    const waiting = notInPlace(state, panel);
    if (waiting.length > 0) return refuse('not-in-place', { numbers: waiting, name: count(waiting.length, 'piece') });
    const missing = steps.slice(0, index).find((s) => panel.steps[s] === undefined && !OPTIONAL_STEPS.has(s));
    if (missing !== undefined) return refuse('step-order', { name: missing });
    return { payload: command };
  },
  apply: (draft, { panelId, step }, now) => {
    const panel = draft.get('panels', panelId) as Panel;
    const side = step === 'solder-front' ? 'front' : step === 'solder-back' ? 'back' : null;
    const all = Array.from({ length: panel.jointCount }, (_, i) => i + 1);
    draft.patch('panels', panelId, {
      steps: { ...panel.steps, [step]: now.at },
      soldered: side ? { ...panel.soldered, [side]: all } : panel.soldered,
    });
  },
};
