import { useEffect, useEffectEvent, useRef, useState } from 'react';
import type { CartoonAnswer } from '#contract';
import type { DrawingRefusalCode } from '#core/cartoon';
import type { DrawingResult } from '#core/cutting';
import { drawingRefusalWords } from '#core/words';
import type { PreviewJob, PreviewMessage } from '../../worker/drawing.worker.ts';

export type Preview =
  | { readonly kind: 'none' }
  | { readonly kind: 'reading'; readonly share: number }
  | {
      readonly kind: 'problem';
      readonly words: string;
      /** Another size would mend it. */
      readonly size?: boolean;
    }
  | { readonly kind: 'ready'; readonly result: DrawingResult; readonly answer: CartoonAnswer };

const isOfSize = (code: DrawingRefusalCode): boolean =>
  code === 'too-wide' || code === 'too-small' || code === 'no-size' || code === 'bad-size';

/** Reads drawings in a web worker, the last one asked for; `stop` ends it at once. */
export function usePreview(): {
  preview: Preview;
  read: (job: PreviewJob) => void;
  fail: (words: string) => void;
  stop: () => void;
} {
  const [preview, setPreview] = useState<Preview>({ kind: 'none' });
  const worker = useRef<Worker | null>(null);
  /** What is being read. */
  const reading = useRef<PreviewJob>(null);
  const show = (next: Preview) => {
    reading.current = null;
    setPreview(next);
  };
  const stop = () => {
    worker.current?.terminate();
    show({ kind: 'none' });
  };
  const read = (job: PreviewJob) => {
    worker.current?.terminate();
    reading.current = job;
    const mine = new Worker(new URL('../../worker/drawing.worker.ts', import.meta.url), { type: 'module' });
    worker.current = mine;
    setPreview({ kind: 'reading', share: 0 });
    mine.onmessage = ({ data }: MessageEvent<PreviewMessage>) => {
      if (data.kind === 'progress') setPreview({ kind: 'reading', share: data.share });
      else if (data.kind === 'refused')
        show({ kind: 'problem', words: drawingRefusalWords(data.refusal), size: isOfSize(data.refusal) });
      else if (data.kind === 'broke')
        show({ kind: 'problem', words: 'This drawing could not be read; save it again from the vector editor.' });
      else show({ kind: 'ready', result: data.result, answer: { id: 'preview', ...data.result } });
    };
    mine.onerror = () =>
      show({ kind: 'problem', words: 'This drawing could not be read; save it again from the vector editor.' });
    mine.postMessage(job);
  };
  const fail = (words: string) => {
    worker.current?.terminate();
    show({ kind: 'problem', words });
  };
  // Out of sight nothing is read; seen again, it is read from the beginning.
  const goOn = useEffectEvent(() => {
    if (reading.current) read(reading.current);
  });
  useEffect(() => {
    goOn();
    return () => worker.current?.terminate();
  }, []);
  return { preview, read, fail, stop };
}
