import { count, showNumbers } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import type { StepCode } from '../../routes/definition.ts';
import { routeOf, stepThat } from '../../routes/route.ts';
import { numberedKey, type JointRowId, type Reader } from '../../tables.ts';
import { refuseUnbuilt } from '../picked.ts';
import { AT_OF, jointsOf, openJoints, type Side } from '../joints.ts';
import { stepDoneId } from '../stepDone.ts';

export interface SolderJoints {
  readonly panelId: string;
  readonly side: Side;
  /** By their running numbers. */
  readonly joints: readonly number[];
}

export interface JointsSoldered {
  readonly panelId: string;
  readonly side: Side;
  readonly joints: readonly JointRowId[];
  readonly numbers: readonly number[];
  /** The step of the panel that is done with the last of them; null where some are left. */
  readonly ends: StepCode | null;
}

/** Ticks joints on one side. When the last one is ticked, that side's soldering is done. */
export const solderJoints: Act<SolderJoints, JointsSoldered> = {
  version: 2,
  formerly: ['joints'],
  undoIn: 'panel',
  reads: { joints: ['number', 'drawn'] },
  decide: (state, ask) => {
    const panel = state.get('panels', ask.panelId);
    if (!panel) return refuse('unknown-panel');
    const numbers = [...new Set(ask.joints)];
    const rows = numbers.map((n) => [...state.ask('jointNumbered', numberedKey(panel.id, n))][0]);
    const unknown = numbers.filter((_, i) => !rows[i]);
    if (numbers.length === 0 || unknown.length > 0) return refuse('unknown-joints', { numbers: unknown });
    const at = AT_OF[ask.side];
    const open = rows.filter((j) => j !== undefined && j[at] === null).filter((j) => j !== undefined);
    if (open.length === 0) return refuse('joints-done', { numbers, name: ask.side });
    const route = routeOf(state, panel);
    const unbuilt = refuseUnbuilt(state, panel, route);
    if (unbuilt) return unbuilt;
    const step = stepThat(route, ask.side === 'front' ? 'solders-front' : 'solders-back');
    const isLast = openJoints(state, panel.id, ask.side).length === open.length;
    return {
      fact: {
        panelId: panel.id,
        side: ask.side,
        joints: open.map((j) => j.id),
        numbers: open.map((j) => j.number),
        ends: isLast && step ? step.code : null,
      },
    };
  },
  apply: (draft, { panelId, side, joints, ends }, { at }) => {
    for (const id of joints) draft.patch('joints', id, { [AT_OF[side]]: at });
    if (ends !== null) draft.put('steps', { id: stepDoneId(panelId, ends), panelId, step: ends, at });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, side }) =>
    `${numbers.length === 1 ? 'joint' : 'joints'} ${showNumbers(numbers, 10)} soldered on the ${side}`,
  effect: ({ joints, side }) => `${count(joints.length, 'joint')} soldered on the ${side}: ${showNumbers(joints, 8)}`,
  upcasts: {
    1: ({ panelId, side, joints }: SolderJoints, { state }): JointsSoldered => {
      const numbers = [...new Set(joints)];
      const rows = jointsOf(state, panelId).filter((j) => numbers.includes(j.number));
      const isLast = openJoints(state, panelId, side).every((j) => numbers.includes(j.number));
      return {
        panelId,
        side,
        numbers,
        joints: rows.filter((j) => j[AT_OF[side]] === null).map((j) => j.id),
        ends: isLast ? endOf(state, panelId, side) : null,
      };
    },
  },
};

function endOf(state: Reader, panelId: string, side: Side): StepCode | null {
  const panel = state.get('panels', panelId);
  if (!panel) return null;
  return stepThat(routeOf(state, panel), side === 'front' ? 'solders-front' : 'solders-back')?.code ?? null;
}
