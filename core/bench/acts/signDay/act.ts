import { NO_WORDS, refuse, type Act } from '../../act.ts';

export interface SignDay {
  readonly personId: string;
  /** `YYYY-MM-DD`. */
  readonly day: string;
  /** The hours of that day as they were looked at. */
  readonly minutes: number;
}

export interface DaySigned extends SignDay {
  readonly name: string;
}

/** Somebody's hours of a day were looked at and found right. Signed again after a change, the later one counts. */
export const signDay: Act<SignDay, DaySigned> = {
  version: 1,
  formerly: [],
  undoIn: null,
  reads: {},
  decide: (state, ask) => {
    const person = state.get('people', ask.personId);
    return person ? { fact: { ...ask, name: person.name } } : refuse('unknown-person');
  },
  apply: (draft, { personId, day, minutes }, now) => {
    const signed = { signedAt: now.at, signedBy: now.personId };
    draft.put('daySheets', { id: `${personId}|${day}`, personId, day, minutes, ...signed });
  },
  panelOf: () => null,
  told: ({ name, day }) => `${name}’s hours of ${day} signed`,
  effect: NO_WORDS,
  upcasts: {},
};
