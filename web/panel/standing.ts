import { makeRoute, stepThat, type Panel, type Route, type Side, type Standing, type StepCode } from '#core/bench';
import type { Spot } from '#core/stock';
import type { Glance, SeenPiece, StudioAnswer } from '#contract';

/** What a picture shows of a panel beside its pieces. */
export type Pictured = Pick<Panel, 'name' | 'technique' | 'widthMm' | 'heightMm'> & {
  readonly allowance: Panel['allowance'];
} & Pick<Standing, 'route' | 'steps' | 'soldered'>;

/** What a picture shows of a piece. */
export type PicturedPiece = Pick<SeenPiece, 'number' | 'stage' | 'glassId' | 'asks'> & {
  readonly broken: string | null;
  readonly tooSmall?: boolean;
  readonly flowDeg?: number | null;
  readonly spot?: Spot | null;
};

/** Whether a step that looks so was done to the panel. */
export const looks = ({ route, steps }: Pick<Standing, 'route' | 'steps'>, look: 'dark' | 'cemented'): boolean =>
  route.panelSteps.some((s) => s.look === look && steps[s.code] !== undefined);

/** The step that solders a side, if the route has one. */
export const solderStep = (route: Route, side: Side): StepCode | undefined =>
  stepThat(route, side === 'front' ? 'solders-front' : 'solders-back')?.code;

/** The route of a panel in a list, from the studio's own rows. */
export function routeIn(studio: StudioAnswer, routeId: string): Route {
  const version = studio.routes.find((r) => r.id === routeId) ?? studio.routes[0];
  if (!version) throw new Error(`there is no route ${routeId}`);
  return makeRoute(
    version,
    studio.routeSteps.filter((s) => s.routeId === version.id),
  );
}

/** A panel of a list with its route. */
export const standingIn = (studio: StudioAnswer, { panel, steps, soldered }: Glance) => ({
  ...panel,
  route: routeIn(studio, panel.routeId),
  steps,
  soldered,
});
export type StandingInList = ReturnType<typeof standingIn>;
