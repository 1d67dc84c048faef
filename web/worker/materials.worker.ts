import type { Cartoon } from '#core/cartoon';
import { materialsOf, type Materials, type MaterialsWish } from '#core/materials';

/** A panel of which is asked what it takes. */
export interface MaterialsAsk {
  readonly cartoon: Cartoon;
  readonly wish: MaterialsWish;
}

/** Packing cames into lengths may take a while. */
onmessage = ({ data: { cartoon, wish } }: MessageEvent<MaterialsAsk>) => {
  const found: Materials = materialsOf(cartoon, wish);
  postMessage(found);
};
