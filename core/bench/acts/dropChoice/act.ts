import { refuse, type Act } from '../../act.ts';
import { choiceId, choiceNamed } from '../choiceId.ts';
import type { KeepChoice } from '../keepChoice/act.ts';

/** A kept choice of glass is not wanted any more. */
export const dropChoice: Act<KeepChoice> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { choices: ['glasses'] },
  decide: (state, { panelId, name }) => {
    const known = choiceNamed(state, panelId, name);
    return known ? { fact: { panelId, name: known.name } } : refuse('unknown-choice', { name });
  },
  apply: (draft, { panelId, name }) => draft.remove('choices', choiceId(panelId, name)),
  panelOf: (fact) => fact.panelId,
  told: ({ name }) => `choice of glass “${name}” given up`,
  effect: ({ name }) => `choice of glass “${name}” given up`,
  upcasts: {},
};
