import { refuse, type Act } from '../../act.ts';
import type { StepCode, StepDefinition } from '../../routes/definition.ts';
import { routeOf, stageIndex } from '../../routes/route.ts';
import { liftUnasked } from '../laid.ts';
import { called, named, pickPieces, type AskedPieces, type NamedPieces } from '../picked.ts';

export interface AskSteps extends AskedPieces {
  /** Steps of the panel's route that only pieces go through which ask for them, painted, fired: they do from now on. */
  readonly steps: readonly StepCode[];
  /** Such steps that they go through no more. */
  readonly without?: readonly StepCode[];
}

export interface StepsAsked extends NamedPieces {
  readonly steps: readonly StepCode[];
  readonly words: readonly string[];
  readonly without: readonly StepCode[];
  readonly withoutWords: readonly string[];
}

/** What a piece asks for once some is added and some left out; what is not named stays as it is. */
const asksThen = (asks: readonly StepCode[], { steps, without }: Pick<StepsAsked, 'steps' | 'without'>): StepCode[] =>
  [...new Set([...asks, ...steps])].filter((code) => !without.includes(code));

const codes = (steps: readonly StepDefinition[]) => steps.map((step) => step.code);
const words = (steps: readonly StepDefinition[]) => steps.map((step) => step.word);

/**
 * Some pieces go through more than the others. Those that are past such a step already cannot ask for it any more. Only
 * what is to change is named: two changes that are asked for at the same time are both kept.
 */
export const askSteps: Act<AskSteps, StepsAsked> = {
  version: 2,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'stage', 'asks'] },
  decide: (state, ask) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const { route, pieces } = picked;
    const offered = route.pieceSteps.filter((s) => s.onlyAsked);
    const { steps: wanted, without: unwanted = [] } = ask;
    const unknown = [...wanted, ...unwanted].find((code) => !offered.some((s) => s.code === code));
    if (unknown !== undefined) return refuse('unknown-step', { name: unknown });
    const steps = offered.filter((s) => wanted.includes(s.code) && !unwanted.includes(s.code));
    const without = offered.filter((s) => unwanted.includes(s.code));
    const past = pieces.filter((p) => {
      const at = stageIndex(route, p.stage);
      if (without.some((s) => s.code === p.stage)) return true;
      return steps.some((s) => !p.asks.includes(s.code) && stageIndex(route, s.code) <= at);
    });
    if (past.length > 0)
      return refuse('nothing-to-do', { numbers: past.map((p) => p.number), name: 'further than that' });
    const moving = pieces.filter(
      (p) => steps.some((s) => !p.asks.includes(s.code)) || without.some((s) => p.asks.includes(s.code)),
    );
    if (moving.length === 0) return refuse('nothing-to-do', { numbers: ask.numbers });
    return {
      fact: {
        ...named(ask.panelId, moving),
        ...{ steps: codes(steps), words: words(steps) },
        ...{ without: codes(without), withoutWords: words(without) },
      },
    };
  },
  apply: (draft, fact) => {
    const panel = draft.get('panels', fact.panelId);
    if (!panel) return;
    const route = routeOf(draft, panel);
    const place = (code: StepCode) => stageIndex(route, code);
    const rows = fact.pieces.flatMap((id) => draft.get('pieces', id) ?? []);
    for (const { id, asks } of rows)
      draft.patch('pieces', id, { asks: asksThen(asks, fact).sort((a, b) => place(a) - place(b)) });
    liftUnasked(
      draft,
      fact.pieces.flatMap((id) => draft.get('pieces', id) ?? []),
      route,
    );
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, words, withoutWords }) =>
    `${called(numbers)}: ${[
      ...(words.length > 0 ? [`to be ${words.join(' and ')}`] : []),
      ...(withoutWords.length > 0 ? [`not to be ${withoutWords.join(' or ')}`] : []),
    ].join(', ')}`,
  effect: () => '',
  upcasts: {
    // All that the pieces were to go through was named, so what was not named was left out.
    1: (old: Omit<StepsAsked, 'without' | 'withoutWords'>, { state }): StepsAsked => {
      const panel = state.get('panels', old.panelId);
      const asked = new Set(old.pieces.flatMap((id) => state.get('pieces', id)?.asks ?? []));
      const gone = panel
        ? routeOf(state, panel).pieceSteps.filter((s) => asked.has(s.code) && !old.steps.includes(s.code))
        : [];
      return { ...old, without: codes(gone), withoutWords: words(gone) };
    },
  },
};
