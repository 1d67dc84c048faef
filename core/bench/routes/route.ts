import { nth, lastOf } from '../../units/index.ts';
import type { Panel, Piece, Reader } from '../tables.ts';
import {
  BEGINS,
  type Deed,
  type RouteStep,
  type RouteVersion,
  type StepCode,
  type StepDefinition,
} from './definition.ts';

export { BEGINS };

/** A version of a route as the rules use it: its steps in order. */
export interface Route extends RouteVersion {
  readonly pieceSteps: readonly StepDefinition[];
  readonly panelSteps: readonly StepDefinition[];
}

/** @param steps of this version, in any order */
export function makeRoute(version: RouteVersion, steps: Iterable<RouteStep>): Route {
  const inOrder = [...steps].sort((a, b) => a.place - b.place);
  return {
    ...version,
    pieceSteps: inOrder.filter((s) => s.scope === 'piece'),
    panelSteps: inOrder.filter((s) => s.scope === 'panel'),
  };
}

/** The route that a panel goes. It names one that exists: rows see to that. */
export function routeOf(state: Reader, panel: Pick<Panel, 'routeId'>): Route {
  const version = state.get('routes', panel.routeId);
  if (!version) throw new Error(`there is no route ${panel.routeId}`);
  return makeRoute(version, state.ask('stepsOfRoute', panel.routeId));
}

/** The newest version of a route. */
export function currentRoute(state: Reader, key: string): RouteVersion | undefined {
  return [...state.ask('versionsOfRoute', key)].sort((a, b) => b.version - a.version)[0];
}

/** Ways once found, by what a piece asks for: most pieces of a panel go the same. */
const WAYS = new WeakMap<Route, Map<string, readonly StepDefinition[]>>();

/** The steps that one piece goes through: those of all, and those it asks for. */
export function wayOf(route: Route, piece: Pick<Piece, 'asks'>): readonly StepDefinition[] {
  let ways = WAYS.get(route);
  if (!ways) WAYS.set(route, (ways = new Map()));
  const asked = piece.asks.join();
  let way = ways.get(asked);
  if (!way) ways.set(asked, (way = route.pieceSteps.filter((s) => !s.onlyAsked || piece.asks.includes(s.code))));
  return way;
}

/** Where a step of a piece stands on the route; −1 when the route does not have it. */
export const stageIndex = (route: Route, code: StepCode): number => route.pieceSteps.findIndex((s) => s.code === code);

export const stepOf = (route: Route, code: StepCode): StepDefinition | undefined =>
  route.pieceSteps.find((s) => s.code === code) ?? route.panelSteps.find((s) => s.code === code);

/** The step at which Nelvik does something of its own. */
export const stepThat = (route: Route, deed: Deed): StepDefinition | undefined =>
  route.pieceSteps.find((s) => s.deed === deed) ?? route.panelSteps.find((s) => s.deed === deed);

/** The step at which a second glass is taken, that lies behind the first. */
export const backStep = (route: Route): StepDefinition | undefined => stepThat(route, 'takes-back');

/** Whether a piece is of two glasses, one behind the other: 12a in front, 12b behind it. */
export const hasBack = (route: Route, piece: Pick<Piece, 'asks'>): boolean =>
  wayOf(route, piece).some((step) => step.deed === 'takes-back');

/**
 * Whether the glass behind a piece is still to be cut. What was bought or put back did not come from the rack, and brings
 * its second glass along.
 */
export function wantsBack(route: Route, piece: Pick<Piece, 'asks' | 'stage' | 'from' | 'backFrom'>): boolean {
  const step = backStep(route);
  if (!step || piece.backFrom !== null || !hasBack(route, piece)) return false;
  if (piece.stage !== BEGINS && piece.from === null) return false;
  return stageIndex(route, piece.stage) < stageIndex(route, step.code);
}

/** The step that a piece stands at once its front is cut while the glass behind is in hand; null where that is the cut itself. */
export function onceFrontIsCut(route: Route, piece: Pick<Piece, 'asks' | 'backFrom'>): StepCode | null {
  const next = wayOf(route, piece)[2];
  return piece.backFrom !== null && next?.deed === 'takes-back' ? next.code : null;
}

/** What is done to the whole before its pieces: an old panel is rubbed and photographed before it comes apart. */
export function stepsBeforePieces({ panelSteps }: Route): readonly StepDefinition[] {
  const solder = panelSteps.findIndex((step) => step.deed === 'solders-front');
  return solder < 0 ? [] : panelSteps.slice(0, solder);
}

/** Code of the step that pieces begin at; every sound route has one. */
export const firstStage = (route: Route): StepCode => nth(route.pieceSteps, 0).code;
/** The last step of a piece's own way: it is built in. */
export const lastStageOf = (route: Route, piece: Pick<Piece, 'asks'>): StepCode => lastOf(wayOf(route, piece)).code;
export const isBuiltIn = (route: Route, piece: Pick<Piece, 'asks' | 'stage'>): boolean =>
  piece.stage === lastStageOf(route, piece);
/** Whether its glass is in hand: it has gone further than the step it begins at. */
export const isInHand = (piece: Pick<Piece, 'stage'>): boolean => piece.stage !== BEGINS;
export const TAKES_GLASS: StepCode = 'cut';

/** A step of a route that is not at hand, as near to its word as its code is. */
export const spokenCode = (code: StepCode): string => code.replaceAll('-', ' ');

/** What is wrong with steps that are to be a route; empty when nothing is. */
export function checkRoute(steps: readonly StepDefinition[]): string[] {
  const wrong: string[] = [];
  const pieces = steps.filter((s) => s.scope === 'piece');
  const panel = steps.filter((s) => s.scope === 'panel');
  if (pieces[0]?.code !== BEGINS || pieces[0].deed !== 'begins') wrong.push('it must begin with “to cut”');
  if (pieces[1]?.code !== TAKES_GLASS || pieces[1].deed !== 'takes-glass') wrong.push('“cut” must come second');
  if (pieces.length < 3) wrong.push('pieces need a step after “cut”');
  if (panel.some((s) => s.deed === 'takes-back')) wrong.push('a second glass is a step of pieces');
  if (pieces.at(-1)?.onlyAsked) wrong.push('the last step of a piece is for all of them');
  if (panel.at(-1)?.deed !== 'delivers') wrong.push('it must end with the delivery');
  if (new Set(steps.map((s) => s.code)).size !== steps.length) wrong.push('a step is in it twice');
  const calls = steps.flatMap((s) => s.calls);
  if (new Set(calls).size !== calls.length) wrong.push('two steps are called by the same word');
  for (const [i, step] of panel.entries())
    for (const need of step.needs)
      if (!panel.slice(0, i).some((s) => s.code === need))
        wrong.push(`“${step.verb}” needs what does not come before it`);
  for (const deed of ['takes-glass', 'takes-back', 'solders-front', 'solders-back', 'delivers'] as const)
    if (steps.filter((s) => s.deed === deed).length > 1) wrong.push('a step that Nelvik acts on is in it twice');
  return [...new Set(wrong)];
}
