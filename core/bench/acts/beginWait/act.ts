import { showMinutes } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import { called, named, pickPieces, piecesCalled, type AskedPieces, type NamedPieces } from '../picked.ts';

export interface BeginWait extends AskedPieces {
  readonly id: string;
  /** What is waited for: `glue`. */
  readonly name: string;
  readonly minutes: number;
}

export interface WaitBegun extends NamedPieces {
  readonly id: string;
  readonly name: string;
  readonly minutes: number;
}

/** Pieces, or the whole panel, have to rest for a while: a clock with a name that nobody has to watch. */
export const beginWait: Act<BeginWait, WaitBegun> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn'] },
  decide: (state, { id, panelId, numbers, name, minutes }) => {
    if (state.get('waits', id)) return refuse('entry-taken');
    if (numbers.length === 0)
      return state.get('panels', panelId)
        ? { fact: { id, panelId, numbers, pieces: [], name, minutes } }
        : refuse('unknown-panel');
    const picked = pickPieces(state, { panelId, numbers });
    return 'refusal' in picked ? picked : { fact: { ...named(panelId, picked.pieces), id, name, minutes } };
  },
  apply: (draft, { id, panelId, pieces, numbers, name, minutes }, { at }) =>
    draft.put('waits', { id, panelId, pieces, numbers, name, from: at, until: at + minutes * 60_000, isOver: false }),
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, name, minutes }) =>
    `${numbers.length === 0 ? 'the panel' : called(numbers)} ${numbers.length > 1 ? 'wait' : 'waits'} ${showMinutes(minutes)}: ${name}`,
  effect: ({ numbers, name, minutes }) =>
    `${numbers.length === 0 ? 'the panel' : piecesCalled(numbers)} ${numbers.length > 1 ? 'wait' : 'waits'} ${showMinutes(minutes)}: ${name}`,
  upcasts: {},
};
