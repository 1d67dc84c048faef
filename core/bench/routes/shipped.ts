import type { RouteStep, RouteVersion, StepDefinition } from './definition.ts';

/** A step of a piece that says nothing yet. */
export const PIECE: StepDefinition = {
  code: '',
  scope: 'piece',
  word: '',
  verb: '',
  calls: [],
  work: 'other',
  look: 'glass',
  deed: 'nothing',
  needs: [],
  waitMin: 0,
  waitName: null,
  caution: null,
  mayBeLeftOut: false,
  onlyAsked: false,
};
const PANEL: StepDefinition = { ...PIECE, scope: 'panel', look: 'unchanged', work: 'finishing' };

const TO_CUT: StepDefinition = {
  ...PIECE,
  code: 'to-cut',
  word: 'to cut',
  verb: 'Draw',
  work: 'design',
  look: 'paper',
  deed: 'begins',
};
const CUT: StepDefinition = {
  ...PIECE,
  code: 'cut',
  word: 'cut',
  verb: 'Cut',
  calls: ['cut'],
  work: 'cutting',
  deed: 'takes-glass',
};
const GROUND: StepDefinition = {
  ...PIECE,
  code: 'ground',
  word: 'ground',
  verb: 'Grind',
  calls: ['ground'],
  work: 'grinding',
  look: 'frosted',
};
const FOILED: StepDefinition = {
  ...PIECE,
  code: 'foiled',
  word: 'foiled',
  verb: 'Foil',
  calls: ['foiled'],
  work: 'foiling',
  look: 'copper',
};
const LEADED: StepDefinition = {
  ...PIECE,
  code: 'leaded',
  word: 'leaded',
  verb: 'Lead up',
  calls: ['leaded'],
  work: 'leading',
  look: 'leaded',
};
const IN_PLACE: StepDefinition = {
  ...PIECE,
  code: 'in-place',
  word: 'in place',
  verb: 'Lay out and tack',
  calls: ['in place', 'in', 'tacked', 'placed'],
  work: 'soldering',
  look: 'copper',
};

const SOLDER_FRONT: StepDefinition = {
  ...PANEL,
  code: 'solder-front',
  word: 'front soldered',
  verb: 'Solder the front',
  calls: ['solder front', 'soldered front'],
  work: 'soldering',
  deed: 'solders-front',
};
const SOLDER_BACK: StepDefinition = {
  ...PANEL,
  code: 'solder-back',
  word: 'back soldered',
  verb: 'Solder the back',
  calls: ['solder back', 'soldered back'],
  work: 'soldering',
  deed: 'solders-back',
  needs: ['solder-front'],
};
const RIM: StepDefinition = {
  ...PANEL,
  code: 'rim',
  word: 'rim beaded',
  verb: 'Bead the rim',
  calls: ['rim'],
  work: 'soldering',
  needs: ['solder-front', 'solder-back'],
  mayBeLeftOut: true,
};
const CEMENT: StepDefinition = {
  ...PANEL,
  code: 'cement',
  word: 'cemented',
  verb: 'Cement',
  calls: ['cement', 'cemented'],
  look: 'cemented',
  needs: ['solder-front', 'solder-back'],
  // From memory; the label on the tin goes first.
  waitMin: 24 * 60,
  waitName: 'cement',
  caution: 'Lead dust and cement: gloves, wet cleaning, no dry sweeping; follow the label.',
};
const PATINA: StepDefinition = {
  ...PANEL,
  code: 'patina',
  word: 'patina on',
  verb: 'Patina',
  calls: ['patina'],
  look: 'dark',
  needs: ['solder-front', 'solder-back'],
  caution: 'Patina and flux are corrosive or toxic: gloves, eye protection, follow the label.',
  mayBeLeftOut: true,
};
const WASH: StepDefinition = {
  ...PANEL,
  code: 'wash',
  word: 'washed',
  verb: 'Wash',
  calls: ['wash', 'washed'],
  needs: ['solder-front', 'solder-back'],
  mayBeLeftOut: true,
};
const WAX: StepDefinition = {
  ...PANEL,
  code: 'wax',
  word: 'waxed',
  verb: 'Wax',
  calls: ['wax', 'waxed'],
  needs: ['solder-front', 'solder-back'],
  // Three to five minutes before it is buffed: common practice.
  waitMin: 5,
  waitName: 'wax',
  mayBeLeftOut: true,
};
const DELIVER: StepDefinition = {
  ...PANEL,
  code: 'deliver',
  word: 'delivered',
  verb: 'Deliver',
  calls: ['delivered', 'deliver'],
  deed: 'delivers',
  needs: ['solder-front', 'solder-back'],
  caution:
    'Doors, low, overhead or wet places: the local safety-glazing code decides. Leave structural fixings to those licensed.',
};

/** Cement comes before all that follows it. */
const afterCement = (step: StepDefinition): StepDefinition => ({ ...step, needs: [...step.needs, 'cement'] });

interface Shipped {
  readonly route: RouteVersion;
  readonly steps: readonly StepDefinition[];
}

/** The routes that a studio begins with (common practice). A version here is never edited: a better one is a new version. */
export const SHIPPED_ROUTES: readonly Shipped[] = [
  {
    route: { id: 'foil@1', key: 'foil', version: 1, name: 'Copper foil', technique: 'foil' },
    steps: [TO_CUT, CUT, GROUND, FOILED, IN_PLACE, SOLDER_FRONT, SOLDER_BACK, RIM, PATINA, WASH, WAX, DELIVER],
  },
  {
    route: { id: 'lead@1', key: 'lead', version: 1, name: 'Leaded', technique: 'lead' },
    steps: [
      TO_CUT,
      CUT,
      GROUND,
      LEADED,
      SOLDER_FRONT,
      SOLDER_BACK,
      CEMENT,
      afterCement(WASH),
      afterCement(PATINA),
      afterCement(WAX),
      afterCement(DELIVER),
    ],
  },
];

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
