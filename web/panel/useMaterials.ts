import { useEffect, useRef, useState } from 'react';
import type { Cartoon } from '#core/cartoon';
import type { Materials, MaterialsWish } from '#core/materials';
import type { MaterialsAsk, MaterialsFound } from '../worker/materials.worker.ts';

/** What a panel takes, worked out off the page's thread; the last answer stays until there is another. */
export function useMaterials(cartoonId: string, cartoon: Cartoon, wish: MaterialsWish): Materials | null {
  const [found, setFound] = useState<MaterialsFound | null>(null);
  const key = `${cartoonId} ${JSON.stringify(wish)}`;
  // The same question is asked once, however often the page is drawn.
  const [ask, setAsk] = useState<MaterialsAsk>({ key, cartoon, wish });
  if (ask.key !== key) setAsk({ key, cartoon, wish });
  const answered = useRef<MaterialsAsk>(null);
  useEffect(() => {
    // Its place is seen again, and nothing has changed.
    if (answered.current === ask) return;
    const worker = new Worker(new URL('../worker/materials.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<MaterialsFound>) => {
      answered.current = ask;
      setFound(data);
    };
    worker.postMessage(ask);
    return () => worker.terminate();
  }, [ask]);
  return found?.materials ?? null;
}
