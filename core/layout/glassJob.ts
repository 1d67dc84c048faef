import type { Ring } from '../geometry/index.ts';
import type { Limits } from '../limits/index.ts';
import { shapeLeft, upright, type Glass, type StockItem } from '../stock/index.ts';
import type { LayoutJob, LayoutPiece, LayoutSheet } from './types.ts';

/** What a studio lays out by. */
export interface LaidOutBy {
  readonly marginMm: number;
  readonly keepMm: number;
  readonly edgeMm: number;
  readonly flowToleranceDeg: number;
}

export const laidOutBy = (
  limits: Pick<Limits, 'breakMarginMm' | 'keepMm' | 'sheetEdgeMm' | 'flowOffDeg'>,
): LaidOutBy => ({
  marginMm: limits.breakMarginMm,
  keepMm: limits.keepMm,
  edgeMm: limits.sheetEdgeMm,
  flowToleranceDeg: limits.flowOffDeg,
});

/** A piece that is to be cut from one glass. */
export interface GlassPiece {
  /** Its number; of a piece of another panel, with what tells the panel. */
  readonly id: string;
  /** Outer ring of its cut outline, mm. */
  readonly outline: Ring;
  readonly flowDeg: number | null;
}

/** In what size a glass is sold. */
export interface SheetSize {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A sheet or offcut as a layout sees it. Its flow runs along its height. */
export function sheetOf(item: StockItem, glass: Pick<Glass, 'flow'>): LayoutSheet {
  const { outline, isGuess } = shapeLeft(item);
  return {
    id: item.id,
    outline,
    flowDeg: glass.flow ? 90 : null,
    // A sheet that was begun is no whole one any more.
    offcut: item.kind === 'offcut' || isGuess || item.outline !== null,
    flaws: item.flaws,
  };
}

/**
 * The pieces of one glass as a job on what the rack has of it.
 * @param isTurnedOver the glass is scored on its back, so its pieces are traced mirrored
 */
export function glassJob(
  pieces: readonly GlassPiece[],
  glass: Pick<Glass, 'flow'>,
  stock: readonly StockItem[],
  by: LaidOutBy,
  isTurnedOver: boolean,
): LayoutJob {
  const sheets = stock.filter((item) => item.gone === null && item.areaMm2 > 0).map((item) => sheetOf(item, glass));
  return {
    marginMm: by.marginMm,
    keepMm: by.keepMm,
    edgeMm: by.edgeMm,
    sheets,
    pieces: pieces.map(({ id, outline, flowDeg }): LayoutPiece => ({
      id,
      outline,
      flowDeg: glass.flow ? flowDeg : null,
      flowToleranceDeg: by.flowToleranceDeg,
      turnOver: isTurnedOver,
    })),
  };
}

/** Sheets that would have to be bought are tried up to this many. */
const MOST_BOUGHT = 12;

/**
 * The job of the pieces for which the rack has no glass, on new sheets of the size of the largest that is known.
 * @returns null where nothing is known of the size in which the glass is sold
 */
export function purchaseJob(job: LayoutJob, pieceIds: ReadonlySet<string>, size: SheetSize | null): LayoutJob | null {
  if (size === null || pieceIds.size === 0) return null;
  const flowDeg = job.sheets[0]?.flowDeg ?? null;
  return {
    ...job,
    pieces: job.pieces.filter((piece) => pieceIds.has(piece.id)),
    sheets: Array.from({ length: Math.min(MOST_BOUGHT, pieceIds.size) }, (_, i) => ({
      id: `new ${i + 1}`,
      outline: upright(size.widthMm, size.heightMm),
      flowDeg,
      offcut: false,
      flaws: [],
    })),
  };
}
