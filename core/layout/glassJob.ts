import type { Ring } from '../geometry/index.ts';
import type { Glass, StockItem } from '../stock/index.ts';
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

/** What is taken to be left of a sheet. */
export interface SheetLeft {
  readonly widthMm: number;
  readonly heightMm: number;
  /** It was cut from, and only its area is known: the full width is taken, and as much of the height as that leaves. */
  readonly isGuess: boolean;
}

/** An area that lacks less than this share is a whole sheet with its corners knocked off. */
const WHOLE_SHARE = 0.995;

export function sheetLeft(item: Pick<StockItem, 'widthMm' | 'heightMm' | 'areaMm2'>): SheetLeft {
  const { widthMm, heightMm, areaMm2 } = item;
  const share = Math.min(1, areaMm2 / (widthMm * heightMm));
  return share >= WHOLE_SHARE
    ? { widthMm, heightMm, isGuess: false }
    : { widthMm, heightMm: heightMm * share, isGuess: true };
}

const upright = (widthMm: number, heightMm: number): Ring => [
  [0, 0],
  [widthMm, 0],
  [widthMm, heightMm],
  [0, heightMm],
];

/**
 * The pieces of one glass as a job on what the rack has of it. A sheet's flow runs along its height.
 * @param isTurnedOver the glass is scored on its back, so its pieces are traced mirrored
 */
export function glassJob(
  pieces: readonly GlassPiece[],
  glass: Pick<Glass, 'flow'>,
  stock: readonly StockItem[],
  edgeMm: number,
  isTurnedOver: boolean,
): LayoutJob {
  const sheets = stock
    .filter((item) => item.gone === null && item.areaMm2 > 0)
    .map((item): LayoutSheet => {
      const { widthMm, heightMm } = sheetLeft(item);
      return {
        id: item.id,
        outline: upright(widthMm, heightMm),
        flowDeg: glass.flow ? 90 : null,
        // A sheet that was begun is no whole one any more.
        offcut: item.kind === 'offcut' || sheetLeft(item).isGuess,
        flaws: [],
      };
    });
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
export function purchaseJob(job: LayoutJob, pieceIds: ReadonlySet<string>, size: SheetLeft | null): LayoutJob | null {
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
