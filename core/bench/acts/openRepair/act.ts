import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { REPAIR_MEANINGS, repairSteps, type RepairWay } from '../../repairs.ts';
import { isBuiltIn, routeOf } from '../../routes/route.ts';
import { numberedKey, type JointRowId, type PieceRowId } from '../../tables.ts';
import { pieceNumbered } from '../picked.ts';

export interface OpenRepair {
  readonly id: string;
  readonly panelId: string;
  readonly number: number;
  readonly way: RepairWay;
  readonly words: string;
  /** The joints of that piece, by their numbers: they are open again where it is replaced. */
  readonly joints: readonly number[];
}

export interface RepairOpened extends Omit<OpenRepair, 'joints'> {
  readonly pieceId: PieceRowId;
  readonly opens: readonly JointRowId[];
  /** There is nothing to be done. */
  readonly isClosed: boolean;
}

/** A crack is seen in a piece that is built in, and it is decided what is done about it. */
export const openRepair: Act<OpenRepair, RepairOpened> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'stage'] },
  decide: (state, { joints, ...ask }) => {
    const panel = state.get('panels', ask.panelId);
    if (!panel) return refuse('unknown-panel');
    if (state.get('repairs', ask.id)) return refuse('entry-taken');
    const piece = pieceNumbered(state, ask.panelId, ask.number);
    if (!piece) return refuse('unknown-pieces', { numbers: [ask.number] });
    if (!isBuiltIn(routeOf(state, panel), piece)) return refuse('not-built-in', { numbers: [ask.number] });
    const open = [...state.ask('repairsOfPanel', ask.panelId)].some(
      (one) => one.pieceId === piece.id && one.closedAt === null,
    );
    if (open) return refuse('repair-open', { numbers: [ask.number] });
    const opens =
      ask.way === 'replace'
        ? joints.flatMap((number) => [...state.ask('jointNumbered', numberedKey(ask.panelId, number))])
        : [];
    const isClosed = repairSteps(ask.way, panel.technique).length === 0;
    return { fact: { ...ask, pieceId: piece.id, opens: opens.map((joint) => joint.id), isClosed } };
  },
  apply: (draft, { opens, isClosed, ...repair }, { at }) => {
    draft.put('repairs', { ...repair, openedAt: at, done: [], closedAt: isClosed ? at : null });
    for (const id of opens) draft.patch('joints', id, { frontAt: null, backAt: null });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ number, way }) => `a crack in ${number}: ${REPAIR_MEANINGS[way].name.toLowerCase()}`,
  effect: NO_WORDS,
  upcasts: {},
};
