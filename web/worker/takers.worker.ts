import { layOn, takersOfPiece, type LaidOutBy, type Layout, type LayoutPiece, type LayoutSheet } from '#core/layout';

/** Which sheets and offcuts take one piece. */
export interface TakersWish {
  readonly key: string;
  readonly piece: LayoutPiece;
  readonly sheets: readonly LayoutSheet[];
  readonly by: LaidOutBy;
}

export interface TakersFound {
  readonly key: string;
  /** How many take it, and the first few of them with the piece lying on them. */
  readonly count: number;
  readonly best: readonly { readonly sheet: LayoutSheet; readonly layout: Layout }[];
}

const MOST_SHOWN = 3;

onmessage = ({ data: { key, piece, sheets, by } }: MessageEvent<TakersWish>) => {
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
