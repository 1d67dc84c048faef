import { NO_WORDS, refuse, type Act } from '../../act.ts';
import type { Refusal } from '../../refusals.ts';
import type { Note, NoteAbout, Reader } from '../../tables.ts';
import { subjectOf } from '../../tables.ts';

export interface WriteNote {
  readonly id: string;
  readonly about: NoteAbout;
  /** Of the job, panel, piece, glass or sheet. */
  readonly aboutId: string;
  readonly words: string;
  /** Name of a kept JPEG; null where it is words alone. */
  readonly picture: string | null;
}

export interface NoteWritten extends Omit<Note, 'at' | 'personId'> {
  readonly id: string;
  /** What it is about, as it was called. */
  readonly called: string;
}

/** A note, a photo, or both, kept with what it is about. */
export const writeNote: Act<WriteNote, NoteWritten> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: {},
  decide: (state, { id, about, aboutId, words, picture }) => {
    if (state.get('notes', id)) return refuse('entry-taken');
    if (words === '' && picture === null) return refuse('empty-note');
    const subject = called(state, about, aboutId);
    if ('refusal' in subject) return subject;
    return { fact: { id, subject: subjectOf(about, aboutId), words, picture, ...subject } };
  },
  apply: (draft, { called: _, ...note }, now) => draft.put('notes', { ...note, at: now.at, personId: now.personId }),
  panelOf: (fact) => fact.panelId,
  told: ({ called: what, words, picture }) =>
    `${picture === null ? 'note' : 'photo'} on ${what}${words === '' ? '' : `: ${shortened(words)}`}`,
  effect: NO_WORDS,
  upcasts: {},
};

const SHOWN_CHARS = 60;
const shortened = (words: string): string =>
  words.length <= SHOWN_CHARS ? words : `${words.slice(0, SHOWN_CHARS).trimEnd()} …`;

/** What a note is about: how it is called, and to which panel it belongs. */
function called(
  state: Reader,
  about: NoteAbout,
  id: string,
): { readonly called: string; readonly panelId: string | null } | { readonly refusal: Refusal } {
  switch (about) {
    case 'job': {
      const job = state.get('commissions', id);
      return job ? { called: job.title, panelId: null } : refuse('unknown-commission');
    }
    case 'panel': {
      const panel = state.get('panels', id);
      return panel ? { called: panel.name, panelId: id } : refuse('unknown-panel');
    }
    case 'piece': {
      const piece = state.get('pieces', id);
      return piece ? { called: `piece ${piece.number}`, panelId: piece.panelId } : refuse('unknown-piece');
    }
    case 'glass': {
      const glass = state.get('glasses', id);
      return glass ? { called: glass.code, panelId: null } : refuse('unknown-glass');
    }
    case 'sheet': {
      const item = state.get('stock', id);
      return item ? { called: item.id, panelId: null } : refuse('unknown-stock', { name: id });
    }
  }
}
