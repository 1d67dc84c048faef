/** One light of an opening that has several: tracery above, main lights below. */
export interface Light {
  readonly id: string;
  readonly name: string;
  /** Its row from the top, the topmost being 1. */
  readonly tier: number;
  readonly widthMm: number;
  /** Between it and its opening from side to side, both sides together; null where the opening is not measured, mm. */
  readonly playMm: number | null;
}

export interface FittingOrder {
  readonly lights: readonly Light[];
  /** Why the last one is the last. */
  readonly last: 'most-play' | 'widest' | 'alone';
}

/**
 * In which order the lights of one opening are fitted: row by row from the top, so that nothing falls on what is in already;
 * in the lowest row last the one with the most play, which can be sprung in when nothing beside it gives way any more.
 * Common practice.
 * @param lights as they stand in the job; within a row they keep that order
 */
export function fittingOrder(lights: readonly Light[]): FittingOrder {
  const lowest = Math.max(...lights.map(({ tier }) => tier));
  const row = lights.filter(({ tier }) => tier === lowest);
  const loose = row.filter((light) => light.playMm !== null);
  const known = loose.length === row.length && new Set(loose.map(({ playMm }) => playMm)).size > 1;
  const room = (light: Light) => (known ? (light.playMm ?? 0) : light.widthMm);
  const last = row.reduce<Light | undefined>((best, one) => (best && room(best) >= room(one) ? best : one), undefined);
  const ordered = [...lights].sort((a, b) => a.tier - b.tier || Number(a === last) - Number(b === last));
  return { lights: ordered, last: row.length < 2 ? 'alone' : known ? 'most-play' : 'widest' };
}
