import type { Cartoon } from '#core/cartoon';
import { layOutPlan, type LayingPlan } from '#core/laying';
import type { Corner } from '#core/leading';

/** A foiled panel of which is asked how it is laid out. */
export interface LayingAsk {
  readonly key: string;
  readonly cartoon: Cartoon;
  readonly corner: Corner;
  readonly sections: ReadonlyMap<number, string | null>;
}

export interface LayingFound {
  readonly key: string;
  readonly plan: LayingPlan;
}

onmessage = ({ data: { key, cartoon, corner, sections } }: MessageEvent<LayingAsk>) => {
  const found: LayingFound = { key, plan: layOutPlan(cartoon, corner, sections) };
  postMessage(found);
};
