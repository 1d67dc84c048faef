import { refuse, type Act } from '../act.ts';
import type { LineAllowance } from '../../sizing/index.ts';
import { pieceId, type Piece } from '../tables.ts';

/** What a panel needs of an accepted drawing; the drawing itself is kept whole beside the log, under `cartoonId`. */
export interface AcceptCartoon {
  readonly panelId: string;
  readonly cartoonId: string;
  readonly sourceName: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly allowance: LineAllowance;
  readonly joints: number;
  readonly pieces: readonly Pick<
    Piece,
    'number' | 'label' | 'areaMm2' | 'perimeterMm' | 'widthMm' | 'heightMm' | 'difficulty'
  >[];
}

/** A drawing replaces the one before it as long as no glass has been cut for the panel. */
export const acceptCartoon: Act<AcceptCartoon> = {
  undoable: false,
  decide: (state, payload) => {
    const panel = state.get('panels', payload.panelId);
    if (!panel) return refuse('unknown-panel');
    const begun = [...state.piecesOf(panel.id)].filter((p) => p.stage !== 'to-cut' || p.recuts > 0);
    if (begun.length > 0) return refuse('has-work', { numbers: begun.map((p) => p.number), name: panel.name });
    if (payload.pieces.length === 0) return refuse('no-pieces');
    return { payload };
  },
  apply: (draft, p) => {
    const glassOf = new Map([...draft.piecesOf(p.panelId)].map((old) => [old.number, old.glassId]));
    for (const old of [...draft.piecesOf(p.panelId)]) draft.remove('pieces', old.id);
    for (const piece of p.pieces) {
      draft.put('pieces', {
        id: pieceId(p.panelId, piece.number),
        panelId: p.panelId,
        ...piece,
        glassId: glassOf.get(piece.number) ?? null,
        stage: 'to-cut',
        broken: null,
        recuts: 0,
        from: null,
      });
    }
    draft.patch('panels', p.panelId, {
      cartoonId: p.cartoonId,
      sourceName: p.sourceName,
      widthMm: p.widthMm,
      heightMm: p.heightMm,
      allowance: p.allowance,
      pieceCount: p.pieces.length,
      jointCount: p.joints,
      soldered: { front: [], back: [] },
      steps: {},
    });
  },
};
