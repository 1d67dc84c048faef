import type { FinishPlan } from './plan.ts';

/** What a panel stands on in its opening, mm. From memory. */
const BLOCK_MM = 3;

export interface Play {
  readonly leftMm: number;
  readonly rightMm: number;
  readonly topMm: number;
  readonly bottomMm: number;
}

interface Size {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** How a panel stands in its opening: in the middle from side to side, on blocks below. Negative is too large. */
export function playIn(opening: Size, panel: Size): Play {
  const across = (opening.widthMm - panel.widthMm) / 2;
  const high = opening.heightMm - panel.heightMm;
  const bottomMm = Math.min(BLOCK_MM, high / 2);
  return { leftMm: across, rightMm: across, topMm: high - bottomMm, bottomMm };
}

export interface FittingStep {
  readonly says: string;
  readonly caution: string | null;
}

const BEDS = {
  putty: 'Run linseed putty into the rebate, press the panel in until it squeezes out all round, trim it at an angle.',
  mortar: 'Wet the groove, set the panel, point it with lime mortar from both faces; it sets slowly.',
  sealant: 'Lay a bead of sealant that is safe for lead, press the panel in, tool it smooth.',
  beads: 'Set the panel dry between beads with glazing tape, and screw or pin the beads.',
} as const;

const TOOLS = {
  putty: ['linseed putty', 'putty knife', 'points or small pins'],
  mortar: ['lime mortar', 'pointing key', 'water and brush'],
  sealant: ['sealant, its label read', 'sealant gun', 'tooling spatula'],
  beads: ['beads cut to length', 'glazing tape', 'screws or pins'],
} as const;

const SAFETY_GLAZING =
  'Glass here falls under safety-glazing rules: ask whoever knows your local code before it is fitted.';
const CAUTIONS: Readonly<Record<FinishPlan['place'], string | null>> = {
  inside: null,
  window: null,
  door: SAFETY_GLAZING,
  'beside-door': SAFETY_GLAZING,
  low: SAFETY_GLAZING,
  overhead:
    'Glass over heads falls under safety-glazing rules; a glass that holds splinters belongs under it. Ask those qualified.',
  wet: 'Baths and showers fall under safety-glazing rules, and lead is not for wet rooms. Ask those qualified.',
};

/** What to keep in mind where the panel goes; null where nothing special. */
export const placeCaution = ({ place }: Pick<FinishPlan, 'place'>): string | null => CAUTIONS[place];

/** Where there is mains and heat. */
export const LAMP_CAUTION =
  'Wiring, earth and holders are for a licensed electrician; a cap of metal is earthed. The bulb goes by the label of its holder, for heat under a shade has nowhere to go.';

const step = (says: string, caution: string | null = null): FittingStep => ({ says, caution });

/** The day on site, in order. Common practice. */
export function fittingSteps({ hold, place, bedding, bars, hasOuterGlass }: FinishPlan): readonly FittingStep[] {
  const first = step('Photograph the place before anything is touched.');
  const last = [
    step('Clean both faces with a soft dry cloth.', 'Lead: wash hands; take waste along, no dry sweeping.'),
    step('Photograph it in its place, by daylight.'),
    step('Show the client what the care card says, and leave the card.'),
  ];
  if (hold === 'hung')
    return [
      first,
      step('Find what bears: a beam, a lintel, the frame of the window; never plaster alone.'),
      step(
        'Set the hooks level, as far apart as the rings or where the chains meet.',
        'Ladder work: somebody holds it.',
      ),
      step('Hang it, let it come to rest, look at it from across the room, and set the chains.'),
      step('Pull down gently with about the weight of the panel once more, and look at each ring and hook.'),
      ...last,
    ];
  if (hold === 'lamp')
    return [
      first,
      step(
        'See that it is switched off and cold, and that the fixing bears: a joist, never plaster alone.',
        LAMP_CAUTION,
      ),
      step('Set the shade on its cap, tighten the nut by hand, and look that it sits central and level.'),
      step('Turn it once about: it wobbles nowhere, and no wire rubs on the rim.'),
      step(
        'Put in a bulb no stronger than the label of its holder says, switch on, and look for bright gaps in seams.',
      ),
      ...last,
    ];
  if (hold === 'stood')
    return [
      first,
      step('Set it on its foot where nobody brushes past, and look that the foot lies flat.'),
      step('Push its top gently by a hand’s breadth: it comes back.'),
      ...last,
    ];
  const caution = CAUTIONS[place];
  return [
    first,
    ...(caution === null ? [] : [step('Have it confirmed that this glass may go here.', caution)]),
    step('Clear and brush the rebate; measure the opening once more, both diagonals too.', 'Old paint may hold lead.'),
    step('Dry-fit: on two blocks below, at the quarter points, the same play left and right.'),
    ...(hasOuterGlass
      ? [step('See that the outer glass is clean inside, and that air can move between the two.')]
      : []),
    step(BEDS[bedding], bedding === 'sealant' ? 'By the label: air, gloves, eyes.' : null),
    step('Hold it with small points, pins or beads, not with glue: it has to come out again one day.'),
    ...(bars.length > 0
      ? [
          step(
            'Let the bars into the frame on both sides, and tie the panel to them.',
            'Historic or bearing work: by those qualified.',
          ),
        ]
      : []),
    ...last,
  ];
}

/** What goes into the van. */
export function fittingTools({ hold, bedding, bars, hasOuterGlass }: FinishPlan): readonly string[] {
  const always = [
    'the panel, on edge between soft boards',
    'tape measure and level',
    'soft cloths, gloves',
    'camera',
    'care card',
  ];
  if (hold === 'hung') return [...always, 'chain or wire, hooks, their fixings', 'drill and ladder', 'pliers'];
  if (hold === 'lamp') return [...always, 'cap, nut and riser', 'bulb by the holder’s label', 'chain or base'];
  if (hold === 'stood') return [...always, 'its foot, felt for below'];
  return [
    ...always,
    'setting blocks',
    ...TOOLS[bedding],
    ...(bars.length > 0 ? ['bars and tie wires'] : []),
    ...(hasOuterGlass ? ['glass cleaner for the outer glass'] : []),
    'dust sheets, and a board to stand the panel on',
  ];
}
