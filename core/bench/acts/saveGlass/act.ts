import type { Glass } from '../../../stock/index.ts';
import { awayOf } from '../../tables.ts';
import { NO_WORDS, refuse, type Act } from '../../act.ts';

export type SaveGlass = Glass;

/** What a glass was before second colours and coats were told of it. */
type PlainGlass = Omit<Glass, 'second' | 'coat'>;

/** Enters a glass, or changes what is known of it. No two have one code. */
export const saveGlass: Act<SaveGlass> = {
  version: 2,
  formerly: ['glass'],
  undoIn: null,
  reads: {
    glasses: [
      'code',
      'name',
      'colour',
      'second',
      'texture',
      'thicknessMm',
      'hiding',
      'coat',
      'flow',
      'priceCentsPerM2',
    ],
  },
  decide: (state, fact) => {
    const other = [...state.ask('glassesWithCode', fact.code.toLowerCase())].find((g) => g.id !== fact.id);
    return other ? refuse('code-taken', { name: fact.code, more: other.away ?? '' }) : { fact };
  },
  apply: (draft, fact) => draft.put('glasses', { ...fact, ...awayOf(draft.get('glasses', fact.id)) }),
  panelOf: () => null,
  told: ({ code }) => `glass ${code} entered`,
  effect: NO_WORDS,
  upcasts: { 1: (old: PlainGlass): Glass => ({ ...old, second: null, coat: 'none' }) },
};
