import { LAID_OUT_BY, layOn, takersOfPiece, type Layout, type LayoutPiece, type LayoutSheet } from '#core/layout';

/** Which sheets and offcuts take one piece. */
export interface TakersWish {
  readonly key: string;
  readonly piece: LayoutPiece;
  readonly sheets: readonly LayoutSheet[];
  readonly edgeMm: number;
}

export interface TakersFound {
  readonly key: string;
  /** How many take it, and the first few of them with the piece lying on them. */
  readonly count: number;
  readonly best: readonly { readonly sheet: LayoutSheet; readonly layout: Layout }[];
}

const MOST_SHOWN = 3;

onmessage = ({ data: { key, piece, sheets, edgeMm } }: MessageEvent<TakersWish>) => {
  const { marginMm, keepMm } = LAID_OUT_BY;
  const by = { marginMm, keepMm, edgeMm };
  const takers = takersOfPiece(piece, sheets, by);
  const best: TakersFound['best'][number][] = [];
  for (const sheet of takers) {
    const layout = layOn(piece, sheet, by);
    if (layout !== null) best.push({ sheet, layout });
    if (best.length === MOST_SHOWN) break;
  }
  const found: TakersFound = { key, count: takers.length, best };
  postMessage(found);
};
