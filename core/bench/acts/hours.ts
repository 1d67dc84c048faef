import { refuse, type Act } from '../act.ts';
import type { WorkStage } from '../route.ts';
import type { Hours, Reader } from '../tables.ts';

/** The entry whose clock runs for a person, if one does. */
export function runningClock(state: Reader, personId: string): (Hours & { id: string; rev: number }) | undefined {
  for (const entry of state.all('hours'))
    if (entry.personId === personId && entry.endedAt === null && !entry.removed) return entry;
  return undefined;
}

export interface StartClock {
  readonly id: string;
  readonly personId: string;
  readonly panelId: string | null;
  readonly stage: WorkStage;
}

/** Starts a person's clock; one that runs already is stopped at the same instant. */
export const startClock: Act<StartClock> = {
  undoable: false,
  decide: (state, command) => {
    if (!state.get('people', command.personId)) return refuse('unknown-person');
    if (command.panelId !== null && !state.get('panels', command.panelId)) return refuse('unknown-panel');
    const running = runningClock(state, command.personId);
    if (running && running.panelId === command.panelId && running.stage === command.stage)
      return refuse('nothing-to-do', { name: 'clock' });
    return { payload: command };
  },
  apply: (draft, { id, personId, panelId, stage }, now) => {
    const running = runningClock(draft, personId);
    if (running) draft.patch('hours', running.id, { endedAt: now.at });
    const rateCentsPerHour = draft.get('people', personId)?.rateCentsPerHour ?? 0;
    draft.put('hours', {
      id,
      personId,
      panelId,
      stage,
      startedAt: now.at,
      endedAt: null,
      byHand: false,
      note: '',
      rateCentsPerHour,
      removed: false,
    });
  },
};

export interface StopClock {
  readonly personId: string;
  /** Set when a forgotten clock is cut back to an earlier instant. */
  readonly endedAt: number | null;
}

export const stopClock: Act<StopClock> = {
  undoable: false,
  decide: (state, command, now) => {
    const running = runningClock(state, command.personId);
    if (!running) return refuse('clock-runs-not');
    const end = command.endedAt ?? now.at;
    if (end < running.startedAt) return refuse('ends-before-start');
    if (end > now.at) return refuse('in-the-future');
    return { payload: { ...command, endedAt: end } };
  },
  apply: (draft, { personId, endedAt }, now) => {
    const running = runningClock(draft, personId);
    if (running) draft.patch('hours', running.id, { endedAt: endedAt ?? now.at });
  },
};

export type EnterHours = Pick<Hours, 'personId' | 'panelId' | 'stage' | 'startedAt' | 'note'> & {
  readonly id: string;
  readonly endedAt: number;
};

/** Adds an entry by hand or corrects one; the log keeps what it was. */
export const enterHours: Act<EnterHours> = {
  undoable: true,
  decide: (state, command, now) => {
    if (!state.get('people', command.personId)) return refuse('unknown-person');
    if (command.panelId !== null && !state.get('panels', command.panelId)) return refuse('unknown-panel');
    if (command.endedAt < command.startedAt) return refuse('ends-before-start');
    if (command.endedAt > now.at + 60_000) return refuse('in-the-future');
    return { payload: command };
  },
  apply: (draft, command) => {
    const old = draft.get('hours', command.id);
    const rateCentsPerHour = old?.rateCentsPerHour ?? draft.get('people', command.personId)?.rateCentsPerHour ?? 0;
    draft.put('hours', { ...command, byHand: true, rateCentsPerHour, removed: false });
  },
};

export interface RemoveHours {
  readonly entryId: string;
}

export const removeHours: Act<RemoveHours> = {
  undoable: true,
  decide: (state, command) => {
    const entry = state.get('hours', command.entryId);
    return entry && !entry.removed ? { payload: command } : refuse('unknown-entry');
  },
  apply: (draft, { entryId }) => {
    const entry = draft.get('hours', entryId) as Hours;
    draft.patch('hours', entryId, { removed: true, endedAt: entry.endedAt ?? entry.startedAt });
  },
};
