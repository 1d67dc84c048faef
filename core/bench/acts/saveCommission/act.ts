import { NO_WORDS, type Act } from '../../act.ts';
import { awayOf, type Commission } from '../../tables.ts';

export type SaveCommission = Commission & { readonly id: string };

/** Enters a commission, or changes what is known of it. */
export const saveCommission: Act<SaveCommission> = {
  version: 1,
  formerly: ['commission'],
  undoIn: null,
  reads: { commissions: ['title', 'client', 'due', 'note'] },
  decide: (_, fact) => ({ fact }),
  apply: (draft, fact) => {
    const old = draft.get('commissions', fact.id);
    draft.put('commissions', { ...fact, ...awayOf(old), inHand: old?.inHand ?? true });
  },
  panelOf: () => null,
  told: ({ title }) => `job “${title}” entered`,
  effect: NO_WORDS,
  upcasts: {},
};
