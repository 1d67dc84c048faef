import type { Reader, Refusal } from '../bench/index.ts';
import type { DrawingRefusalCode } from '../cartoon/index.ts';
import { showArea, showNumbers, type DisplayUnit } from '../units/index.ts';
import { STAGE_WORDS, STEP_WORDS } from './terms.ts';

const stageOrStep = (name = ''): string =>
  (STAGE_WORDS as Record<string, string>)[name] ?? (STEP_WORDS as Record<string, string>)[name] ?? name;

/** Why a command was not carried out, in one plain sentence that says what to do. */
export function refusalWords(refusal: Refusal, unit: DisplayUnit, state?: Reader): string {
  const { numbers = [], name = '', haveMm2 = 0, wantMm2 = 0 } = refusal;
  const pieces = numbers.length === 1 ? `Piece ${numbers[0]}` : `Pieces ${showNumbers(numbers, 8)}`;
  const isAre = numbers.length === 1 ? 'is' : 'are';
  const hasHave = numbers.length === 1 ? 'has' : 'have';
  switch (refusal.code) {
    case 'unknown-panel':
      return 'This panel is not in the studio any more.';
    case 'unknown-pieces':
      return `There is no piece ${showNumbers(numbers, 6)} in this panel.`;
    case 'unknown-glass':
      return 'That glass is not on the rack.';
    case 'unknown-stock':
      return `There is no sheet or offcut labelled ${name}.`;
    case 'unknown-person':
      return 'That person is not in the studio; add them under Setup.';
    case 'unknown-commission':
      return 'That commission is not in the studio any more.';
    case 'unknown-entry':
      return 'That entry is not there any more.';
    case 'unknown-joints':
      return numbers.length ? `There is no joint ${showNumbers(numbers, 6)} in this panel.` : 'Say which joints.';
    case 'no-pieces':
      return 'Say which pieces.';
    case 'nothing-to-do':
      if (name === 'clock') return 'That clock is running already.';
      if (name === 'broken') return `${pieces} ${isAre} waiting to be cut again already.`;
      return name === '' ? `${pieces} would not change.` : `${pieces} ${isAre} ${stageOrStep(name)} already.`;
    case 'not-cut':
      return `${pieces} ${isAre} not cut yet; cut ${numbers.length === 1 ? 'it' : 'them'} first.`;
    case 'not-this-route':
      return `“${stageOrStep(name)}” is not part of this panel's work.`;
    case 'already-in-hand':
      return `${pieces} ${isAre} cut already; break or recut ${numbers.length === 1 ? 'it' : 'them'} instead.`;
    case 'no-glass':
      return `${pieces} ${hasHave} no glass chosen yet; choose it under Glass.`;
    case 'wrong-glass':
      return `${name} is another glass than ${pieces.toLowerCase()} ${numbers.length === 1 ? 'wants' : 'want'}; choose the glass of the piece first or take another sheet.`;
    case 'not-enough':
      return `${name} has ${showArea(haveMm2, unit)} left and this takes ${showArea(wantMm2, unit)}; take another sheet or split the cut.`;
    case 'left-too-large':
      return `After the pieces ${name} has ${showArea(haveMm2, unit)} left, less than the ${showArea(wantMm2, unit)} entered; measure again.`;
    case 'stock-gone':
      return `${name} is not on the rack any more; take another.`;
    case 'label-taken':
      return `The label ${name} is on another piece of glass; choose a new one.`;
    case 'code-taken':
      return `The code ${name} belongs to another glass; choose a new one.`;
    case 'not-back':
      return `${pieces} can go no further back than cut; use undo for a slip, or broke.`;
    case 'reason-needed':
      return 'Say why.';
    case 'not-in-place':
      return `${name} ${numbers.length === 1 ? 'is' : 'are'} not in place yet: ${showNumbers(numbers, 8)}.`;
    case 'step-order':
      return `First ${stageOrStep(name)}.`;
    case 'step-done':
      return `That is done already: ${stageOrStep(name)}.`;
    case 'step-not-done':
      return `That is not done yet: ${stageOrStep(name)}.`;
    case 'joints-done':
      return `${numbers.length === 1 ? `Joint ${numbers[0]} is` : `Joints ${showNumbers(numbers, 8)} are`} soldered on the ${name} already.`;
    case 'clock-runs-not':
      return 'No clock is running for this person.';
    case 'ends-before-start':
      return 'It cannot end before it starts; check the times.';
    case 'in-the-future':
      return 'It cannot end later than now; check the times.';
    case 'glass-in-use':
      return 'This glass is in use.';
    case 'has-work':
      return `Glass of ${name} is cut already (${showNumbers(numbers, 6)}), so this can not be changed under it.`;
    case 'nothing-to-undo':
      return 'There is nothing to undo on this bench.';
    case 'nothing-to-redo':
      return 'There is nothing to redo on this bench.';
    case 'changed-since':
    case 'stale': {
      const what = numbers.length ? `${pieces} ${hasHave}` : `${name ? placeName(name, state) : 'This'} has`;
      const told = refusal.meanwhile?.length ? ` Meanwhile: ${refusal.meanwhile.join(' ')}` : '';
      return `${what} changed on another screen since; nothing was done.${told} Look again, then repeat it.`;
    }
  }
}

function placeName(id: string, state?: Reader): string {
  return state?.get('panels', id)?.name ?? state?.get('commissions', id)?.title ?? state?.get('people', id)?.name ?? id;
}

/** Why a drawing was not taken, in one plain sentence that says what to do. */
export function drawingRefusalWords(code: DrawingRefusalCode): string {
  switch (code) {
    case 'not-a-drawing':
      return 'This file is not an SVG or DXF drawing; save the cartoon as SVG and bring it in again.';
    case 'too-large':
      return 'This file is too large for a cartoon (more than 30 MB of lines); leave pictures and shading out and save it again.';
    case 'no-numbers':
      return 'The drawing has coordinates that are not numbers; save it again from the vector editor.';
    case 'no-size':
      return 'The drawing says it is 0 wide or high; set its page size and save it again.';
    case 'nothing-drawn':
      return 'No visible lines were found in this drawing; check that its layers are switched on.';
    case 'nothing-closed':
      return 'No line of this drawing closes a region, so there are no pieces; join the lines and save it again.';
    case 'too-wide':
      return 'The panel would be more than 3.2 m across; set its true size by one measure.';
    case 'scribble':
      return 'The lines cross so often that most regions are specks; this is no cartoon of a panel.';
    case 'tangle':
      return 'The lines lie so close together that no glass fits between them; this is no cartoon of a panel.';
    case 'too-many':
      return 'This drawing has more lines or regions than a panel of 8,000 pieces; leave hatching and shading out and save it again.';
    case 'bad-size':
      return 'The size must be more than 0; enter a length such as 420 mm or 16 1/2 in.';
  }
}
