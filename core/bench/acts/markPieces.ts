import { refuse, type Act } from '../act.ts';
import { pieceId, type Panel } from '../tables.ts';
import { pickPieces } from './pieceMoves.ts';

/** What is written beside pieces without touching their glass; only what is given is changed. */
export interface MarkPieces {
  readonly panelId: string;
  readonly numbers: readonly number[];
  /** Flow of the glass, degrees clockwise from x as seen, modulo 180; null for any way. */
  readonly flowDeg?: number | null;
  /** Letter of the section they belong to; null for none. */
  readonly section?: string | null;
  /** What the section is called. */
  readonly sectionName?: string;
  readonly locked?: boolean;
  /** False once the glass was held against its changed outline and fits. */
  readonly recheck?: false;
}

/** Flow arrows, sections and locked numbers of pieces, and the word that glass fits its changed outline. */
export const markPieces: Act<MarkPieces> = {
  undoable: true,
  decide: (state, command) => {
    const picked = pickPieces(state, command.panelId, command.numbers);
    if ('refusal' in picked) return picked;
    const { flowDeg, section, locked, recheck } = command;
    const isAsked = (p: (typeof picked.pieces)[number]) =>
      (flowDeg !== undefined && (p.flowDeg ?? null) !== flowDeg) ||
      (section !== undefined && (p.section ?? null) !== section) ||
      (locked !== undefined && (p.locked ?? false) !== locked) ||
      (recheck !== undefined && p.recheck === true);
    const moving = picked.pieces.filter(isAsked);
    if (moving.length === 0) return refuse('nothing-to-do', { numbers: command.numbers });
    return { payload: { ...command, numbers: moving.map((p) => p.number) } };
  },
  apply: (draft, { panelId, numbers, sectionName, ...marks }) => {
    for (const n of numbers) draft.patch('pieces', pieceId(panelId, n), marks);
    if (marks.section && sectionName) {
      const panel = draft.get('panels', panelId) as Panel;
      draft.patch('panels', panelId, { sections: { ...panel.sections, [marks.section]: sectionName } });
    }
  },
};
