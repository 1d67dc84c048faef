import { NO_WORDS, refuse, type Act } from '../../act.ts';

export interface EndWait {
  readonly id: string;
}

export interface WaitEnded extends EndWait {
  readonly panelId: string;
  readonly name: string;
}

/** A wait is over, or is not waited for any longer. */
export const endWait: Act<EndWait, WaitEnded> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { waits: ['isOver'] },
  decide: (state, { id }) => {
    const wait = state.get('waits', id);
    if (!wait || wait.isOver) return refuse('unknown-wait');
    return { fact: { id, panelId: wait.panelId, name: wait.name } };
  },
  apply: (draft, { id }) => draft.patch('waits', id, { isOver: true }),
  panelOf: (fact) => fact.panelId,
  told: ({ name }) => `no more waiting: ${name}`,
  effect: NO_WORDS,
  upcasts: {},
};
