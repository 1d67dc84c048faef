import type { CartoonAnswer, PanelAnswer } from '#contract';
import type { PieceRow, Settings, Standing, Studio } from '#core/bench';
import type { Glass } from '#core/stock';
import type { PanelPaths } from '../../panel/paths.ts';

/** All that the steps of one panel look at. */
export interface PanelView {
  readonly panel: Standing;
  readonly commission: PanelAnswer['commission'];
  /** Other panels of the commission. */
  readonly set: PanelAnswer['set'];
  readonly pieces: readonly PieceRow[];
  readonly reader: Studio;
  readonly settings: Settings;
  readonly clocks: readonly { readonly personId: string; readonly panelName: string | null }[];
  readonly answer: CartoonAnswer | null;
  readonly paths: PanelPaths | null;
  readonly glasses: ReadonlyMap<string, Glass>;
}
