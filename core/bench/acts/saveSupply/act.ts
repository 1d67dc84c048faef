import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { awayOf } from '../../tables.ts';
import type { Supply } from '../../../stock/index.ts';

export interface SaveSupply extends Omit<Supply, 'amount' | 'learnt'> {
  readonly id: string;
}

export interface SupplySaved extends SaveSupply {
  readonly isNew: boolean;
}

/** Something that the studio uses up beside glass, or a change of how it is bought. What is there is booked by itself. */
export const saveSupply: Act<SaveSupply, SupplySaved> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { supplies: ['kind', 'name', 'sort', 'code', 'packAmount', 'packCents', 'low', 'place'] },
  decide: (state, ask) => {
    const old = state.get('supplies', ask.id);
    // What was booked of it is in the measure of its kind.
    if (old && old.kind !== ask.kind) return refuse('supply-kind', { name: old.name });
    return { fact: { ...ask, isNew: !old } };
  },
  apply: (draft, { isNew: _, ...supply }) => {
    const old = draft.get('supplies', supply.id);
    draft.put('supplies', {
      ...supply,
      amount: old?.amount ?? 0,
      learnt: old?.learnt ?? {},
      ...awayOf(old),
    });
  },
  panelOf: () => null,
  told: ({ name, isNew }) => `${name} ${isNew ? 'entered' : 'changed'}`,
  effect: NO_WORDS,
  upcasts: {},
};
