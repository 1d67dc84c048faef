import { refuse, type Act } from '../../act.ts';
import { glassBehind, ownGlass, lift, type LaidId } from '../laid.ts';
import { backsCalled, called, pickPieces, piecesCalled, type AskedPieces } from '../picked.ts';

export interface LiftOff extends AskedPieces {
  /** Pieces whose second glass is meant. */
  readonly backs?: readonly number[] | undefined;
}

export interface LiftedOff extends Required<LiftOff> {
  readonly pieces: readonly LaidId[];
  readonly backs: readonly number[];
}

/** Takes glass off the sheets it is laid out on: another layout finds it a place. */
export const liftOff: Act<LiftOff, LiftedOff> = {
  version: 2,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'stage', 'spot', 'backFrom', 'backSpot'] },
  decide: (state, { panelId, numbers, backs = [] }) => {
    const all = [...new Set([...numbers, ...backs])];
    const picked = pickPieces(state, { panelId, numbers: all });
    if ('refusal' in picked) return picked;
    const isLaid = ({ spot }: ReturnType<typeof ownGlass>) => spot !== null;
    const fronts = picked.pieces
      .filter((p) => numbers.includes(p.number))
      .map(ownGlass)
      .filter(isLaid);
    const behind = picked.pieces
      .filter((p) => backs.includes(p.number))
      .map(glassBehind)
      .filter(isLaid);
    if (fronts.length + behind.length === 0) return refuse('nothing-to-do', { numbers: all, name: 'off the sheets' });
    return {
      fact: {
        panelId,
        pieces: [...fronts, ...behind].map(({ id }) => id),
        numbers: fronts.map(({ piece }) => piece.number),
        backs: behind.map(({ piece }) => piece.number),
      },
    };
  },
  apply: (draft, { pieces }) => lift(draft, pieces),
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, backs }) =>
    `${[...(numbers.length > 0 ? [called(numbers)] : []), ...(backs.length > 0 ? [backsCalled(backs)] : [])].join(' and ')} lifted off`,
  effect: ({ numbers, backs = [] }) =>
    `${[...(numbers.length > 0 ? [piecesCalled(numbers)] : []), ...(backs.length > 0 ? [backsCalled(backs)] : [])].join(' and ')} lifted off`,
  upcasts: { 1: (old: Omit<LiftedOff, 'backs'>): LiftedOff => ({ ...old, backs: [] }) },
};
