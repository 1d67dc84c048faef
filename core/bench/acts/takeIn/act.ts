import { keysOf } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import { TAKES_GLASS } from '../../routes/route.ts';
import { backId, lift } from '../laid.ts';
import { called, inHand, named, pickPieces, piecesCalled, type AskedPieces, type NamedPieces } from '../picked.ts';

/** Where a piece comes from that is not cut here. */
export const TAKEN_IN = {
  bought: 'bought ready-shaped',
  old: 'the old piece, cleaned and sorted back',
} as const;
export type TakenIn = keyof typeof TAKEN_IN;
export const TAKEN_IN_KINDS = keysOf(TAKEN_IN);

export interface TakeIn extends AskedPieces {
  readonly as: TakenIn;
}

export interface PiecesTakenIn extends NamedPieces {
  readonly as: TakenIn;
  /** Waits of these pieces alone, as for what was ordered: they are over with it. */
  readonly ends: readonly string[];
}

/** Pieces that need no cutting are in hand at once: bevels, jewels, roundels; old glass that goes back. The rack gives nothing. */
export const takeIn: Act<TakeIn, PiecesTakenIn> = {
  version: 2,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'stage'] },
  decide: (state, ask) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const begun = inHand(picked.pieces);
    if (begun.length > 0) return refuse('already-in-hand', { numbers: begun });
    const ids = new Set(picked.pieces.map((piece) => piece.id));
    const ends = [...state.ask('waitsOfPanel', ask.panelId)]
      .filter(({ pieces }) => pieces.length > 0 && pieces.every((id) => ids.has(id)))
      .map((wait) => wait.id);
    return { fact: { ...named(ask.panelId, picked.pieces), as: ask.as, ends } };
  },
  apply: (draft, { pieces, ends }) => {
    for (const id of ends) draft.patch('waits', id, { isOver: true });
    lift(
      draft,
      pieces.flatMap((id) => [id, backId(id)]),
    );
    for (const id of pieces) draft.patch('pieces', id, { stage: TAKES_GLASS, broken: null, from: null });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, as }) => `${called(numbers)} in hand: ${TAKEN_IN[as]}`,
  effect: ({ numbers, as }) => `${piecesCalled(numbers)} in hand: ${TAKEN_IN[as]}`,
  upcasts: { 1: (old: Omit<PiecesTakenIn, 'ends'>): PiecesTakenIn => ({ ...old, ends: [] }) },
};
