import type { Tables } from '#core/bench';
import type { Desk } from '../desk.ts';

/** Photos of sheets, by the sheets that they once came as; those without one are left out. */
export const photosOf = ({ state }: Desk, rootIds: readonly string[]): Tables['photos'][] =>
  [...new Set(rootIds)].flatMap((id) => state.get('photos', id) ?? []);
