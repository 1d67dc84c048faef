import { NO_WORDS, refuse, type Act } from '../../act.ts';
import type { PieceRowId } from '../../tables.ts';
import { pickPieces } from '../picked.ts';

interface LeadMark {
  readonly panelId: string;
  /** A piece of came on the cut list by its name, and whether it is cut. */
  readonly cut?: { readonly name: string; readonly isCut: boolean } | undefined;
  /**
   * At a joint, by its place, the direction in which the came that goes through leaves it, whole degrees; null leaves it
   * to the reckoning.
   */
  readonly through?: { readonly joint: string; readonly deg: number | null } | undefined;
}

export interface MarkLead extends LeadMark {
  /** Pieces in the order in which they are to be laid, by their numbers; null leaves it to the reckoning. */
  readonly laid?: readonly number[] | null | undefined;
}

interface LeadMarked extends LeadMark {
  readonly laid?: readonly PieceRowId[] | null | undefined;
}

/** A came of the list is cut; or another came goes through at a joint, or pieces are laid in another order, than was worked out. */
export const markLead: Act<MarkLead, LeadMarked> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { leadMarks: ['cut', 'through', 'laid'], pieces: ['number', 'drawn'] },
  decide: (state, ask) => {
    if (!state.get('panels', ask.panelId)) return refuse('unknown-panel');
    const { panelId, cut, through, laid } = ask;
    if (!cut && !through && laid === undefined) return refuse('nothing-changes');
    const marked = { panelId, ...(cut && { cut }), ...(through && { through }) };
    if (!laid) return { fact: laid === null ? { ...marked, laid } : marked };
    const picked = pickPieces(state, { panelId, numbers: laid });
    return 'refusal' in picked ? picked : { fact: { ...marked, laid: inOrder(picked.pieces, laid) } };
  },
  apply: (draft, { panelId, cut, through, laid }) => {
    const { cut: old = [], through: ways = {}, laid: kept = [] } = draft.get('leadMarks', panelId) ?? {};
    const others = cut ? old.filter((name) => name !== cut.name) : old;
    const { [through?.joint ?? '']: _, ...rest } = ways;
    draft.put('leadMarks', {
      id: panelId,
      panelId,
      cut: cut?.isCut ? [...others, cut.name] : others,
      through: through && through.deg !== null ? { ...rest, [through.joint]: through.deg } : through ? rest : ways,
      laid: laid === undefined ? kept : (laid ?? []),
    });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ cut, through, laid }) => {
    if (cut) return `came ${cut.name} ${cut.isCut ? 'cut' : 'not cut after all'}`;
    if (laid !== undefined) return laid ? 'leading order set by hand' : 'leading order left to the reckoning';
    return through?.deg === null ? 'which came goes through left to the reckoning' : 'another came goes through';
  },
  effect: NO_WORDS,
  upcasts: {},
};

/** Their ids as they were named: what was picked may come by number. */
const inOrder = (pieces: readonly { readonly id: PieceRowId; readonly number: number }[], laid: readonly number[]) => {
  const byNumber = new Map(pieces.map(({ id, number }) => [number, id]));
  return laid.flatMap((number) => byNumber.get(number) ?? []);
};
