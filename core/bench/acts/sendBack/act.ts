import { nth } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import type { BackReason } from '../../reasons.ts';
import type { StepCode } from '../../routes/definition.ts';
import { routeOf, stageIndex, wayOf, type Route } from '../../routes/route.ts';
import type { PieceRow, PieceRowId } from '../../tables.ts';
import { called, pickPieces, pieceNumbered, piecesCalled, type AskedPieces } from '../picked.ts';

export interface SendBack extends AskedPieces {
  readonly reason: BackReason;
}

export interface PiecesSentBack {
  readonly panelId: string;
  readonly numbers: readonly number[];
  readonly back: readonly { readonly id: PieceRowId; readonly to: StepCode }[];
  readonly reason: BackReason;
}

const stepBefore = (route: Route, piece: PieceRow): StepCode => {
  const way = wayOf(route, piece);
  return nth(way, way.findIndex((s) => s.code === piece.stage) - 1).code;
};

/** One stage back on its own way, never further than "cut": glass that is gone is a break or an undo. */
export const sendBack: Act<SendBack, PiecesSentBack> = {
  version: 2,
  formerly: ['step-back'],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'stage', 'asks'] },
  decide: (state, ask) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const { route, pieces } = picked;
    const first = pieces.filter((p) => stageIndex(route, p.stage) <= 1);
    if (first.length > 0) return refuse('not-back', { numbers: first.map((p) => p.number) });
    const back = pieces.map((p) => ({ id: p.id, to: stepBefore(route, p) }));
    return { fact: { ...ask, back } };
  },
  apply: (draft, { back }) => {
    for (const { id, to } of back) draft.patch('pieces', id, { stage: to });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, reason }) => `${called(numbers)} returned: ${reason}`,
  effect: ({ numbers, reason }) => `${piecesCalled(numbers)} returned to the stage before: ${reason}`,
  upcasts: {
    1: (old: SendBack, { state }): PiecesSentBack => {
      const panel = state.get('panels', old.panelId);
      const route = panel && routeOf(state, panel);
      const rows = old.numbers.flatMap((n) => pieceNumbered(state, old.panelId, n) ?? []);
      return { ...old, back: route ? rows.map((p) => ({ id: p.id, to: stepBefore(route, p) })) : [] };
    },
  },
};
