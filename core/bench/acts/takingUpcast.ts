import type { UpcastContext } from '../act.ts';
import { idsThen } from './picked.ts';
import { NO_SHAPE } from './laid.ts';
import type { OffcutLeft, PartLeft, Taking } from './taking.ts';

/** A taking before true outlines and layouts. */
export interface TakingV3 extends Omit<Taking, 'stays' | 'offcuts' | 'asLaid'> {
  readonly stays: { readonly widthMm: number; readonly heightMm: number } | null;
  readonly offcuts: readonly Omit<OffcutLeft, keyof PartLeft>[];
}

export const takingFromV3 = (old: TakingV3): Taking => ({
  ...old,
  stays: old.stays && { ...old.stays, ...NO_SHAPE },
  offcuts: old.offcuts.map((offcut) => ({ ...offcut, ...NO_SHAPE })),
  asLaid: false,
});

/** A taking before costs and ids stood in it. */
export interface TakingV1 {
  readonly stockId: string;
  readonly numbers: readonly number[];
  readonly piecesMm2: number;
  readonly wasteMm2: number;
  readonly staysMm2: number;
  readonly stays: TakingV3['stays'];
  readonly offcuts: readonly {
    readonly label: string;
    readonly widthMm: number;
    readonly heightMm: number;
    readonly areaMm2: number;
  }[];
}

/** The sheet's cost was shared by area when the event was written; it is worked out here once and for all. */
export function takingFromV1(old: TakingV1, panelId: string, { state }: UpcastContext): TakingV3 {
  const item = state.get('stock', old.stockId);
  if (!item) throw new Error(`the log cuts from ${old.stockId}, which never came`);
  const share = item.areaMm2 > 0 ? item.costCents / item.areaMm2 : 0;
  return {
    ...old,
    glassId: item.glassId,
    pieces: idsThen(state, panelId, old.numbers),
    beforeMm2: item.areaMm2,
    costCents: Math.round(share * old.staysMm2),
    offcuts: old.offcuts.map((o) => ({ ...o, costCents: Math.round(share * o.areaMm2) })),
    place: item.place,
  };
}
