import { refuse, type Act } from '../../act.ts';
import { hasBack } from '../../routes/route.ts';
import type { PieceRow } from '../../tables.ts';
import { backId, lift } from '../laid.ts';
import { backsCalled, named, pickPieces, type AskedPieces, type NamedPieces } from '../picked.ts';

export interface ChooseBack extends AskedPieces {
  /** Null for a glass like that in front. */
  readonly glassId: string | null;
}

export interface BackChosen extends NamedPieces {
  readonly glassId: string | null;
  /** The glass's code when it was chosen. */
  readonly code: string | null;
}

/** Whether the glass behind it is cut. */
export const keepsBack = (piece: Pick<PieceRow, 'backFrom'>): boolean => piece.backFrom !== null;

/** Chooses the glass that lies behind pieces of two glasses, while it is not cut yet. */
export const chooseBack: Act<ChooseBack, BackChosen> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'asks', 'backGlassId', 'backFrom'] },
  decide: (state, ask) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const { route, pieces } = picked;
    const single = pieces.filter((p) => !hasBack(route, p)).map((p) => p.number);
    if (single.length > 0) return refuse('one-glass', { numbers: single });
    const glass = ask.glassId === null ? null : state.get('glasses', ask.glassId);
    if (glass === undefined) return refuse('unknown-glass');
    if (glass?.away === 'deleted') return refuse('deleted', { name: glass.code });
    const begun = pieces.filter(keepsBack).map((p) => p.number);
    if (begun.length > 0) return refuse('already-in-hand', { numbers: begun });
    const moving = pieces.filter((p) => p.backGlassId !== ask.glassId);
    if (moving.length === 0) return refuse('nothing-to-do', { numbers: ask.numbers });
    return { fact: { ...named(ask.panelId, moving), glassId: ask.glassId, code: glass?.code ?? null } };
  },
  apply: (draft, { pieces, glassId }) => {
    lift(draft, pieces.map(backId));
    for (const id of pieces) draft.patch('pieces', id, { backGlassId: glassId });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, code }) => `${backsCalled(numbers)}: ${code === null ? 'the same as the first' : `glass ${code}`}`,
  effect: ({ glassId, numbers }, state) =>
    `${backsCalled(numbers)}: ${glassId === null ? 'the same as the first' : `glass ${state.get('glasses', glassId)?.code ?? '?'}`}`,
  upcasts: {},
};
