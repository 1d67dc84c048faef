import { priceOfArea } from '../../units/index.ts';
import { refuse, type Act } from '../act.ts';
import type { BreakReason } from '../route.ts';
import { pieceId, type Piece } from '../tables.ts';
import { applyTaking, takeFrom, type Taking } from './cutPieces.ts';
import { pickPieces } from './pieceMoves.ts';
import type { Left } from '../../stock/index.ts';

export interface BreakPieces {
  readonly panelId: string;
  readonly numbers: readonly number[];
  readonly reason: BreakReason;
  /** Minutes the break cost: for one already cut again, the time of the new cut. Shared evenly. */
  readonly minutes: number;
  /** When the pieces were cut again at once: from what. */
  readonly recut: { readonly stockId: string; readonly left: Left } | null;
}

export interface PiecesBroke extends Omit<BreakPieces, 'recut'> {
  readonly recut: Taking | null;
}

/**
 * A piece breaks, or has to be made anew, at any stage and as often as it happens. It goes back to "to cut"
 * with its number, or to "cut" when it was cut again at once; the glass lost and the time are charged.
 */
export const breakPieces: Act<BreakPieces, PiecesBroke> = {
  undoable: true,
  decide: (state, command) => {
    const picked = pickPieces(state, command.panelId, command.numbers);
    if ('refusal' in picked) return picked;
    // A piece that was never scored cannot break; one that broke while being cut has lost its glass all the same.
    const waiting = picked.pieces.filter((p) => p.stage === 'to-cut' && (p.broken !== null || p.glassId === null));
    if (waiting.length > 0) {
      const bare = waiting.filter((p) => p.glassId === null);
      if (bare.length > 0) return refuse('no-glass', { numbers: bare.map((p) => p.number) });
      if (!command.recut) return refuse('nothing-to-do', { numbers: waiting.map((p) => p.number), name: 'broken' });
    }
    const { recut, ...rest } = command;
    if (!recut) return { payload: { ...rest, recut: null } };
    const taking = takeFrom(state, command.panelId, { ...recut, numbers: command.numbers }, new Set());
    return 'refusal' in taking ? taking : { payload: { ...rest, recut: taking } };
  },
  apply: (draft, { panelId, numbers, reason, minutes, recut }, now) => {
    const rate = now.personId === null ? 0 : (draft.get('people', now.personId)?.rateCentsPerHour ?? 0);
    const each = minutes / numbers.length;
    for (const n of numbers) {
      const id = pieceId(panelId, n);
      const piece = draft.get('pieces', id) as Piece;
      const glass = piece.glassId === null ? undefined : draft.get('glasses', piece.glassId);
      draft.put('mishaps', {
        id: `${now.seq}.${n}`,
        panelId,
        number: n,
        at: now.at,
        reason,
        stage: piece.stage,
        glassId: piece.glassId,
        glassMm2: piece.areaMm2,
        glassCents: glass ? priceOfArea(piece.areaMm2, glass.priceCentsPerM2) : 0,
        minutes: each,
        labourCents: Math.round((each * rate) / 60),
        recutFrom: recut?.stockId ?? null,
      });
      draft.patch('pieces', id, {
        stage: recut ? 'cut' : 'to-cut',
        broken: recut ? null : reason,
        recuts: piece.recuts + 1,
        from: recut?.stockId ?? null,
      });
    }
    if (recut) applyTaking(draft, panelId, recut, now);
  },
};
