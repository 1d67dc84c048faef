import { NO_WORDS, refuse, type Act } from '../../act.ts';

export interface MarkLead {
  readonly panelId: string;
  /** A piece of came on the cut list by its name, and whether it is cut. */
  readonly cut?: { readonly name: string; readonly isCut: boolean } | undefined;
  /**
   * At a joint, by its place, the direction in which the came that goes through leaves it, whole degrees; null leaves it
   * to the reckoning.
   */
  readonly through?: { readonly joint: string; readonly deg: number | null } | undefined;
}

/** A came of the list is cut; or at a joint another came goes through than was worked out. */
export const markLead: Act<MarkLead> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { leadMarks: ['cut', 'through'] },
  decide: (state, ask) => {
    if (!state.get('panels', ask.panelId)) return refuse('unknown-panel');
    if (!ask.cut && !ask.through) return refuse('nothing-changes');
    return { fact: ask };
  },
  apply: (draft, { panelId, cut, through }) => {
    const { cut: old = [], through: ways = {} } = draft.get('leadMarks', panelId) ?? {};
    const others = cut ? old.filter((name) => name !== cut.name) : old;
    const { [through?.joint ?? '']: _, ...rest } = ways;
    draft.put('leadMarks', {
      id: panelId,
      panelId,
      cut: cut?.isCut ? [...others, cut.name] : others,
      through: through && through.deg !== null ? { ...rest, [through.joint]: through.deg } : through ? rest : ways,
    });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ cut, through }) =>
    cut
      ? `came ${cut.name} ${cut.isCut ? 'cut' : 'not cut after all'}`
      : through?.deg === null
        ? 'which came goes through left to the reckoning'
        : 'another came goes through',
  effect: NO_WORDS,
  upcasts: {},
};
