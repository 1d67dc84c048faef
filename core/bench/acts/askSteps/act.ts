import { refuse, type Act } from '../../act.ts';
import type { StepCode } from '../../routes/definition.ts';
import { routeOf, stageIndex } from '../../routes/route.ts';
import { liftUnasked } from '../laid.ts';
import { called, named, pickPieces, type AskedPieces, type NamedPieces } from '../picked.ts';

export interface AskSteps extends AskedPieces {
  /** Steps of the panel's route that only pieces go through which ask for them: painted, fired. */
  readonly steps: readonly StepCode[];
}

export interface StepsAsked extends NamedPieces {
  readonly steps: readonly StepCode[];
  readonly words: readonly string[];
}

/** Some pieces go through more than the others. Those that are past such a step already cannot ask for it any more. */
export const askSteps: Act<AskSteps, StepsAsked> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'stage', 'asks'] },
  decide: (state, ask) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const { route, pieces } = picked;
    const offered = route.pieceSteps.filter((s) => s.onlyAsked);
    const unknown = ask.steps.find((code) => !offered.some((s) => s.code === code));
    if (unknown !== undefined) return refuse('unknown-step', { name: unknown });
    const steps = offered.filter((s) => ask.steps.includes(s.code));
    const past = pieces.filter((p) => {
      const at = stageIndex(route, p.stage);
      const stands = offered.find((s) => s.code === p.stage);
      if (stands && !steps.includes(stands)) return true;
      return steps.some((s) => !p.asks.includes(s.code) && stageIndex(route, s.code) <= at);
    });
    if (past.length > 0)
      return refuse('nothing-to-do', { numbers: past.map((p) => p.number), name: 'further than that' });
    const moving = pieces.filter((p) => p.asks.length !== steps.length || steps.some((s) => !p.asks.includes(s.code)));
    if (moving.length === 0) return refuse('nothing-to-do', { numbers: ask.numbers });
    return {
      fact: { ...named(ask.panelId, moving), steps: steps.map((s) => s.code), words: steps.map((s) => s.word) },
    };
  },
  apply: (draft, { panelId, pieces, steps }) => {
    for (const id of pieces) draft.patch('pieces', id, { asks: steps });
    const panel = draft.get('panels', panelId);
    if (panel)
      liftUnasked(
        draft,
        pieces.flatMap((id) => draft.get('pieces', id) ?? []),
        routeOf(draft, panel),
      );
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, words }) =>
    `${called(numbers)}: ${words.length ? `to be ${words.join(' and ')}` : 'the usual steps'}`,
  effect: () => '',
  upcasts: {},
};
