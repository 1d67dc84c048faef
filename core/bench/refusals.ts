import { showArea, showNumbers, type DisplayUnit, keysOf } from '../units/index.ts';
import type { Reader } from './tables.ts';

/** What a refusal tells beside its code. */
export interface RefusalFacts {
  readonly numbers?: readonly number[];
  readonly name?: string;
  /** What else there is to name. */
  readonly more?: string;
  readonly haveMm2?: number;
  readonly wantMm2?: number;
  /** The entry of the log that it is about. */
  readonly seq?: number;
  /** Sentences that say what happened meanwhile. */
  readonly meanwhile?: readonly string[];
}

interface Telling {
  readonly numbers: readonly number[];
  readonly name: string;
  readonly more: string;
  readonly meanwhile: readonly string[];
  readonly have: string;
  readonly want: string;
  /** `Piece 7` or `Pieces 3–9`. */
  readonly pieces: string;
  readonly are: 'is' | 'are';
  readonly hold: 'has' | 'have';
  readonly them: 'it' | 'them';
  readonly state: Reader | undefined;
}

const whatHas = ({ numbers, pieces, hold, name, state }: Telling): string =>
  numbers.length ? `${pieces} ${hold}` : `${name ? placeName(name, state) : 'This'} has`;

const changed = (telling: Telling): string => {
  const { meanwhile } = telling;
  const told = meanwhile.length ? ` Meanwhile: ${meanwhile.join(' ')}` : '';
  return `${whatHas(telling)} changed on another screen since; nothing was done.${told} Look again, then repeat it.`;
};

/** Everything that keeps a command from being carried out, each as one plain sentence that says what to do. */
const REFUSALS = {
  'unknown-panel': () => 'This panel is not in the studio any more.',
  'unknown-pieces': ({ numbers }) => `There is no piece ${showNumbers(numbers, 6)} in this panel.`,
  'unknown-piece': () => 'That piece is not in the panel any more.',
  'unknown-glass': () => 'That glass is not on the rack.',
  'unknown-stock': ({ name }) => `There is no sheet or offcut labelled ${name}.`,
  'unknown-person': () => 'That person is not in the studio; add them under Setup.',
  'unknown-commission': () => 'That job is not in the studio any more.',
  'unknown-entry': () => 'That entry is not there any more.',
  'unknown-joints': ({ numbers }) =>
    numbers.length ? `There is no joint ${showNumbers(numbers, 6)} in this panel.` : 'Say which joints.',
  'unknown-route': ({ name }) => `There is no route “${name}” in the studio.`,
  'unknown-step': ({ name }) => `“${name}” is no step that single pieces of this panel can ask for.`,
  'unknown-choice': ({ name }) => `There is no choice of glass called “${name}” in this panel.`,
  'no-pieces': () => 'Say which pieces.',
  'nothing-to-do': ({ name, pieces, are }) => {
    if (name === 'clock') return 'That clock is running already.';
    if (name === 'broken') return `${pieces} ${are} waiting to be cut again already.`;
    return name === '' ? `${pieces} would not change.` : `${pieces} ${are} ${name} already.`;
  },
  'nothing-changes': () => 'That is so already.',
  'named-twice': ({ pieces, are }) => `${pieces} ${are} named twice; say each once.`,
  'from-what': ({ pieces, are, them }) =>
    `${pieces} ${are} not cut yet; say from which sheet ${them === 'it' ? 'it' : 'they'} broke.`,
  'too-small': ({ pieces, are, them }) =>
    `${pieces} ${are} too small for the drawing now; cut ${them} anew, or say that ${them === 'it' ? 'it fits' : 'they fit'} all the same.`,
  'not-cut': ({ pieces, are, them }) => `${pieces} ${are} not cut yet; cut ${them} first.`,
  'back-not-cut': ({ numbers }) => {
    const said = showNumbers(numbers, 8);
    return `The second glass of ${said} is not cut yet; cut ${said.replace(/\d+/g, '$&b')} first.`;
  },
  'one-glass': ({ pieces, are }) =>
    `${pieces} ${are} of one glass; a second one is cut where the way of working has it, and the piece asks for it.`,
  'not-this-route': ({ name }) => `“${name}” is not part of this panel's work.`,
  'already-in-hand': ({ pieces, are, them }) => `${pieces} ${are} cut already; break or recut ${them} instead.`,
  'no-glass': ({ pieces, hold }) => `${pieces} ${hold} no glass chosen yet; choose it under Glass.`,
  'wrong-glass': ({ name, pieces, numbers }) =>
    `${name} is another glass than ${pieces.toLowerCase()} ${numbers.length === 1 ? 'wants' : 'want'}; choose the glass of the piece first or take another sheet.`,
  'not-enough': ({ name, have, want }) =>
    `${name} has ${have} left and this takes ${want}; take another sheet or split the cut.`,
  'left-too-large': ({ name, have, want }) =>
    `After the pieces ${name} has ${have} left, less than the ${want} entered; measure again.`,
  'stock-gone': ({ name }) => `${name} is not on the rack any more; take another.`,
  'stock-begun': ({ name }) => `Glass of ${name} has been cut already; write it off, or correct its measures.`,
  'cut-more': ({ name, have, want }) =>
    `Of ${name} ${want} are cut already, more than the ${have} entered; measure again.`,
  'not-laid': ({ name, pieces, are }) =>
    `${pieces} ${are} not laid out on ${name} any more; lay out anew, or say what is left of it.`,
  'laid-already': ({ name, more, state }) =>
    `${name} is laid out for ${placeName(more, state)}; lift those pieces off first, or take another sheet.`,
  'kept-for-other': ({ name, more, state }) =>
    `${name} is kept for ${placeName(more, state)}; free it on the rack, or take another sheet.`,
  'empty-note': () => 'A note has words, or a photo.',
  'unknown-supply': () => 'That is not among the supplies any more.',
  'supply-kind': ({ name }) => `What was booked of ${name} is in another measure; enter a new supply instead.`,
  'supply-short': ({ name, more }) => `Of ${name} only ${more} is there; count or weigh it first.`,
  'not-built-in': ({ pieces, numbers }) =>
    `${pieces} ${numbers.length === 1 ? 'is' : 'are'} not built in yet; say that it broke instead.`,
  'repair-open': ({ pieces }) => `${pieces} is being mended already.`,
  'unknown-wait': () => 'Nothing is waited for there any more.',
  'unknown-repair': () => 'This repair is not there any more.',
  'unknown-note': () => 'This note is not there any more.',
  'no-photo': ({ name }) => `No photo of ${name} is kept.`,
  'split-beside': ({ name }) => `This does not part ${name} in two; draw the break from edge to edge.`,
  'split-shape-unknown': ({ name }) => `Of ${name} only the area is known; draw its true shape first.`,
  'join-itself': ({ name }) => `${name} can not be joined to itself; say which other record is the same glass.`,
  'join-other-glass': ({ name, more }) => `${name} and ${more} are not of the same glass.`,
  'join-kept-apart': ({ name, more }) => `${name} and ${more} are kept for different jobs; free one of them first.`,
  'layout-unsound': ({ name }) => `Of ${name} this can not be broken as it is laid; lay out anew.`,
  'shape-crossing': ({ name }) => `The outline of ${name} crosses itself; draw it once round.`,
  'shape-no-area': ({ name }) => `The outline of ${name} holds no glass; set three corners or more.`,
  'shape-flaw-crossing': ({ name }) => `A flaw on ${name} crosses itself; draw it once round.`,
  'shape-flaw-outside': ({ name }) => `A flaw lies beside ${name}; draw it on the glass.`,
  'counted-twice': ({ name }) => `${name} is counted twice; say once what is there of it.`,
  'count-over': ({ name, have, want }) =>
    `${name} measures no more than ${have}, so ${want} can not be there; correct its measures first.`,
  'label-taken': ({ name }) => `The label ${name} is on another piece of glass; choose a new one.`,
  'code-taken': ({ name, more }) =>
    more === ''
      ? `The code ${name} belongs to another glass; choose a new one.`
      : `The code ${name} belongs to a glass that is ${more}; bring that back in Setup, or choose a new code.`,
  archived: ({ name }) => `“${name}” is archived; bring it back first.`,
  deleted: ({ name }) => `“${name}” was deleted; bring it back in Setup first.`,
  'clock-runs': ({ name }) => `A clock still runs for “${name}”; stop it first.`,
  'glass-on-rack': ({ name, more }) =>
    `Glass ${name} still stands on the rack (${more}); write that off or take it out first, or archive the glass.`,
  'entry-taken': () => 'This entry is there already; nothing was changed.',
  'not-back': ({ pieces }) => `${pieces} can go no further back than cut; use undo for a slip, or broke.`,
  'not-in-place': ({ name, numbers }) =>
    `${name} ${numbers.length === 1 ? 'is' : 'are'} not in place yet: ${showNumbers(numbers, 8)}.`,
  'step-order': ({ name }) => `First ${name}.`,
  'step-done': ({ name }) => `That is done already: ${name}.`,
  'joints-done': ({ numbers, name }) =>
    `${numbers.length === 1 ? `Joint ${numbers[0]} is` : `Joints ${showNumbers(numbers, 8)} are`} soldered on the ${name} already.`,
  'clock-runs-not': () => 'No clock is running for this person.',
  'ends-before-start': () => 'It cannot end before it starts; check the times.',
  'in-the-future': () => 'It cannot end later than now; check the times.',
  'has-work': ({ name, numbers }) =>
    `Glass of ${name} is cut already (${showNumbers(numbers, 6)}), so this can not be changed under it.`,
  'not-on-route': ({ pieces, numbers, name }) =>
    `${pieces} ${numbers.length === 1 ? 'stands' : 'stand'} at a step that “${name}” does not have; bring ${numbers.length === 1 ? 'it' : 'them'} on or back first.`,
  'done-not-on-route': ({ name, more }) => `“${name}” is done already, and “${more}” has no such step.`,
  'route-unsound': ({ name }) => `This is no way to build a panel: ${name}.`,
  'nothing-to-undo': () => 'There is nothing of yours to take back here.',
  'nothing-to-redo': () => 'There is nothing of yours to do again here.',
  'asks-first': ({ name }) => `“${name}” is a large step; say that you want it taken back.`,
  'taken-back': ({ name }) => `“${name}” is taken back already.`,
  ahead: () =>
    'This screen has seen more than the studio holds: an older copy was put back. Look again, then repeat it.',
  'changed-since': (telling) =>
    `${whatHas(telling)} changed since, so nothing was done; take back first what came after.`,
  stale: changed,
} as const satisfies Readonly<Record<string, (telling: Telling) => string>>;

export type RefusalCode = keyof typeof REFUSALS;
export const REFUSAL_CODES = keysOf(REFUSALS);

export interface Refusal extends RefusalFacts {
  readonly code: RefusalCode;
}

/** Why a command was not carried out, in one plain sentence that says what to do. */
export function refusalWords(refusal: Refusal, unit: DisplayUnit, state?: Reader): string {
  const { numbers = [], name = '', more = '', haveMm2 = 0, wantMm2 = 0, meanwhile = [] } = refusal;
  const isOne = numbers.length === 1;
  const words: (telling: Telling) => string = REFUSALS[refusal.code];
  return words({
    numbers,
    name,
    more,
    meanwhile,
    have: showArea(haveMm2, unit),
    want: showArea(wantMm2, unit),
    pieces: isOne ? `Piece ${numbers[0]}` : `Pieces ${showNumbers(numbers, 8)}`,
    are: isOne ? 'is' : 'are',
    hold: isOne ? 'has' : 'have',
    them: isOne ? 'it' : 'them',
    state,
  });
}

function placeName(id: string, state?: Reader): string {
  return state?.get('panels', id)?.name ?? state?.get('commissions', id)?.title ?? state?.get('people', id)?.name ?? id;
}
