import type { Ring } from '../geometry/index.ts';
import { shapeLeft, upright, type Glass, type StockItem } from '../stock/index.ts';
import type { LayoutJob, LayoutPiece, LayoutSheet } from './types.ts';

/** What a studio lays out by, where it says nothing else. */
export const LAID_OUT_BY = {
  /** Between two pieces: room for the running pliers on both sides of a break. From memory. */
  marginMm: 5,
  /** An offcut that holds a square of this side goes back onto the rack. From memory. */
  keepMm: 60,
  /** How far a flow may lie off what was drawn before it is seen. From memory. */
  flowToleranceDeg: 10,
} as const;

/** A piece that is to be cut from one glass. */
export interface GlassPiece {
  readonly number: number;
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
  edgeMm: number,
  isTurnedOver: boolean,
): LayoutJob {
  const sheets = stock.filter((item) => item.gone === null && item.areaMm2 > 0).map((item) => sheetOf(item, glass));
  return {
    marginMm: LAID_OUT_BY.marginMm,
    keepMm: LAID_OUT_BY.keepMm,
    edgeMm,
    sheets,
    pieces: pieces.map(({ number, outline, flowDeg }): LayoutPiece => ({
      id: String(number),
      outline,
      flowDeg: glass.flow ? flowDeg : null,
      flowToleranceDeg: LAID_OUT_BY.flowToleranceDeg,
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
