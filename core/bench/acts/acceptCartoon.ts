import type { LineAllowance } from '../../sizing/index.ts';
import { refuse, type Act } from '../act.ts';
import { pieceId, type Panel, type Piece, type Reader } from '../tables.ts';

/** How a drawing came about: brought in, or by which light change of the one before it. */
export const DRAWING_ORIGINS = [
  'import',
  'add-line',
  'add-lines',
  'take-line',
  'move-node',
  'scale',
  'fit',
  'profile',
  'allowance',
  'renumber',
  'number',
] as const;
export type DrawingOrigin = (typeof DRAWING_ORIGINS)[number];

/** Changes that take glass out of hand or give it another size: not once that glass is cut. */
const NEEDS_UNCUT: ReadonlySet<DrawingOrigin> = new Set(['add-line', 'add-lines', 'take-line', 'scale', 'fit']);

export interface DrawnPiece extends Pick<
  Piece,
  'number' | 'label' | 'areaMm2' | 'perimeterMm' | 'widthMm' | 'heightMm' | 'difficulty'
> {
  /** The number it had before; null for a new piece. */
  readonly was: number | null;
  /** Its cut outline is not what it was. */
  readonly changed: boolean;
}

/** What a panel needs of an accepted drawing; the drawing itself is kept whole beside the log, under `cartoonId`. */
export interface AcceptCartoon {
  readonly panelId: string;
  readonly cartoonId: string;
  readonly sourceName: string;
  readonly origin: DrawingOrigin;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly allowance: LineAllowance;
  readonly pieceCount: number;
  readonly joints: number;
  /** Joints already soldered, by their new numbers. */
  readonly soldered: Panel['soldered'];
  /** New pieces, and those whose number or outline changed; all others stay as they are. */
  readonly pieces: readonly DrawnPiece[];
  readonly gone: readonly number[];
  /** Pieces whose glass is cut and which the user lets go all the same. */
  readonly letGo: readonly number[];
}

/**
 * A drawing takes the place of the one before it. Pieces that are the same keep glass, state and history; one whose
 * glass is cut and whose outline changed is marked to be held against the new outline.
 */
export const acceptCartoon: Act<AcceptCartoon> = {
  undoable: true,
  decide: (state, payload) => {
    const panel = state.get('panels', payload.panelId);
    if (!panel) return refuse('unknown-panel');
    if (payload.pieceCount === 0) return refuse('no-pieces');
    const inHand = [...state.piecesOf(panel.id)].filter((p) => p.stage !== 'to-cut').map((p) => p.number);
    const changed = new Set(payload.pieces.filter((p) => p.changed).map((p) => p.was));
    const lost = inHand.filter(
      (n) =>
        (payload.gone.includes(n) && !payload.letGo.includes(n)) ||
        (NEEDS_UNCUT.has(payload.origin) && (changed.has(n) || payload.gone.includes(n))),
    );
    if (lost.length > 0) return refuse('has-work', { numbers: lost, name: panel.name });
    return { payload };
  },
  apply: (draft, p) => {
    const before = new Map([...draft.piecesOf(p.panelId)].map((old) => [old.number, old]));
    for (const { was, number } of p.pieces)
      if (was !== null && was !== number) draft.remove('pieces', pieceId(p.panelId, was));
    for (const n of p.gone) draft.remove('pieces', pieceId(p.panelId, n));
    for (const { was, changed, ...facts } of p.pieces) {
      const old = was === null ? undefined : before.get(was);
      const recheck = old !== undefined && old.stage !== 'to-cut' && (changed || old.recheck === true);
      draft.put('pieces', {
        glassId: null,
        stage: 'to-cut',
        broken: null,
        recuts: 0,
        from: null,
        ...old,
        ...facts,
        id: pieceId(p.panelId, facts.number),
        panelId: p.panelId,
        recheck,
      });
    }
    const panel = draft.get('panels', p.panelId) as Panel;
    draft.patch('panels', p.panelId, {
      cartoonId: p.cartoonId,
      sourceName: p.sourceName,
      widthMm: p.widthMm,
      heightMm: p.heightMm,
      allowance: p.allowance,
      pieceCount: p.pieceCount,
      jointCount: p.joints,
      soldered: p.soldered,
      steps: panel.cartoonId === null ? {} : panel.steps,
    });
  },
};

/** Numbers of pieces whose glass is, or was, cut: their number stands on glass. */
export const begunPieces = (state: Reader, panelId: string): number[] =>
  [...state.piecesOf(panelId)].filter((p) => p.stage !== 'to-cut' || p.recuts > 0).map((p) => p.number);
