import type { Behind, SheetLaidOut } from '#core/bench';
import { spotOf, type SpotFound, type KeptSheet, type Layout, type LayoutJob, type LayoutSheet } from '#core/layout';

/** One sheet with a layout: as it was found, or as it was kept. */
export interface SheetLaid {
  readonly sheet: LayoutSheet;
  /** The sheet whose picture it shows. */
  readonly rootId: string;
  readonly layout: Layout;
  /** Null where it was only found. */
  readonly kept: KeptSheet | null;
}

/** A piece of this panel or of another one. */
export interface PieceOfPanel {
  readonly panelId: string;
  readonly number: number;
  /** Its second glass; its own where left out. */
  readonly of?: Behind;
}

/**
 * A layout that was found, sheet by sheet, as it is kept.
 * @param pieceOf which piece each id means
 * @param byHand where pieces lie that were laid by hand, by their ids
 */
export function toKeep(
  { pieces }: Pick<LayoutJob, 'pieces'>,
  { placements, breaks }: Layout,
  pieceOf: (id: string) => PieceOfPanel | undefined,
  byHand: ReadonlyMap<string, SpotFound> = new Map(),
): SheetLaidOut[] {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  return [...new Set(placements.map((one) => one.sheetId))].map((stockId) => ({
    stockId,
    breaks: breaks.filter((one) => one.sheetId === stockId).map(({ from, to }) => ({ from, to })),
    pieces: placements.flatMap((one) => {
      if (one.sheetId !== stockId) return [];
      const piece = byId.get(one.pieceId);
      const spot = byHand.get(one.pieceId) ?? (piece && spotOf(piece, one));
      const means = pieceOf(one.pieceId);
      return spot && means ? [{ ...means, ...spot }] : [];
    }),
  }));
}
