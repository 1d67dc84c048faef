import type { Cartoon } from '#core/cartoon';
import { materialsOf, type Materials, type MaterialsWish } from '#core/materials';

/** A panel of which is asked what it takes. */
export interface MaterialsAsk {
  readonly key: string;
  readonly cartoon: Cartoon;
  readonly wish: MaterialsWish;
}

export interface MaterialsFound {
  readonly key: string;
  readonly materials: Materials;
}

/** Packing cames into lengths may take a while. */
onmessage = ({ data: { key, cartoon, wish } }: MessageEvent<MaterialsAsk>) => {
  const found: MaterialsFound = { key, materials: materialsOf(cartoon, wish) };
  postMessage(found);
};
