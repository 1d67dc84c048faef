import { showArea } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import type { StepCode } from '../../routes/definition.ts';
import { backStep, BEGINS, wayOf } from '../../routes/route.ts';
import type { PieceRowId } from '../../tables.ts';
import { backId, glassBehind, lift } from '../laid.ts';
import { backsCalled, pickBacks, pieceNumbered } from '../picked.ts';
import { applyTaking, SECOND, takeFromAll, type Source, type Taking } from '../taking.ts';

export interface CutBack {
  readonly panelId: string;
  readonly sources: readonly Source[];
}

export interface BacksCut {
  readonly panelId: string;
  readonly takings: readonly Taking[];
  /** Those of which both glasses are cut now, and the step that they stand at. */
  readonly both: readonly PieceRowId[];
  readonly to: StepCode;
}

/** Marks the glass behind pieces as cut, and takes it from the rack. A piece of which both are cut moves on. */
export const cutBack: Act<CutBack, BacksCut> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: {
    pieces: ['number', 'drawn', 'stage', 'asks', 'glassId', 'backGlassId', 'backFrom', 'areaMm2'],
    stock: ['glassId', 'gone', 'breaks'],
  },
  decide: (state, { panelId, sources }) => {
    const picked = pickBacks(state, { panelId, numbers: sources.flatMap((s) => s.numbers) });
    if ('refusal' in picked) return picked;
    const { route, pieces } = picked;
    const step = backStep(route);
    if (!step) return refuse('one-glass');
    const takings = takeFromAll(state, pieces.map(glassBehind), sources);
    if ('refusal' in takings) return takings;
    const isNext = ({ stage, asks }: (typeof pieces)[number]): boolean => {
      const way = wayOf(route, { asks });
      return stage !== BEGINS && way.findIndex((s) => s.code === stage) === way.indexOf(step) - 1;
    };
    return { fact: { panelId, takings, both: pieces.filter(isNext).map((p) => p.id), to: step.code } };
  },
  apply: (draft, { panelId, takings, both, to }, now) => {
    for (const taking of takings) {
      if (!taking.asLaid) lift(draft, taking.pieces.map(backId));
      applyTaking(draft, panelId, taking, now, { pieces: SECOND });
      for (const id of taking.pieces) draft.patch('pieces', id, { backFrom: taking.stockId });
    }
    for (const id of both) draft.patch('pieces', id, { stage: to });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ takings }) => takings.map((t) => `${backsCalled(t.numbers)} cut from ${t.stockId}`).join(' · '),
  effect: ({ panelId, sources }, state, unit) =>
    sources
      .map(({ numbers, stockId }) => {
        const mm2 = numbers.reduce((sum, n) => sum + (pieceNumbered(state, panelId, n)?.areaMm2 ?? 0), 0);
        return `${backsCalled(numbers)} cut from ${stockId}: ${showArea(mm2, unit)} of glass`;
      })
      .join(' · '),
  upcasts: {},
};
