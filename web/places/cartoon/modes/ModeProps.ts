import type { CartoonAnswer } from '#contract';
import type { PanelView } from '../../../panel/view.ts';
import type { Desk } from '../useDesk.ts';

/** Why nothing else is done to the drawing for a moment. */
export const CHANGING = 'The drawing is being changed.';

/** What every mode's panel is given. */
export interface ModeProps {
  readonly view: PanelView;
  readonly answer: CartoonAnswer;
  readonly desk: Desk;
  /** Numbers of the picked pieces. */
  readonly selected: ReadonlySet<number>;
}
