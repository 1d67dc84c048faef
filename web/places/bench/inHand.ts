import type { SourceQuestion } from '#core/bench';
import type { PanelView } from '../../panel/view.ts';
import type { AskedRecut } from '../../tally/useTally.ts';

/** The pieces in hand, and the way to ask from which sheet they are cut. */
export interface InHandProps {
  readonly view: PanelView;
  readonly numbers: readonly number[];
  readonly ask: (questions: readonly SourceQuestion[], recut?: AskedRecut) => void;
}
