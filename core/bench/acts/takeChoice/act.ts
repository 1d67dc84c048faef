import { refuse, type Act } from '../../act.ts';
import { BEGINS } from '../../routes/route.ts';
import type { PieceRowId } from '../../tables.ts';
import { choiceNamed } from '../choiceId.ts';
import type { KeepChoice } from '../keepChoice/act.ts';
import { liftOther } from '../laid.ts';
import { called } from '../picked.ts';

export interface ChoiceTaken extends KeepChoice {
  readonly pieces: readonly { readonly id: PieceRowId; readonly glassId: string }[];
  readonly numbers: readonly number[];
}

/** Gives the pieces that are not cut yet the glass of a kept choice. What is cut keeps its glass. */
export const takeChoice: Act<KeepChoice, ChoiceTaken> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['glassId', 'stage', 'drawn'], choices: ['glasses'] },
  decide: (state, { panelId, name }) => {
    const choice = choiceNamed(state, panelId, name);
    if (!choice) return refuse('unknown-choice', { name });
    const changing = [...state.ask('piecesOfPanel', panelId)]
      .sort((a, b) => a.number - b.number)
      .flatMap(({ id, number, stage, glassId }) => {
        const other = choice.glasses[id];
        const isThere = other !== undefined && state.get('glasses', other)?.away !== 'deleted';
        return isThere && stage === BEGINS && other !== glassId && state.get('glasses', other)
          ? [{ id, number, glassId: other }]
          : [];
      });
    if (changing.length === 0) return refuse('nothing-changes');
    return {
      fact: {
        panelId,
        name: choice.name,
        pieces: changing.map(({ id, glassId }) => ({ id, glassId })),
        numbers: changing.map((p) => p.number),
      },
    };
  },
  apply: (draft, { pieces }) => {
    liftOther(
      draft,
      pieces.map((p) => p.id),
    );
    for (const { id, glassId } of pieces) draft.patch('pieces', id, { glassId });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ name, numbers }) => `choice of glass “${name}” taken: ${called(numbers)}`,
  effect: ({ name }) => `choice of glass “${name}” taken`,
  upcasts: {},
};
