import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { runningClock } from '../clock.ts';

export interface StopClock {
  readonly personId: string;
  /** Set when a forgotten clock is cut back to an earlier instant. */
  readonly endedAt: number | null;
}

export interface ClockStopped {
  readonly personId: string;
  readonly entryId: string;
  readonly panelId: string | null;
  readonly endedAt: number;
}

/** Stops a person's clock, now or, where it was forgotten, at an earlier instant. */
export const stopClock: Act<StopClock, ClockStopped> = {
  version: 2,
  formerly: ['clock-stop'],
  undoIn: null,
  reads: { hours: ['endedAt', 'removed'] },
  decide: (state, ask, now) => {
    const running = runningClock(state, ask.personId);
    if (!running) return refuse('clock-runs-not');
    const endedAt = ask.endedAt ?? Math.max(now.at, running.startedAt);
    if (endedAt < running.startedAt) return refuse('ends-before-start');
    if (ask.endedAt !== null && endedAt > now.at) return refuse('in-the-future');
    return { fact: { personId: ask.personId, entryId: running.id, panelId: running.panelId, endedAt } };
  },
  apply: (draft, { entryId, endedAt }) => draft.patch('hours', entryId, { endedAt }),
  panelOf: (fact) => fact.panelId,
  told: () => 'clock stopped',
  effect: NO_WORDS,
  upcasts: {
    1: ({ personId, endedAt }: StopClock, { state, now }): ClockStopped => {
      const running = runningClock(state, personId);
      if (!running) throw new Error(`the log stops a clock of ${personId} that does not run`);
      return { personId, entryId: running.id, panelId: running.panelId, endedAt: endedAt ?? now.at };
    },
  },
};
