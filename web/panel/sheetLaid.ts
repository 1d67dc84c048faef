import type { SheetLaidOut } from '#core/bench';
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

/**
 * A layout that was found, sheet by sheet, as it is kept.
 * @param byHand where pieces lie that were laid by hand, by their number
 */
export function toKeep(
  { pieces }: Pick<LayoutJob, 'pieces'>,
  { placements, breaks }: Layout,
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
      return spot ? [{ number: Number(one.pieceId), ...spot }] : [];
    }),
  }));
}
