import { NO_WORDS, refuse, type Act, type Circumstance } from '../../act.ts';
import type { Reader } from '../../tables.ts';
import { workWord, type WorkStage } from '../../works.ts';
import { runningClock } from '../clock.ts';

export interface StartClock {
  readonly id: string;
  readonly personId: string;
  readonly panelId: string | null;
  readonly stage: WorkStage;
}

export interface ClockStarted extends StartClock {
  readonly rateCentsPerHour: number;
  /** The entry whose clock stops for it, and when. */
  readonly stops: { readonly id: string; readonly endedAt: number } | null;
}

/** Starts a person's clock; one that runs already is stopped at the same instant. */
export const startClock: Act<StartClock, ClockStarted> = {
  version: 2,
  formerly: ['clock-start'],
  undoIn: null,
  reads: {},
  decide: (state, ask, now) => {
    const person = state.get('people', ask.personId);
    if (!person) return refuse('unknown-person');
    if (person.away !== null) return refuse(person.away, { name: person.name });
    if (ask.panelId !== null && !state.get('panels', ask.panelId)) return refuse('unknown-panel');
    // An id is given once: a clock must not wipe an entry that is finished.
    if (state.get('hours', ask.id)) return refuse('entry-taken');
    const running = runningClock(state, ask.personId);
    if (running && running.panelId === ask.panelId && running.stage === ask.stage)
      return refuse('nothing-to-do', { name: 'clock' });
    return { fact: started(state, ask, now) };
  },
  apply: (draft, { stops, ...entry }, { at }) => {
    if (stops) draft.patch('hours', stops.id, { endedAt: stops.endedAt });
    draft.put('hours', { ...entry, startedAt: at, endedAt: null, byHand: false, note: '', removed: false });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ stage, stops }, state) => {
    const started = `clock started: ${workWord(stage).toLowerCase()}`;
    const stopped = stops && state.get('hours', stops.id);
    return stopped ? `${started}; ${workWord(stopped.stage).toLowerCase()} stopped for it` : started;
  },
  effect: NO_WORDS,
  upcasts: {
    1: (old: StartClock, { state, now }): ClockStarted => started(state, old, now),
  },
};

/** A computer's clock that was set back ends the other entry where it began, never before. */
function started(state: Reader, ask: StartClock, now: Circumstance): ClockStarted {
  const running = runningClock(state, ask.personId);
  return {
    ...ask,
    rateCentsPerHour: state.get('people', ask.personId)?.rateCentsPerHour ?? 0,
    stops: running ? { id: running.id, endedAt: Math.max(running.startedAt, now.at) } : null,
  };
}
