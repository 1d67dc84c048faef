import type { CartoonAnswer, PanelAnswer } from '#contract';
import { backGlassOf, type PieceRow, type Settings, type Standing, type Studio } from '#core/bench';
import type { Limits } from '#core/limits';
import type { Glass, SheetPhoto } from '#core/stock';
import type { PanelPaths } from './paths.ts';

/** All that the steps of one panel look at. */
export interface PanelView {
  readonly panel: Standing;
  readonly commission: PanelAnswer['commission'];
  /** Other panels of the commission. */
  readonly set: PanelAnswer['set'];
  /** Choices of glass that are kept by name. */
  readonly choices: PanelAnswer['choices'];
  readonly pieces: readonly PieceRow[];
  readonly reader: Studio;
  readonly settings: Settings;
  /** What the studio judges and measures by. */
  readonly limits: Limits;
  readonly clocks: readonly { readonly personId: string; readonly panelName: string | null }[];
  readonly answer: CartoonAnswer | null;
  readonly paths: PanelPaths | null;
  readonly glasses: ReadonlyMap<string, Glass>;
  /** Photos of sheets, by the sheet that they once came as. */
  readonly photos: ReadonlyMap<string, SheetPhoto>;
}

/** Its pieces with their glass, as far as it is chosen, and that behind it where they are of two. */
export const withGlass = ({ pieces, glasses }: PanelView) =>
  pieces.map((piece): { number: number; glass: Glass | null; back: Glass | null } => ({
    number: piece.number,
    glass: glasses.get(piece.glassId ?? '') ?? null,
    back: glasses.get(backGlassOf(piece) ?? '') ?? null,
  }));
