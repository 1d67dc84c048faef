import type { DrawingRefusal } from '#core/cartoon';
import { readDrawing, type DrawingJob, type DrawingResult } from '#core/cutting';

export type PreviewJob = DrawingJob;

export type PreviewMessage =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'read'; readonly result: DrawingResult }
  | { readonly kind: 'refused'; readonly refusal: DrawingRefusal['refusal'] }
  | { readonly kind: 'broke' };

const tell = (message: PreviewMessage) => postMessage(message);

/** Reads a drawing off the page's thread: the same core that the server runs when it is accepted. */
onmessage = ({ data }: MessageEvent<PreviewJob>) => {
  try {
    const onProgress = (share: number) => tell({ kind: 'progress', share: share * 0.8 });
    const result = readDrawing({ ...data, options: { ...data.options, onProgress } });
    tell('refusal' in result ? { kind: 'refused', refusal: result.refusal } : { kind: 'read', result });
  } catch {
    tell({ kind: 'broke' });
  }
};
