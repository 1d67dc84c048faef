/** A key and what it does. */
export type Key = readonly [keys: string, does: string];

const EVERYWHERE: readonly Key[] = [
  ['Ctrl K', 'find a job, a piece, a glass, a sheet, a person, a place, an act'],
  ['?', 'these keys'],
  ['Ctrl Z', 'take back what you did last here'],
  ['Ctrl Shift Z', 'do it again'],
  ['Esc', 'close what lies over the place'],
];
const BOARD: readonly Key[] = [
  ['← ↑ → ↓', 'to the neighbouring piece'],
  ['Shift with an arrow', 'and add it to what is picked'],
  ['Shift and drag', 'draw a lasso round pieces'],
  ['Ctrl and click', 'add a piece, or take it out'],
  ['double click', 'all pieces of that glass'],
  ['+ − 0', 'closer, further off, the whole panel'],
];
const DRAWING: readonly Key[] = [
  ['← ↑ → ↓', 'move the crosshair by 1 mm, with Shift by 10 mm'],
  ['Enter', 'tap there'],
  ['+ − 0', 'closer, further off, the whole panel'],
];
const SHEET: readonly Key[] = [
  ['← →', 'the break before, the next break'],
  ['Esc', 'back to all sheets'],
];
const TALLY: readonly Key[] = [
  ['/', 'to the tally line, from every step of the panel'],
  ['1 to 9', 'on the board: begin a line with that number'],
  ['Enter', 'what the line says is done'],
];

/** The keys of a place, by its address, the most particular first. */
export function keysAt(pathname: string): readonly { readonly title: string; readonly keys: readonly Key[] }[] {
  const [, place, , step] = pathname.split('/');
  const own: { title: string; keys: readonly Key[] }[] = [];
  if (place === 'panels') {
    if (step === 'bench' || step === undefined) own.push({ title: 'On the board', keys: BOARD });
    if (step === 'glass') own.push({ title: 'On the board', keys: BOARD });
    if (step === 'layout') own.push({ title: 'On a sheet that is taken apart', keys: SHEET });
    if (step === 'cartoon') own.push({ title: 'On the drawing', keys: DRAWING });
    own.push({ title: 'The tally line', keys: TALLY });
  }
  return [...own, { title: 'Everywhere', keys: EVERYWHERE }];
}
