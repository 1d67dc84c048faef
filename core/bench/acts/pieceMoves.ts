import { refuse, type Act, type Refusal } from '../act.ts';
import { lastStage, ROUTES, stageIndex, type BackReason, type Stage } from '../route.ts';
import { pieceId, type Panel, type Piece, type Reader } from '../tables.ts';

type PieceRow = Piece & { readonly id: string; readonly rev: number };

/** The named pieces of a panel, or the refusal that names what is not there. */
export function pickPieces(
  state: Reader,
  panelId: string,
  numbers: readonly number[],
): { panel: Panel & { id: string }; pieces: PieceRow[] } | { refusal: Refusal } {
  const panel = state.get('panels', panelId);
  if (!panel) return refuse('unknown-panel');
  if (numbers.length === 0) return refuse('no-pieces');
  const pieces = numbers.map((n) => state.get('pieces', pieceId(panelId, n)));
  const missing = numbers.filter((_, i) => !pieces[i]);
  if (missing.length > 0) return refuse('unknown-pieces', { numbers: missing });
  return { panel, pieces: pieces as PieceRow[] };
}

export interface AdvancePieces {
  readonly panelId: string;
  readonly numbers: readonly number[];
  readonly to: Stage;
}

/** Cut pieces move on. Those already there or further stay; those not cut yet are a refusal, not a guess. */
export const advancePieces: Act<AdvancePieces> = {
  undoable: true,
  decide: (state, command) => {
    const picked = pickPieces(state, command.panelId, command.numbers);
    if ('refusal' in picked) return picked;
    const { technique } = picked.panel;
    const target = stageIndex(technique, command.to);
    if (target < 2) return refuse('not-this-route', { name: command.to });
    const uncut = picked.pieces.filter((p) => p.stage === 'to-cut');
    if (uncut.length > 0) return refuse('not-cut', { numbers: uncut.map((p) => p.number) });
    const moving = picked.pieces.filter((p) => stageIndex(technique, p.stage) < target);
    if (moving.length === 0) return refuse('nothing-to-do', { numbers: command.numbers, name: command.to });
    return { payload: { ...command, numbers: moving.map((p) => p.number) } };
  },
  apply: (draft, { panelId, numbers, to }) => {
    for (const n of numbers) draft.patch('pieces', pieceId(panelId, n), { stage: to });
  },
};

export interface StepBack {
  readonly panelId: string;
  readonly numbers: readonly number[];
  readonly reason: BackReason;
}

/** One stage back, never further than "cut": glass that is gone is a break or an undo. */
export const stepBack: Act<StepBack> = {
  undoable: true,
  decide: (state, command) => {
    const picked = pickPieces(state, command.panelId, command.numbers);
    if ('refusal' in picked) return picked;
    const first = picked.pieces.filter((p) => stageIndex(picked.panel.technique, p.stage) <= 1);
    if (first.length > 0) return refuse('not-back', { numbers: first.map((p) => p.number) });
    return { payload: command };
  },
  apply: (draft, { panelId, numbers }) => {
    const { technique } = draft.get('panels', panelId) as Panel;
    for (const n of numbers) {
      const { stage } = draft.get('pieces', pieceId(panelId, n)) as Piece;
      draft.patch('pieces', pieceId(panelId, n), {
        stage: ROUTES[technique][stageIndex(technique, stage) - 1] as Stage,
      });
    }
  },
};

export interface GiveGlass {
  readonly panelId: string;
  readonly numbers: readonly number[];
  readonly glassId: string | null;
}

/** Chooses the glass of pieces that are not cut yet. */
export const giveGlass: Act<GiveGlass> = {
  undoable: true,
  decide: (state, command) => {
    const picked = pickPieces(state, command.panelId, command.numbers);
    if ('refusal' in picked) return picked;
    if (command.glassId !== null && !state.get('glasses', command.glassId)) return refuse('unknown-glass');
    const inHand = picked.pieces.filter((p) => p.stage !== 'to-cut');
    if (inHand.length > 0) return refuse('already-in-hand', { numbers: inHand.map((p) => p.number) });
    const moving = picked.pieces.filter((p) => p.glassId !== command.glassId);
    if (moving.length === 0) return refuse('nothing-to-do', { numbers: command.numbers });
    return { payload: { ...command, numbers: moving.map((p) => p.number) } };
  },
  apply: (draft, { panelId, numbers, glassId }) => {
    for (const n of numbers) draft.patch('pieces', pieceId(panelId, n), { glassId });
  },
};

/** Numbers of pieces that are not yet built in. */
export const notInPlace = (state: Reader, panel: Panel & { id: string }): number[] =>
  [...state.piecesOf(panel.id)]
    .filter((p) => p.stage !== lastStage(panel.technique))
    .map((p) => p.number)
    .sort((a, b) => a - b);
