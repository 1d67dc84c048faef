import type { Desk } from '../desk.ts';
import { STILL_TO_CUT } from './stillToCut.ts';

export interface GlassNeed {
  readonly glassId: string;
  readonly mm2: number;
}

/** Glass that panels in hand still want from the rack, before waste: of pieces to cut, and of those that lie behind. */
export function glassNeeds({ store }: Desk): GlassNeed[] {
  return store.sqlite
    .prepare<[], GlassNeed>(`select glassId, sum(mm2) as mm2 from (${STILL_TO_CUT}) group by glassId`)
    .all();
}
