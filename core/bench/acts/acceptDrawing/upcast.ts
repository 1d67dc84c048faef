import type { LineAllowance } from '../../../sizing/index.ts';
import type { UpcastContext } from '../../act.ts';
import { jointRowId, type Reader } from '../../tables.ts';
import type { AcceptDrawing, DrawnJoint, DrawnPiece } from './ask.ts';
import type { DrawingOrigin } from './origins.ts';
import { jointsBetween, piecesGone } from './parts.ts';

interface PieceV1 extends Omit<DrawnPiece, 'id' | 'isNew' | 'changed' | 'grew'> {
  /** The number it had before, null for a new piece. The oldest events named all pieces and did not say. */
  readonly was?: number | null;
  readonly changed?: boolean;
}

/** An accepted drawing when pieces were named by their numbers, and joints by their places. */
export interface AcceptCartoonV1 {
  readonly panelId: string;
  readonly cartoonId: string;
  readonly sourceName: string;
  readonly origin?: DrawingOrigin;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly allowance: LineAllowance;
  readonly pieceCount?: number;
  readonly joints: number;
  /** Joints that stay soldered, by their new numbers; the oldest events kept none. */
  readonly soldered?: { readonly front: readonly number[]; readonly back: readonly number[] };
  readonly pieces: readonly PieceV1[];
  readonly gone?: readonly number[];
  readonly letGo?: readonly number[];
}

/** What such an event asks for, once the parts of its drawing are named for good. */
export function acceptedFromV1(old: AcceptCartoonV1, { state, drawing }: UpcastContext): AcceptDrawing {
  const { panelId } = old;
  const before = [...state.ask('piecesOfPanel', panelId)];
  const beforeNumbers = new Set(before.map((p) => p.number));
  // The oldest events gave a number's glass to the piece of that number in the new drawing.
  const wasOf = (p: PieceV1) => (p.was === undefined ? (beforeNumbers.has(p.number) ? p.number : null) : p.was);
  const was = new Map(old.pieces.map((p) => [p.number, wasOf(p)]));
  const previousId = state.get('panels', panelId)?.cartoonId ?? null;
  const cartoon = drawing(old.cartoonId, previousId, was);
  const idOf = new Map(cartoon.pieces.map((p) => [p.number, p.id]));
  const pieces = old.pieces.map((piece): DrawnPiece => {
    const { was: _, changed, ...measured } = piece;
    const id = idOf.get(piece.number);
    if (id === undefined) throw new Error(`the drawing ${old.cartoonId} has no piece ${piece.number}`);
    return { ...measured, id, isNew: wasOf(piece) === null, changed: changed ?? true, grew: false };
  });
  return {
    panelId,
    cartoonId: old.cartoonId,
    follows: previousId,
    sourceName: old.sourceName,
    origin: old.origin ?? 'import',
    widthMm: old.widthMm,
    heightMm: old.heightMm,
    allowance: old.allowance,
    freeId: cartoon.freeId,
    pieceCount: old.pieceCount ?? old.pieces.length,
    jointCount: old.joints,
    pieces,
    gone: piecesGone(state, panelId, cartoon.pieces),
    ...jointsBetween(state, panelId, cartoon.joints, unsoldered(state, old, cartoon.joints)),
    letGo: old.letGo ?? [],
  };
}

/** Joints that were soldered before and, as the event says, are not after it. */
function unsoldered(
  state: Reader,
  { panelId, soldered = { front: [], back: [] } }: AcceptCartoonV1,
  joints: readonly Pick<DrawnJoint, 'id' | 'number'>[],
): Set<DrawnJoint['id']> {
  const found = joints.filter(({ id, number }) => {
    const row = state.get('joints', jointRowId(panelId, id));
    if (!row) return false;
    const lost = (at: number | null, side: readonly number[]) => at !== null && !side.includes(number);
    return lost(row.frontAt, soldered.front) || lost(row.backAt, soldered.back);
  });
  return new Set(found.map((j) => j.id));
}
