import { count } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import { isSame } from '../../inverse.ts';
import { choiceId, choiceNamed } from '../choiceId.ts';

export interface KeepChoice {
  readonly panelId: string;
  /** What the choice is called; one of that name is replaced. */
  readonly name: string;
}

export interface ChoiceKept extends KeepChoice {
  /** Ids of glasses by ids of pieces; those without glass are left out. */
  readonly glasses: Readonly<Record<string, string>>;
}

/** Keeps the glass that every piece of a panel has now under a name, to be compared with others and taken again. */
export const keepChoice: Act<KeepChoice, ChoiceKept> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['glassId', 'drawn'] },
  decide: (state, { panelId, name }) => {
    if (!state.get('panels', panelId)) return refuse('unknown-panel');
    const pieces = [...state.ask('piecesOfPanel', panelId)].sort((a, b) => a.number - b.number);
    const glasses = Object.fromEntries(pieces.flatMap(({ id, glassId }) => (glassId === null ? [] : [[id, glassId]])));
    if (Object.keys(glasses).length === 0) return refuse('no-glass', { numbers: pieces.map((p) => p.number) });
    if (isSame(choiceNamed(state, panelId, name)?.glasses, glasses)) return refuse('nothing-changes');
    return { fact: { panelId, name, glasses } };
  },
  apply: (draft, { panelId, name, glasses }) =>
    draft.put('choices', { id: choiceId(panelId, name), panelId, name, glasses }),
  panelOf: (fact) => fact.panelId,
  told: ({ name, glasses }) => `choice of glass “${name}” kept: ${count(Object.keys(glasses).length, 'piece')}`,
  effect: ({ name }) => `choice of glass “${name}” kept`,
  upcasts: {},
};
