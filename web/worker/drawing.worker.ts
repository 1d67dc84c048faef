import { readCartoon, type CartoonReading, type DrawingRefusal, type ReadOptions } from '#core/cartoon';
import { cuttability, type Cuttability } from '#core/cutting';
import { cutOutlines, type CutPiece, type LineAllowance } from '#core/sizing';

export interface PreviewJob {
  readonly source: string;
  readonly options: Omit<ReadOptions, 'onProgress'>;
  readonly allowance: LineAllowance;
}

export type PreviewMessage =
  | { readonly kind: 'progress'; readonly share: number }
  | {
      readonly kind: 'read';
      readonly reading: CartoonReading;
      readonly cuts: readonly CutPiece[];
      readonly cuttability: readonly Cuttability[];
    }
  | { readonly kind: 'refused'; readonly refusal: DrawingRefusal['refusal'] }
  | { readonly kind: 'broke' };

const tell = (message: PreviewMessage) => postMessage(message);

/** Reads a drawing off the page's thread: the same core that the server runs when it is accepted. */
onmessage = ({ data }: MessageEvent<PreviewJob>) => {
  try {
    const reading = readCartoon(data.source, {
      ...data.options,
      onProgress: (share) => tell({ kind: 'progress', share: share * 0.8 }),
    });
    if ('refusal' in reading) return tell({ kind: 'refused', refusal: reading.refusal });
    const cuts = cutOutlines(reading.cartoon, data.allowance);
    tell({ kind: 'read', reading, cuts, cuttability: cuts.map((cut) => cuttability(cut)) });
  } catch {
    tell({ kind: 'broke' });
  }
};
