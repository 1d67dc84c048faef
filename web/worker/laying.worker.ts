import type { Cartoon } from '#core/cartoon';
import { layOutPlan, type LayingPlan } from '#core/laying';
import type { Corner } from '#core/leading';

/** A foiled panel of which is asked how it is laid out. */
export interface LayingAsk {
  readonly cartoonId: string | null;
  readonly cartoon: Cartoon;
  readonly corner: Corner;
  readonly sections: ReadonlyMap<number, string | null>;
}

onmessage = ({ data: { cartoon, corner, sections } }: MessageEvent<LayingAsk>) => {
  const found: LayingPlan = layOutPlan(cartoon, corner, sections);
  postMessage(found);
};
