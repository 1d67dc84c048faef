import { NO_WORDS, refuse, type Act } from '../../act.ts';

export interface RemoveHours {
  readonly entryId: string;
}

export interface HoursRemoved extends RemoveHours {
  readonly panelId: string | null;
  /** A clock that ran ends where it began. */
  readonly endedAt: number;
}

/** Takes an entry of hours out; it stays in the log and undo brings it back. */
export const removeHours: Act<RemoveHours, HoursRemoved> = {
  version: 2,
  formerly: ['hours-remove'],
  undoIn: 'panel',
  reads: { hours: ['personId', 'panelId', 'stage', 'startedAt', 'endedAt', 'note', 'removed'] },
  decide: (state, { entryId }) => {
    const entry = state.get('hours', entryId);
    if (!entry || entry.removed) return refuse('unknown-entry');
    return { fact: { entryId, panelId: entry.panelId, endedAt: entry.endedAt ?? entry.startedAt } };
  },
  apply: (draft, { entryId, endedAt }) => draft.patch('hours', entryId, { removed: true, endedAt }),
  panelOf: (fact) => fact.panelId,
  told: () => 'an entry of hours taken out',
  effect: NO_WORDS,
  upcasts: {
    1: ({ entryId }: RemoveHours, { state }): HoursRemoved => {
      const entry = state.get('hours', entryId);
      if (!entry) throw new Error(`the log takes out hours that were never entered: ${entryId}`);
      return { entryId, panelId: entry.panelId, endedAt: entry.endedAt ?? entry.startedAt };
    },
  },
};
