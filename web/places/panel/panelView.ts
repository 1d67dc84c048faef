import type { CartoonAnswer, LogLine } from '#contract';
import type { Settings, Studio, Tables } from '#core/bench';
import type { Glass } from '#core/stock';
import type { PanelPaths } from '../../panel/paths.ts';

/** All that the steps of one panel look at. */
export interface PanelView {
  readonly panel: Tables['panels'];
  readonly pieces: readonly Tables['pieces'][];
  readonly reader: Studio;
  readonly settings: Settings;
  readonly log: readonly LogLine[];
  readonly answer: CartoonAnswer | null;
  readonly paths: PanelPaths | null;
  readonly glasses: ReadonlyMap<string, Glass>;
}
