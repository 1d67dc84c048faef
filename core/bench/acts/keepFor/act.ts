import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { laidOn, lift } from '../laid.ts';
import { allOnRack, namedShort } from '../onRack.ts';

export interface KeepFor {
  readonly stockIds: readonly string[];
  /** The job they are kept for; null frees them. */
  readonly commissionId: string | null;
}

/** Sheets and offcuts are kept for one job, or freed. What another job had laid out on them is lifted off. */
export const keepFor: Act<KeepFor> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['keptFor', 'gone'] },
  decide: (state, { stockIds, commissionId }) => {
    const found = allOnRack(state, stockIds);
    if ('refusal' in found) return found;
    const job = commissionId === null ? null : state.get('commissions', commissionId);
    if (job === undefined) return refuse('unknown-commission');
    if (job !== null && job.away !== null) return refuse(job.away, { name: job.title });
    const changing = found.items.filter((item) => item.keptFor !== commissionId);
    if (changing.length === 0) return refuse('nothing-changes');
    return { fact: { stockIds: changing.map((item) => item.id), commissionId } };
  },
  apply: (draft, { stockIds, commissionId }) => {
    for (const id of stockIds) {
      if (commissionId !== null)
        lift(
          draft,
          laidOn(draft, id)
            .filter(({ piece }) => draft.get('panels', piece.panelId)?.commissionId !== commissionId)
            .map(({ id }) => id),
        );
      draft.patch('stock', id, { keptFor: commissionId });
    }
  },
  panelOf: () => null,
  told: ({ stockIds, commissionId }, state) => {
    if (commissionId === null) return `${namedShort(stockIds)} free for any job`;
    return `${namedShort(stockIds)} kept for ${state.get('commissions', commissionId)?.title ?? 'a job'}`;
  },
  effect: NO_WORDS,
  upcasts: {},
};
