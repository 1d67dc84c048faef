import { NO_WORDS, type Act } from '../../act.ts';
import { awayOf, type Person } from '../../tables.ts';

export type SavePerson = Person & { readonly id: string };

/** Enters somebody who works here, or changes what is known of them. Hours keep the rate they were worked at. */
export const savePerson: Act<SavePerson> = {
  version: 1,
  formerly: ['person'],
  undoIn: null,
  reads: { people: ['name', 'initial', 'rateCentsPerHour', 'active'] },
  decide: (_, fact) => ({ fact }),
  apply: (draft, fact) => draft.put('people', { ...fact, ...awayOf(draft.get('people', fact.id)) }),
  panelOf: () => null,
  told: ({ name }) => `${name} entered`,
  effect: NO_WORDS,
  upcasts: {},
};
