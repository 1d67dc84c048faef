import type { Technique } from '../../../sizing/index.ts';
import { NO_WORDS, refuse, type Act } from '../../act.ts';
import type { StepDefinition } from '../../routes/definition.ts';
import { checkRoute, currentRoute } from '../../routes/route.ts';
import { stepRowId } from '../../routes/shipped.ts';

export interface SaveRoute {
  readonly key: string;
  readonly name: string;
  readonly technique: Technique;
  /** In order; those of pieces before those of the panel. */
  readonly steps: readonly StepDefinition[];
}

export interface RouteSaved extends SaveRoute {
  readonly version: number;
  readonly id: string;
}

/** A new version of a route, or a new route. Panels under way keep the version they have. */
export const saveRoute: Act<SaveRoute, RouteSaved> = {
  version: 1,
  formerly: [],
  undoIn: null,
  reads: {},
  decide: (state, ask) => {
    const [problem] = checkRoute(ask.steps);
    if (problem !== undefined) return refuse('route-unsound', { name: problem });
    const version = (currentRoute(state, ask.key)?.version ?? 0) + 1;
    return { fact: { ...ask, version, id: `${ask.key}@${version}` } };
  },
  apply: (draft, { id, key, version, name, technique, steps }) => {
    draft.put('routes', { id, key, version, name, technique });
    steps.forEach((step, place) =>
      draft.put('routeSteps', { ...step, id: stepRowId(id, step.code), routeId: id, place }),
    );
  },
  panelOf: () => null,
  told: ({ name, version }) => `route “${name}”, version ${version}, entered`,
  effect: NO_WORDS,
  upcasts: {},
};
