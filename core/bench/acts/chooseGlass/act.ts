import { count } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import { isInHand } from '../../routes/route.ts';
import type { PieceRow } from '../../tables.ts';
import { liftOther } from '../laid.ts';
import { called, idsThen, named, pickPieces, type AskedPieces, type NamedPieces } from '../picked.ts';

export interface ChooseGlass extends AskedPieces {
  readonly glassId: string | null;
}

export interface GlassChosen extends NamedPieces {
  readonly glassId: string | null;
  /** The glass's code when it was chosen. */
  readonly code: string | null;
}

/** Whether its glass is what it is: a piece that was bought or put back may be in hand before anybody said of which. */
export const keepsGlass = (piece: Pick<PieceRow, 'glassId' | 'stage'>): boolean =>
  piece.glassId !== null && isInHand(piece);

/** Chooses the glass of pieces that are not cut yet. */
export const chooseGlass: Act<ChooseGlass, GlassChosen> = {
  version: 2,
  formerly: ['give-glass'],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'stage', 'glassId'] },
  decide: (state, ask) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const glass = ask.glassId === null ? null : state.get('glasses', ask.glassId);
    if (glass === undefined) return refuse('unknown-glass');
    if (glass?.away === 'deleted') return refuse('deleted', { name: glass.code });
    const begun = picked.pieces.filter(keepsGlass).map((p) => p.number);
    if (begun.length > 0) return refuse('already-in-hand', { numbers: begun });
    const moving = picked.pieces.filter((p) => p.glassId !== ask.glassId);
    if (moving.length === 0) return refuse('nothing-to-do', { numbers: ask.numbers });
    return { fact: { ...named(ask.panelId, moving), glassId: ask.glassId, code: glass?.code ?? null } };
  },
  apply: (draft, { pieces, glassId }) => {
    liftOther(draft, pieces);
    for (const id of pieces) draft.patch('pieces', id, { glassId });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, code }) => `${called(numbers)}: ${code === null ? 'glass taken away' : `glass ${code}`}`,
  effect: ({ glassId, numbers }, state) =>
    `${count(numbers.length, 'piece')}: ${glassId === null ? 'no glass' : `glass ${state.get('glasses', glassId)?.code ?? '?'}`}`,
  upcasts: {
    1: ({ panelId, numbers, glassId }: ChooseGlass, { state }): GlassChosen => ({
      panelId,
      numbers,
      pieces: idsThen(state, panelId, numbers),
      glassId,
      code: glassId === null ? null : (state.get('glasses', glassId)?.code ?? null),
    }),
  },
};
