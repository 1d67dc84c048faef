import type { StepDefinition } from './definition.ts';

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

export const TO_CUT: StepDefinition = {
  ...PIECE,
  code: 'to-cut',
  word: 'to cut',
  verb: 'Draw',
  work: 'design',
  look: 'paper',
  deed: 'begins',
};
export const CUT: StepDefinition = {
  ...PIECE,
  code: 'cut',
  word: 'cut',
  verb: 'Cut',
  calls: ['cut'],
  work: 'cutting',
  deed: 'takes-glass',
};
export const GROUND: StepDefinition = {
  ...PIECE,
  code: 'ground',
  word: 'ground',
  verb: 'Grind',
  calls: ['ground'],
  work: 'grinding',
  look: 'frosted',
};
export const FOILED: StepDefinition = {
  ...PIECE,
  code: 'foiled',
  word: 'foiled',
  verb: 'Foil',
  calls: ['foiled'],
  work: 'foiling',
  look: 'copper',
};
export const LEADED: StepDefinition = {
  ...PIECE,
  code: 'leaded',
  word: 'leaded',
  verb: 'Lead up',
  calls: ['leaded'],
  work: 'leading',
  look: 'leaded',
};
export const IN_PLACE: StepDefinition = {
  ...PIECE,
  code: 'in-place',
  word: 'in place',
  verb: 'Lay out and tack',
  calls: ['in place', 'in', 'tacked', 'placed'],
  work: 'soldering',
  look: 'copper',
};

export const SOLDER_FRONT: StepDefinition = {
  ...PANEL,
  code: 'solder-front',
  word: 'front soldered',
  verb: 'Solder the front',
  calls: ['solder front', 'soldered front'],
  work: 'soldering',
  deed: 'solders-front',
};
export const SOLDER_BACK: StepDefinition = {
  ...PANEL,
  code: 'solder-back',
  word: 'back soldered',
  verb: 'Solder the back',
  calls: ['solder back', 'soldered back'],
  work: 'soldering',
  deed: 'solders-back',
  needs: ['solder-front'],
};
export const RIM: StepDefinition = {
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
export const PATINA: StepDefinition = {
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
export const WASH: StepDefinition = {
  ...PANEL,
  code: 'wash',
  word: 'washed',
  verb: 'Wash',
  calls: ['wash', 'washed'],
  needs: ['solder-front', 'solder-back'],
  mayBeLeftOut: true,
};
export const WAX: StepDefinition = {
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
export const DELIVER: StepDefinition = {
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
export const PAINTED: readonly StepDefinition[] = [
  ...layer('traced', 'traced', 'Trace', 'trace'),
  ...layer('matted', 'matted', 'Matt', 'matt'),
  ...layer('matted-again', 'matted again', 'Matt again', 'second matt'),
  ...layer('enamelled', 'enamelled', 'Enamel', 'enamel'),
  ...layer('stained', 'stained', 'Stain', 'stain'),
].map((step) => ({ ...step, code: step.code.replaceAll(' ', '-') }));

/** A second glass in the same place: cut and held with the first (common practice). */
export const PLATED: StepDefinition = {
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
export const PLATE_CUT: StepDefinition = { ...PLATED, deed: 'takes-back' };

export const PRESSED: StepDefinition = {
  ...PIECE,
  code: 'pressed',
  word: 'pressed',
  verb: 'Lay in, glue and press',
  calls: ['pressed', 'glued'],
  work: 'other',
  caution: 'The glue sets for 6 h at least, overnight is better; flat and weighted, by its label.',
};
/** The second of two thin glasses that lie on each other, cut from the rack as the first is (common practice). */
export const BOTH_CUT: StepDefinition = {
  ...PIECE,
  code: 'both-cut',
  word: 'both cut',
  verb: 'Cut the second glass of',
  calls: ['both', 'both cut'],
  work: 'cutting',
  deed: 'takes-back',
};
export const CLEANED: StepDefinition = {
  ...PIECE,
  code: 'cleaned',
  word: 'cleaned',
  verb: 'Clean',
  calls: ['cleaned'],
  work: 'other',
  look: 'frosted',
};
export const GEL_FLUX = 'Gel flux, little of it, wiped off at once: thin flux creeps between the two glasses.';

export const DRAIN: StepDefinition = {
  ...PANEL,
  code: 'drain',
  word: 'drain holes open',
  verb: 'Open the drain holes',
  calls: ['drain', 'drained'],
  needs: ['solder-front', 'solder-back'],
};
export const SEAL: StepDefinition = {
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
export const RUBBING: StepDefinition = {
  ...PANEL,
  code: 'rubbing',
  word: 'rubbing taken',
  verb: 'Take a rubbing',
  calls: ['rubbing', 'rubbed'],
  work: 'design',
};
export const PHOTOGRAPHED: StepDefinition = {
  ...PANEL,
  code: 'photographed',
  word: 'photographed',
  verb: 'Photograph both sides',
  calls: ['photographed'],
  work: 'design',
};
export const APART: StepDefinition = {
  ...PANEL,
  code: 'apart',
  word: 'taken apart',
  verb: 'Take it apart',
  calls: ['apart'],
  work: 'leading',
  needs: ['rubbing', 'photographed'],
  caution: 'Old lead and its dust: respirator, gloves, wet cleaning, children away; local rules on lead waste.',
};

export const LEAD_FREE =
  'Lead-free solder melts hotter: a short touch, a clean tip. Flux fumes: extraction or a respirator, by the labels.';
export const cautioned = (step: StepDefinition, caution: string): StepDefinition => ({ ...step, caution });

/** Cement comes before all that follows it. */
const afterCement = (step: StepDefinition): StepDefinition => ({ ...step, needs: [...step.needs, 'cement'] });

export const FOIL_PANEL: readonly StepDefinition[] = [SOLDER_FRONT, SOLDER_BACK, RIM, PATINA, WASH, WAX, DELIVER];
export const LEAD_PANEL: readonly StepDefinition[] = [
  SOLDER_FRONT,
  SOLDER_BACK,
  CEMENT,
  afterCement(WASH),
  afterCement(PATINA),
  afterCement(WAX),
  afterCement(DELIVER),
];
