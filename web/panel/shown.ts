import type { Glass, SheetPhoto } from '#core/stock';
import type { PicturePaths } from './paths.ts';
import type { Pictured, PicturedPiece } from './standing.ts';

/** A panel with its drawing, its pieces and the glasses that they may be of: all that a picture is made from. */
export interface Shown {
  readonly paths: PicturePaths;
  readonly panel: Pictured;
  readonly pieces: readonly PicturedPiece[];
  readonly glasses: ReadonlyMap<string, Glass>;
  /** Photos of sheets that pieces lie on or were cut from, by the sheet they once came as. */
  readonly photos?: ReadonlyMap<string, SheetPhoto> | undefined;
}
