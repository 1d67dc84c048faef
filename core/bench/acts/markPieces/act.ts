import { refuse, type Act } from '../../act.ts';
import type { Piece } from '../../tables.ts';
import { called, idsThen, named, pickPieces, type AskedPieces, type NamedPieces } from '../picked.ts';

/** What is written beside pieces without touching their glass; only what is given is changed. */
export interface Marks {
  /** Flow of the glass, degrees clockwise from x as seen, modulo 180; null for any way. */
  readonly flowDeg?: number | null;
  /** Letter of the section they belong to; null for none. */
  readonly section?: string | null;
  readonly locked?: boolean;
  /** False once the glass was held against its changed outline and fits. */
  readonly recheck?: false;
}

export interface MarkPieces extends AskedPieces, Marks {
  /** What the section is called. */
  readonly sectionName?: string;
}

export interface PiecesMarked extends NamedPieces {
  readonly marks: Marks;
  readonly sectionName: string | null;
}

const MARKS = ['flowDeg', 'section', 'locked', 'recheck'] as const satisfies readonly (keyof Marks & keyof Piece)[];

const given = (ask: Marks): Marks =>
  Object.fromEntries(MARKS.flatMap((m) => (ask[m] === undefined ? [] : [[m, ask[m]]])));

/** Flow arrows, sections and locked numbers of pieces, and the word that glass fits its changed outline. */
export const markPieces: Act<MarkPieces, PiecesMarked> = {
  version: 2,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', ...MARKS], sections: ['name'] },
  decide: (state, ask) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const marks = given(ask);
    const sectionName = ask.section && ask.sectionName ? ask.sectionName : null;
    const isNamed =
      sectionName !== null && state.get('sections', `${ask.panelId}/${ask.section}`)?.name !== sectionName;
    const moving = picked.pieces.filter((p) => MARKS.some((m) => marks[m] !== undefined && p[m] !== marks[m]));
    if (moving.length === 0 && !isNamed) return refuse('nothing-to-do', { numbers: ask.numbers });
    return { fact: { ...named(ask.panelId, moving), marks, sectionName } };
  },
  apply: (draft, { panelId, pieces, marks, sectionName }) => {
    for (const id of pieces) draft.patch('pieces', id, marks.recheck === false ? { ...marks, tooSmall: false } : marks);
    if (marks.section && sectionName !== null) {
      const letter = marks.section;
      draft.put('sections', { id: `${panelId}/${letter}`, panelId, letter, name: sectionName });
    }
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, marks: { flowDeg, section, locked, recheck }, sectionName }) => {
    const words: string[] = [];
    if (flowDeg !== undefined) words.push(flowDeg === null ? 'flow any way' : `flow at ${Math.round(flowDeg)}°`);
    if (section !== undefined)
      words.push(section === null ? 'in no section' : `section ${section}${sectionName ? ` “${sectionName}”` : ''}`);
    if (locked !== undefined) words.push(locked ? 'number locked' : 'number unlocked');
    if (recheck === false) words.push('held against the new outline, fits');
    return `${called(numbers)}: ${words.join(', ')}`;
  },
  effect: () => '',
  upcasts: {
    1: (old: MarkPieces, { state }): PiecesMarked => ({
      panelId: old.panelId,
      numbers: old.numbers,
      pieces: idsThen(state, old.panelId, old.numbers),
      marks: given(old),
      sectionName: old.section && old.sectionName ? old.sectionName : null,
    }),
  },
};
