/** What a tap on the drawing means. */
export type Mode =
  'look' | 'add-line' | 'take-line' | 'move-node' | 'profile' | 'flow' | 'sections' | 'numbers' | 'size';

interface ModeWords {
  readonly id: Mode;
  readonly name: string;
  readonly how: string;
  /** Lines are added, taken or moved: glass that is cut stands in the way. */
  readonly changesLines?: true;
}

export const MODES: readonly ModeWords[] = [
  { id: 'look', name: 'Look', how: 'Tap a piece, or one of the notes, to see what is meant.' },
  {
    id: 'add-line',
    name: 'Add a line',
    how: 'Tap where the line begins on another line, then where it ends. A tap between is a bend.',
    changesLines: true,
  },
  { id: 'take-line', name: 'Take away', how: 'Tap the line between two pieces; they become one.', changesLines: true },
  { id: 'move-node', name: 'Move a joint', how: 'Tap a joint, then the place it goes to.', changesLines: true },
  { id: 'profile', name: 'Came & gap', how: 'Tap lines, or draw a lasso round them, then say what they take up.' },
  {
    id: 'flow',
    name: 'Flow',
    how: 'Tap where the streaks come from, then where they run to. Pieces picked with the lasso all get that arrow.',
  },
  { id: 'sections', name: 'Sections', how: 'Pick pieces by tapping or with the lasso, then name their section.' },
  { id: 'numbers', name: 'Numbers', how: 'Number anew, or one by hand. What is written on glass stays.' },
  { id: 'size', name: 'True size', how: 'Tap the two ends of a length that you know.' },
];
