import { useState } from 'react';
import type { Cartoon } from '#core/cartoon';
import type { Materials, MaterialsWish } from '#core/materials';
import { useWorked } from '../ui/useWorked.ts';
import type { MaterialsAsk } from '../worker/materials.worker.ts';

const begin = () => new Worker(new URL('../worker/materials.worker.ts', import.meta.url), { type: 'module' });

/** What a panel takes, worked out off the page's thread; the last answer stays until there is another. */
export function useMaterials(cartoonId: string, cartoon: Cartoon, wish: MaterialsWish): Materials | null {
  const key = `${cartoonId} ${JSON.stringify(wish)}`;
  // The same question is asked once, however often the page is drawn.
  const [asked, setAsked] = useState({ key, ask: { cartoon, wish } });
  if (asked.key !== key) setAsked({ key, ask: { cartoon, wish } });
  return useWorked<MaterialsAsk, Materials>(asked.ask, begin)?.answer ?? null;
}
