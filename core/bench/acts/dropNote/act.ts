import { NO_WORDS, refuse, type Act } from '../../act.ts';

export interface DropNote {
  readonly id: string;
}

export interface NoteDropped extends DropNote {
  readonly panelId: string | null;
  readonly words: string;
}

/** A note is not wanted any more. Its photo stays among the files, as the log tells of it. */
export const dropNote: Act<DropNote, NoteDropped> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { notes: ['words', 'picture'] },
  decide: (state, { id }) => {
    const note = state.get('notes', id);
    return note ? { fact: { id, panelId: note.panelId, words: note.words } } : refuse('unknown-note');
  },
  apply: (draft, { id }) => draft.remove('notes', id),
  panelOf: (fact) => fact.panelId,
  told: ({ words }) => (words === '' ? 'photo taken away' : `note “${words}” taken away`),
  effect: NO_WORDS,
  upcasts: {},
};
