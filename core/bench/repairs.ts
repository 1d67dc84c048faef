import type { Technique } from '../sizing/index.ts';

/** What can be done about a crack that is seen when a piece is built in already. */
export const REPAIR_WAYS = ['leave', 'bond', 'line', 'cover', 'replace'] as const;
export type RepairWay = (typeof REPAIR_WAYS)[number];

/** What each way is called, and what it means for the panel. Common practice. */
export const REPAIR_MEANINGS: Readonly<Record<RepairWay, { readonly name: string; readonly means: string }>> = {
  leave: {
    name: 'Leave it',
    means: 'The crack stays to be seen, and dirt and water find it. Right for old glass that can not be had again.',
  },
  bond: {
    name: 'Bond it',
    means: 'Edges are cleaned and joined by a clear adhesive made for glass. A fine line stays; sun and damp age it.',
  },
  line: {
    name: 'Add a line',
    means: 'Foil or came follows the crack. The design has a line more, and the panel bends there more easily.',
  },
  cover: {
    name: 'Cover it',
    means: 'A strap of lead lies over the crack on the face. It holds, and it shows.',
  },
  replace: {
    name: 'Replace the glass',
    means: 'The piece comes out, and a new one is cut to its hole. What a client would see is replaced.',
  },
};

export interface RepairStep {
  readonly code: string;
  readonly says: string;
  readonly caution: string | null;
}

const EYES = 'Eyes covered, gloves on; keep the splinters together.';
const LEAD = 'Lead: air, gloves, wet cleaning, washed hands; by the labels and your local rules.';
const step = (code: string, says: string, caution: string | null = null): RepairStep => ({ code, says, caution });

const CLEANED = step('cleaned', 'Clean both edges of the crack, and let them dry.');
const LOOKED = step('looked', 'Look at it from both sides in the light it hangs in.');

/** Taking a piece out and fitting a new one. Common practice. */
const REPLACED: Readonly<Record<Technique, readonly RepairStep[]>> = {
  foil: [
    step('scored', 'Score the cracked piece many times, both ways.', EYES),
    step('tapped-out', 'Tap it out from behind, from the middle to the edges.', EYES),
    step(
      'unsoldered',
      'Melt its seams from both faces and draw the splinters out. Old solder wants more heat.',
      'Fumes: air or extraction. What is hot is padded from its neighbours.',
    ),
    step('cleared', 'Take the old foil off the edges of the neighbours.', LEAD),
    step('traced', 'Trace the hole; the drawing may not be what the bench made.'),
    step('cut-large', 'Cut the new piece a little large. Book it: the old glass broke, the new one is cut.'),
    step('ground', 'Grind it until it drops in with even play all round.', 'Eyes covered; keep the grinder wet.'),
    step('foiled', 'Foil it, and foil again what the neighbours lost.'),
    step(
      'refitted',
      'Set it level on a flat board, tack and solder both faces.',
      'Fumes: air or extraction. Wash hands.',
    ),
    LOOKED,
  ],
  lead: [
    step('cement-cleared', 'Rake the cement out from under the flanges round the piece.', LEAD),
    step('flanges-lifted', 'Open the joints it needs, and lift the flanges on one face, little by little.', LEAD),
    step('taken-out', 'Take the splinters out from the middle; score them first if they hold.', EYES),
    step('traced', 'Rub or trace the hole under the lifted flanges.'),
    step('cut-large', 'Cut the new piece a little large. Book it: the old glass broke, the new one is cut.'),
    step('ground', 'Grind it until it slides in under the flanges.', 'Eyes covered; keep the grinder wet.'),
    step('dressed', 'Set it in, and dress the flanges down again.', LEAD),
    step('soldered', 'Solder the joints that were opened, on both faces.', 'Fumes: air or extraction. Wash hands.'),
    step('cemented', 'Cement that piece again and let it set.', LEAD),
    LOOKED,
  ],
};

const WAYS: Readonly<Record<Exclude<RepairWay, 'replace'>, readonly RepairStep[]>> = {
  leave: [],
  bond: [
    CLEANED,
    step('bonded', 'Let the adhesive creep into the crack; wipe what stands over.', 'By the label: gloves, air, eyes.'),
    step('set', 'Leave it as long as the label says.'),
    LOOKED,
  ],
  line: [
    CLEANED,
    step('lined', 'Lay foil or came along the crack, and join it to the lines at both ends.', LEAD),
    step('soldered', 'Solder it on both faces.', 'Fumes: air or extraction. Wash hands.'),
    LOOKED,
  ],
  cover: [CLEANED, step('covered', 'Lay the strap along the crack, and solder its ends to the lines.', LEAD), LOOKED],
};

/** The steps of mending a piece in a way. */
export const repairSteps = (way: RepairWay, technique: Technique): readonly RepairStep[] =>
  way === 'replace' ? REPLACED[technique] : WAYS[way];
