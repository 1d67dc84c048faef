import { refuse, type Act } from '../../act.ts';
import { BEGINS } from '../../routes/route.ts';
import { lift } from '../laid.ts';
import { called, named, pickPieces, piecesCalled, type AskedPieces, type NamedPieces } from '../picked.ts';

/** Takes pieces off the sheets they are laid out on: another layout finds them a place. */
export const liftOff: Act<AskedPieces, NamedPieces> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'stage', 'spot'] },
  decide: (state, ask) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const laid = picked.pieces.filter((p) => p.spot !== null && p.stage === BEGINS);
    return laid.length === 0
      ? refuse('nothing-to-do', { numbers: ask.numbers, name: 'off the sheets' })
      : { fact: named(ask.panelId, laid) };
  },
  apply: (draft, { pieces }) => lift(draft, pieces),
  panelOf: (fact) => fact.panelId,
  told: ({ numbers }) => `${called(numbers)} lifted off`,
  effect: ({ numbers }) => `${piecesCalled(numbers)} lifted off`,
  upcasts: {},
};
