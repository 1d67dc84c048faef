import type { RouteStep, RouteVersion, StepDefinition } from './definition.ts';
import {
  APART,
  BOTH_CUT,
  CLEANED,
  CUT,
  DELIVER,
  DRAIN,
  FOILED,
  FOIL_PANEL,
  GEL_FLUX,
  GROUND,
  IN_PLACE,
  LEADED,
  LEAD_FREE,
  LEAD_PANEL,
  PAINTED,
  PATINA,
  PHOTOGRAPHED,
  PLATED,
  PLATE_CUT,
  PRESSED,
  RIM,
  RUBBING,
  SEAL,
  SOLDER_BACK,
  SOLDER_FRONT,
  TO_CUT,
  WASH,
  WAX,
  cautioned,
} from './shippedSteps.ts';

interface Shipped {
  readonly route: RouteVersion;
  readonly steps: readonly StepDefinition[];
}

/** What comes after two glasses are glued together. */
const ONCE_PRESSED: readonly StepDefinition[] = [
  CLEANED,
  { ...FOILED, verb: 'Wind twice with wide foil' },
  IN_PLACE,
  cautioned(SOLDER_FRONT, GEL_FLUX),
  cautioned(SOLDER_BACK, GEL_FLUX),
  { ...cautioned(RIM, GEL_FLUX), mayBeLeftOut: false },
  PATINA,
  WASH,
  WAX,
  { ...DELIVER, needs: [...DELIVER.needs, 'rim'] },
];

/** The routes that a studio begins with (common practice). A version here is never edited: a better one is a new version. */
export const SHIPPED_ROUTES: readonly Shipped[] = [
  {
    route: { id: 'foil@1', key: 'foil', version: 1, name: 'Copper foil', technique: 'foil' },
    steps: [TO_CUT, CUT, GROUND, FOILED, IN_PLACE, ...FOIL_PANEL],
  },
  {
    route: {
      id: 'foil-painted@1',
      key: 'foil-painted',
      version: 1,
      name: 'Copper foil, some painted or plated',
      technique: 'foil',
    },
    steps: [TO_CUT, CUT, GROUND, ...PAINTED, PLATED, FOILED, IN_PLACE, ...FOIL_PANEL],
  },
  {
    route: { id: 'pressed@1', key: 'pressed', version: 1, name: 'Pressed between two glasses', technique: 'foil' },
    steps: [
      TO_CUT,
      { ...CUT, verb: 'Cut both glasses of' },
      { ...GROUND, verb: 'Grind together' },
      PRESSED,
      ...ONCE_PRESSED,
    ],
  },
  {
    route: {
      id: 'pressed-pair@1',
      key: 'pressed-pair',
      version: 1,
      name: 'Pressed between two glasses',
      technique: 'foil',
    },
    steps: [
      TO_CUT,
      { ...CUT, verb: 'Cut the front glass of' },
      BOTH_CUT,
      { ...GROUND, verb: 'Grind together' },
      // Six hours at the least, overnight is better: common practice; the label goes first.
      { ...PRESSED, waitMin: 6 * 60, waitName: 'glue' },
      ...ONCE_PRESSED,
    ],
  },
  {
    route: {
      id: 'foil-layered@1',
      key: 'foil-layered',
      version: 1,
      name: 'Copper foil, some painted or plated',
      technique: 'foil',
    },
    steps: [TO_CUT, CUT, GROUND, ...PAINTED, PLATE_CUT, FOILED, IN_PLACE, ...FOIL_PANEL],
  },
  {
    route: { id: 'planter@1', key: 'planter', version: 1, name: 'Planter or box, sealed', technique: 'foil' },
    steps: [
      TO_CUT,
      CUT,
      GROUND,
      ...PAINTED,
      FOILED,
      { ...IN_PLACE, verb: 'Set up and tack' },
      {
        ...SOLDER_FRONT,
        word: 'inside soldered',
        verb: 'Solder the inside seams',
        calls: ['solder inside', ...SOLDER_FRONT.calls],
      },
      {
        ...SOLDER_BACK,
        word: 'outside soldered',
        verb: 'Solder the outside',
        calls: ['solder outside', ...SOLDER_BACK.calls],
      },
      RIM,
      PATINA,
      DRAIN,
      { ...WASH, mayBeLeftOut: false },
      SEAL,
      WAX,
      { ...DELIVER, needs: [...DELIVER.needs, 'drain', 'seal'] },
    ],
  },
  {
    route: { id: 'lead-free@1', key: 'lead-free', version: 1, name: 'Copper foil, lead-free', technique: 'foil' },
    steps: [
      TO_CUT,
      CUT,
      GROUND,
      ...PAINTED,
      FOILED,
      cautioned(IN_PLACE, LEAD_FREE),
      cautioned(SOLDER_FRONT, LEAD_FREE),
      cautioned(SOLDER_BACK, LEAD_FREE),
      RIM,
      PATINA,
      WASH,
      WAX,
      DELIVER,
    ],
  },
  {
    route: { id: 'lead@1', key: 'lead', version: 1, name: 'Leaded', technique: 'lead' },
    steps: [TO_CUT, CUT, GROUND, LEADED, ...LEAD_PANEL],
  },
  {
    route: {
      id: 'lead-painted@1',
      key: 'lead-painted',
      version: 1,
      name: 'Leaded, some painted or plated',
      technique: 'lead',
    },
    steps: [TO_CUT, CUT, GROUND, ...PAINTED, PLATED, LEADED, ...LEAD_PANEL],
  },
  {
    route: {
      id: 'lead-layered@1',
      key: 'lead-layered',
      version: 1,
      name: 'Leaded, some painted or plated',
      technique: 'lead',
    },
    steps: [TO_CUT, CUT, GROUND, ...PAINTED, PLATE_CUT, LEADED, ...LEAD_PANEL],
  },
  {
    route: { id: 're-leading@1', key: 're-leading', version: 1, name: 'Re-leading of an old panel', technique: 'lead' },
    steps: [
      TO_CUT,
      CUT,
      { ...CLEANED, verb: 'Clean and sort back', work: 'leading' },
      ...PAINTED,
      LEADED,
      RUBBING,
      PHOTOGRAPHED,
      APART,
      ...LEAD_PANEL,
    ],
  },
];

/** Ways of working that were shipped once and are offered no more: panels that go them do so to their end. */
export const RETIRED_ROUTES: ReadonlySet<string> = new Set(['pressed@1', 'foil-painted@1', 'lead-painted@1']);

export const stepRowId = (routeId: string, code: string): string => `${routeId}/${code}`;

/** The shipped routes as rows, touched by no act. */
export function shippedRows(): {
  readonly routes: readonly (RouteVersion & { readonly rev: number })[];
  readonly routeSteps: readonly (RouteStep & { readonly id: string; readonly rev: number })[];
} {
  return {
    routes: SHIPPED_ROUTES.map(({ route }) => ({ ...route, rev: 0 })),
    routeSteps: SHIPPED_ROUTES.flatMap(({ route, steps }) =>
      steps.map((step, place) => ({ ...step, id: stepRowId(route.id, step.code), routeId: route.id, place, rev: 0 })),
    ),
  };
}
