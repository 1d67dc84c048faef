import { NO_WORDS, type Act } from '../../act.ts';
import type { Commission } from '../../tables.ts';

export type SaveCommission = Commission & { readonly id: string };

/** Enters a commission, or changes what is known of it. */
export const saveCommission: Act<SaveCommission> = {
  version: 1,
  formerly: ['commission'],
  undoIn: null,
  reads: { commissions: ['title', 'client', 'due', 'note'] },
  decide: (_, fact) => ({ fact }),
  apply: (draft, fact) =>
    draft.put('commissions', { ...fact, inHand: draft.get('commissions', fact.id)?.inHand ?? true }),
  panelOf: () => null,
  told: ({ title }) => `commission “${title}” entered`,
  effect: NO_WORDS,
  upcasts: {},
};
