import type { SheetLaidOut } from '#core/bench';
import { spotOf, type KeptSheet, type Layout, type LayoutJob, type LayoutSheet } from '#core/layout';

/** One sheet with a layout: as it was found, or as it was kept. */
export interface SheetLaid {
  readonly sheet: LayoutSheet;
  /** The sheet whose picture it shows. */
  readonly rootId: string;
  readonly layout: Layout;
  /** Null where it was only found. */
  readonly kept: KeptSheet | null;
}

/** A layout that was found, sheet by sheet, as it is kept. */
export function toKeep({ pieces }: LayoutJob, { placements, breaks }: Layout): SheetLaidOut[] {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  return [...new Set(placements.map((one) => one.sheetId))].map((stockId) => ({
    stockId,
    breaks: breaks.filter((one) => one.sheetId === stockId).map(({ from, to }) => ({ from, to })),
    pieces: placements.flatMap((one) => {
      const piece = byId.get(one.pieceId);
      return one.sheetId === stockId && piece ? [{ number: Number(one.pieceId), ...spotOf(piece, one) }] : [];
    }),
  }));
}
