import { count, showArea } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import type { StepCode } from '../../routes/definition.ts';
import { onceFrontIsCut, TAKES_GLASS } from '../../routes/route.ts';
import { ownGlass, lift } from '../laid.ts';
import { called, inHand, pickPieces, pieceNumbered } from '../picked.ts';
import type { PieceRowId } from '../../tables.ts';
import { applyTaking, cutToOtherOutline, NEW_GLASS, takeFromAll, type Source, type Taking } from '../taking.ts';
import { takingFromV1, takingFromV3, type TakingV1, type TakingV3 } from '../takingUpcast.ts';

export interface CutPieces {
  readonly panelId: string;
  readonly sources: readonly Source[];
}

export interface PiecesCut {
  readonly panelId: string;
  readonly takings: readonly Taking[];
  /** Those whose last glass was cut to another outline: the new glass is cut to the present one. */
  readonly anew: readonly PieceRowId[];
  /** Those of which both glasses are cut now, and the step that they stand at. */
  readonly both?: { readonly pieces: readonly PieceRowId[]; readonly to: StepCode };
}

type PiecesCutV3 = Omit<PiecesCut, 'takings'> & { readonly takings: readonly TakingV3[] };
type PiecesCutV2 = Omit<PiecesCutV3, 'anew'>;

/** Marks pieces cut and takes their glass. A broken piece that is cut again goes the same way. */
export const cutPieces: Act<CutPieces, PiecesCut> = {
  version: 4,
  formerly: [],
  undoIn: 'panel',
  reads: {
    pieces: ['number', 'drawn', 'stage', 'glassId', 'areaMm2', 'backFrom'],
    stock: ['glassId', 'gone', 'breaks'],
  },
  decide: (state, { panelId, sources }) => {
    const picked = pickPieces(state, { panelId, numbers: sources.flatMap((s) => s.numbers) });
    if ('refusal' in picked) return picked;
    const begun = inHand(picked.pieces);
    if (begun.length > 0) return refuse('already-in-hand', { numbers: begun });
    const takings = takeFromAll(state, picked.pieces.map(ownGlass), sources);
    if ('refusal' in takings) return takings;
    const whole = picked.pieces.filter((p) => onceFrontIsCut(picked.route, p) !== null);
    const [first] = whole;
    const to = first ? onceFrontIsCut(picked.route, first) : null;
    const both = to === null ? {} : { both: { pieces: whole.map((p) => p.id), to } };
    return { fact: { panelId, takings, anew: cutToOtherOutline(picked.pieces), ...both } };
  },
  apply: (draft, { panelId, takings, anew, both }, now) => {
    for (const id of anew) draft.patch('pieces', id, NEW_GLASS);
    for (const taking of takings) {
      if (!taking.asLaid) lift(draft, taking.pieces);
      applyTaking(draft, panelId, taking, now);
      for (const id of taking.pieces)
        draft.patch('pieces', id, { stage: TAKES_GLASS, broken: null, from: taking.stockId });
    }
    for (const id of both?.pieces ?? []) draft.patch('pieces', id, { stage: both?.to ?? TAKES_GLASS });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ takings }) => takings.map((t) => `${called(t.numbers)} cut from ${t.stockId}`).join(' · '),
  effect: ({ panelId, sources }, state, unit) =>
    sources
      .map(({ numbers, stockId }) => {
        const mm2 = numbers.reduce((sum, n) => sum + (pieceNumbered(state, panelId, n)?.areaMm2 ?? 0), 0);
        return `${count(numbers.length, 'piece')} cut from ${stockId}: ${showArea(mm2, unit)} of glass`;
      })
      .join(' · '),
  upcasts: {
    1: (old: { panelId: string; takings: readonly TakingV1[] }, context): PiecesCutV2 => ({
      panelId: old.panelId,
      takings: old.takings.map((taking) => takingFromV1(taking, old.panelId, context)),
    }),
    2: (old: PiecesCutV2): PiecesCutV3 => ({ ...old, anew: [] }),
    3: (old: PiecesCutV3): PiecesCut => ({ ...old, takings: old.takings.map((taking) => takingFromV3(taking)) }),
  },
};
