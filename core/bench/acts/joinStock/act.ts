import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { liftFrom, UNSHAPED } from '../laid.ts';
import { onRack, rackMove } from '../onRack.ts';

export interface JoinStock {
  /** Its label stays. */
  readonly stockId: string;
  readonly otherId: string;
  /** Of the one piece of glass that they are. */
  readonly widthMm: number;
  readonly heightMm: number;
}

export interface StockJoined extends JoinStock {
  readonly otherMm2: number;
  readonly areaMm2: number;
  readonly costCents: number;
}

/** Two records that are one piece of glass become one: what they hold and what they are worth is added up. */
export const joinStock: Act<JoinStock, StockJoined> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { stock: ['glassId', 'areaMm2', 'outline', 'breaks', 'costCents', 'keptFor', 'gone'] },
  decide: (state, ask) => {
    const one = onRack(state, ask.stockId);
    if ('refusal' in one) return one;
    const other = onRack(state, ask.otherId);
    if ('refusal' in other) return other;
    const [{ item }, { item: gone }] = [one, other];
    if (item.id === gone.id) return refuse('join-itself', { name: item.id });
    if (item.glassId !== gone.glassId) return refuse('join-other-glass', { name: item.id, more: gone.id });
    if (item.keptFor !== gone.keptFor) return refuse('join-kept-apart', { name: item.id, more: gone.id });
    const areaMm2 = item.areaMm2 + gone.areaMm2;
    const most = Math.round(ask.widthMm * ask.heightMm);
    if (areaMm2 > most) return refuse('count-over', { name: item.id, haveMm2: most, wantMm2: areaMm2 });
    const ids = { stockId: item.id, otherId: gone.id };
    return { fact: { ...ask, ...ids, otherMm2: gone.areaMm2, areaMm2, costCents: item.costCents + gone.costCents } };
  },
  apply: (draft, { stockId, otherId, otherMm2, ...now }, when) => {
    for (const id of [stockId, otherId]) liftFrom(draft, id);
    draft.patch('stock', stockId, { ...UNSHAPED, ...now });
    draft.patch('stock', otherId, { areaMm2: 0, costCents: 0, gone: 'used up', breaks: null });
    const enter = (id: string, deltaMm2: number, balanceMm2: number, note: string) =>
      draft.put('moves', rackMove(when, { stockId: id, kind: 'offcut', deltaMm2, balanceMm2, note }));
    enter(otherId, -otherMm2, 0, `joined to ${stockId}`);
    enter(stockId, otherMm2, now.areaMm2, `with ${otherId}`);
  },
  panelOf: () => null,
  told: ({ stockId, otherId }) => `${otherId} joined to ${stockId}`,
  effect: NO_WORDS,
  upcasts: {},
};
