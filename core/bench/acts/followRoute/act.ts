import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { currentRoute, makeRoute, routeOf, stageIndex, stepOf, wayOf } from '../../routes/route.ts';
import { liftUnasked } from '../laid.ts';

export interface FollowRoute {
  readonly panelId: string;
  /** Key of the route; its newest version is followed. */
  readonly route: string;
}

export interface RouteFollowed {
  readonly panelId: string;
  readonly routeId: string;
  readonly name: string;
  readonly panelName: string;
}

/**
 * A panel under way goes on by another route, or by a newer version of its own. What has happened stays: every step that a
 * piece or the panel stands at has to be on the new one.
 */
export const followRoute: Act<FollowRoute, RouteFollowed> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { panels: ['routeId', 'technique'], pieces: ['stage', 'asks', 'drawn'] },
  decide: (state, { panelId, route: key }) => {
    const panel = state.get('panels', panelId);
    if (!panel) return refuse('unknown-panel');
    const version = currentRoute(state, key);
    if (!version || version.technique !== panel.technique) return refuse('unknown-route', { name: key });
    if (version.id === panel.routeId) return refuse('nothing-changes');
    const route = makeRoute(version, state.ask('stepsOfRoute', version.id));
    const old = routeOf(state, panel);
    const strange = [...state.ask('piecesOfPanel', panelId)].filter(
      (p) =>
        !wayOf(route, p).some((step) => step.code === p.stage) || p.asks.some((code) => stageIndex(route, code) < 0),
    );
    if (strange.length > 0)
      return refuse('not-on-route', {
        numbers: strange.map((p) => p.number).sort((a, b) => a - b),
        name: version.name,
      });
    const done = [...state.ask('stepsOfPanel', panelId)].find(({ step }) => !stepOf(route, step));
    if (done)
      return refuse('done-not-on-route', { name: stepOf(old, done.step)?.word ?? done.step, more: version.name });
    return { fact: { panelId, routeId: version.id, name: version.name, panelName: panel.name } };
  },
  apply: (draft, { panelId, routeId }) => {
    draft.patch('panels', panelId, { routeId });
    liftUnasked(draft, draft.ask('piecesOfPanel', panelId), routeOf(draft, { routeId }));
  },
  panelOf: (fact) => fact.panelId,
  told: ({ name }) => `goes on by “${name}”`,
  effect: NO_WORDS,
  upcasts: {},
};
