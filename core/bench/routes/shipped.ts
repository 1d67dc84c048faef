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

/** One layer of paint or stain, and its own firing (common practice). Only pieces that ask for it go through both. */
function layer(code: string, word: string, verb: string, what: string): StepDefinition[] {
  const asked = { ...PIECE, work: 'painting', look: 'frosted', onlyAsked: true } as const;
  return [
    { ...asked, code, word, verb, calls: [word] },
    {
      ...asked,
      code: `${what}-fired`,
      word: `${what} fired`,
      verb: `Fire the ${what}`,
      calls: [`${what} fired`],
      caution:
        'Wash off pen marks before firing. The kiln and its wiring by the maker’s instructions and licensed trades.',
    },
  ];
}
const PAINTED: readonly StepDefinition[] = [
  ...layer('traced', 'traced', 'Trace', 'trace'),
  ...layer('matted', 'matted', 'Matt', 'matt'),
  ...layer('matted-again', 'matted again', 'Matt again', 'second matt'),
  ...layer('enamelled', 'enamelled', 'Enamel', 'enamel'),
  ...layer('stained', 'stained', 'Stain', 'stain'),
].map((step) => ({ ...step, code: step.code.replaceAll(' ', '-') }));

/** A second glass in the same place: cut and held with the first (common practice). */
const PLATED: StepDefinition = {
  ...PIECE,
  code: 'plated',
  word: 'plated',
  verb: 'Cut and fit its plate',
  calls: ['plated'],
  work: 'cutting',
  look: 'frosted',
  onlyAsked: true,
};

/** A plate that is cut from the rack as any glass is, so that what it takes and costs is told. */
const PLATE_CUT: StepDefinition = { ...PLATED, deed: 'takes-back' };

const PRESSED: StepDefinition = {
  ...PIECE,
  code: 'pressed',
  word: 'pressed',
  verb: 'Lay in, glue and press',
  calls: ['pressed', 'glued'],
  work: 'other',
  caution: 'The glue sets for 6 h at least, overnight is better; flat and weighted, by its label.',
};
/** The second of two thin glasses that lie on each other, cut from the rack as the first is (common practice). */
const BOTH_CUT: StepDefinition = {
  ...PIECE,
  code: 'both-cut',
  word: 'both cut',
  verb: 'Cut the second glass of',
  calls: ['both', 'both cut'],
  work: 'cutting',
  deed: 'takes-back',
};
const CLEANED: StepDefinition = {
  ...PIECE,
  code: 'cleaned',
  word: 'cleaned',
  verb: 'Clean',
  calls: ['cleaned'],
  work: 'other',
  look: 'frosted',
};
const GEL_FLUX = 'Gel flux, little of it, wiped off at once: thin flux creeps between the two glasses.';

const DRAIN: StepDefinition = {
  ...PANEL,
  code: 'drain',
  word: 'drain holes open',
  verb: 'Open the drain holes',
  calls: ['drain', 'drained'],
  needs: ['solder-front', 'solder-back'],
};
const SEAL: StepDefinition = {
  ...PANEL,
  code: 'seal',
  word: 'inside sealed',
  verb: 'Seal the inside seams',
  calls: ['seal', 'sealed'],
  needs: ['wash'],
  // A day before it is filled: common practice; the label goes first.
  waitMin: 24 * 60,
  waitName: 'sealant',
  caution: 'Sealant: air, gloves, and its label. Soil and water only once it is through.',
};

/** Before an old panel comes apart (common practice). */
const RUBBING: StepDefinition = {
  ...PANEL,
  code: 'rubbing',
  word: 'rubbing taken',
  verb: 'Take a rubbing',
  calls: ['rubbing', 'rubbed'],
  work: 'design',
};
const PHOTOGRAPHED: StepDefinition = {
  ...PANEL,
  code: 'photographed',
  word: 'photographed',
  verb: 'Photograph both sides',
  calls: ['photographed'],
  work: 'design',
};
const APART: StepDefinition = {
  ...PANEL,
  code: 'apart',
  word: 'taken apart',
  verb: 'Take it apart',
  calls: ['apart'],
  work: 'leading',
  needs: ['rubbing', 'photographed'],
  caution: 'Old lead and its dust: respirator, gloves, wet cleaning, children away; local rules on lead waste.',
};

const LEAD_FREE =
  'Lead-free solder melts hotter: a short touch, a clean tip. Flux fumes: extraction or a respirator, by the labels.';
const cautioned = (step: StepDefinition, caution: string): StepDefinition => ({ ...step, caution });

/** Cement comes before all that follows it. */
const afterCement = (step: StepDefinition): StepDefinition => ({ ...step, needs: [...step.needs, 'cement'] });

const FOIL_PANEL: readonly StepDefinition[] = [SOLDER_FRONT, SOLDER_BACK, RIM, PATINA, WASH, WAX, DELIVER];
const LEAD_PANEL: readonly StepDefinition[] = [
  SOLDER_FRONT,
  SOLDER_BACK,
  CEMENT,
  afterCement(WASH),
  afterCement(PATINA),
  afterCement(WAX),
  afterCement(DELIVER),
];

interface Shipped {
  readonly route: RouteVersion;
  readonly steps: readonly StepDefinition[];
}

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
