import { MS_PER_MINUTE, showMinutes } from '../../../units/index.ts';
import { NO_WORDS, refuse, type Act } from '../../act.ts';
import type { Hours, Reader } from '../../tables.ts';
import { workWord } from '../../works.ts';

export type EnterHours = Pick<Hours, 'personId' | 'panelId' | 'stage' | 'startedAt' | 'note'> & {
  readonly id: string;
  readonly endedAt: number;
};

export interface HoursEntered extends EnterHours {
  readonly rateCentsPerHour: number;
}

/** Two computers' clocks may be this far apart. */
const CLOCKS_APART_MS = MS_PER_MINUTE;

/** Adds an entry by hand or corrects one; the log keeps what it was. */
export const enterHours: Act<EnterHours, HoursEntered> = {
  version: 2,
  formerly: ['hours'],
  undoIn: 'panel',
  reads: { hours: ['personId', 'panelId', 'stage', 'startedAt', 'endedAt', 'note', 'removed'] },
  decide: (state, ask, now) => {
    const person = state.get('people', ask.personId);
    if (!person) return refuse('unknown-person');
    if (person.away !== null) return refuse(person.away, { name: person.name });
    if (ask.panelId !== null && !state.get('panels', ask.panelId)) return refuse('unknown-panel');
    if (ask.endedAt < ask.startedAt) return refuse('ends-before-start');
    if (ask.endedAt > now.at + CLOCKS_APART_MS) return refuse('in-the-future');
    return { fact: { ...ask, rateCentsPerHour: rateOf(state, ask) } };
  },
  apply: (draft, fact) => draft.put('hours', { ...fact, byHand: true, removed: false }),
  panelOf: (fact) => fact.panelId,
  told: ({ stage, startedAt, endedAt }) =>
    `hours entered: ${workWord(stage).toLowerCase()}, ${showMinutes((endedAt - startedAt) / MS_PER_MINUTE)}`,
  effect: NO_WORDS,
  upcasts: { 1: (old: EnterHours, { state }): HoursEntered => ({ ...old, rateCentsPerHour: rateOf(state, old) }) },
};

/** A corrected entry keeps the rate that it was worked at. */
const rateOf = (state: Reader, { id, personId }: EnterHours): number =>
  state.get('hours', id)?.rateCentsPerHour ?? state.get('people', personId)?.rateCentsPerHour ?? 0;
