import { useCallback, useEffect, useRef, useState } from 'react';
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
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setPreview({ kind: 'none' });
  }, []);
  useEffect(() => () => worker.current?.terminate(), []);
  const read = useCallback((job: PreviewJob) => {
    worker.current?.terminate();
    const mine = new Worker(new URL('../../worker/drawing.worker.ts', import.meta.url), { type: 'module' });
    worker.current = mine;
    setPreview({ kind: 'reading', share: 0 });
    mine.onmessage = ({ data }: MessageEvent<PreviewMessage>) => {
      if (data.kind === 'progress') setPreview({ kind: 'reading', share: data.share });
      else if (data.kind === 'refused')
        setPreview({ kind: 'problem', words: drawingRefusalWords(data.refusal), size: isOfSize(data.refusal) });
      else if (data.kind === 'broke')
        setPreview({ kind: 'problem', words: 'This drawing could not be read; save it again from the vector editor.' });
      else {
        setPreview({ kind: 'ready', result: data.result, answer: { id: 'preview', ...data.result } });
      }
    };
    mine.onerror = () =>
      setPreview({ kind: 'problem', words: 'This drawing could not be read; save it again from the vector editor.' });
    mine.postMessage(job);
  }, []);
  const fail = useCallback((words: string) => {
    worker.current?.terminate();
    setPreview({ kind: 'problem', words });
  }, []);
  return { preview, read, fail, stop };
}
