import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { amountWords, costOf, tidyAmount, type SupplyMoveKind, type SupplyWork } from '../../../stock/index.ts';

export interface MoveSupply {
  /** Of the entry. */
  readonly id: string;
  readonly supplyId: string;
  readonly kind: SupplyMoveKind;
  /** What came or was used; what was found to be there. In the supply's measure. */
  readonly amount: number;
  /** The panel that it was used for. */
  readonly panelId: string | null;
  /** What was reckoned for the same work by the usual figures; null where it teaches nothing. */
  readonly reckoned: number | null;
}

export interface SupplyMoved extends MoveSupply {
  readonly name: string;
  readonly delta: number;
  readonly balance: number;
  readonly cents: number;
  /** For which kind of work it teaches; null where it teaches nothing. */
  readonly teaches: SupplyWork | null;
  /** `3.2 m`, `140 g`. */
  readonly said: string;
}

/** Something used up beside glass comes, goes, or is counted or weighed. */
export const moveSupply: Act<MoveSupply, SupplyMoved> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { supplies: ['amount', 'learnt'] },
  decide: (state, ask) => {
    const supply = state.get('supplies', ask.supplyId);
    if (!supply || supply.away === 'deleted') return refuse('unknown-supply');
    if (state.get('supplyMoves', ask.id)) return refuse('entry-taken');
    const panel = ask.panelId === null ? null : state.get('panels', ask.panelId);
    if (panel === undefined) return refuse('unknown-panel');
    const amount = tidyAmount(ask.amount);
    if (ask.kind !== 'counted' && amount === 0) return refuse('nothing-changes');
    const delta = tidyAmount(ask.kind === 'bought' ? amount : ask.kind === 'used' ? -amount : amount - supply.amount);
    const balance = tidyAmount(supply.amount + delta);
    if (balance < 0)
      return refuse('supply-short', { name: supply.name, more: amountWords(supply.kind, supply.amount) });
    return {
      fact: {
        ...ask,
        amount,
        name: supply.name,
        delta,
        balance,
        cents: costOf(supply, Math.abs(delta)),
        teaches: ask.kind === 'used' && ask.reckoned !== null ? (panel?.technique ?? null) : null,
        said: amountWords(supply.kind, amount),
      },
    };
  },
  apply: (draft, fact, { at, personId }) => {
    const { id, supplyId, kind, amount, delta, balance, cents, panelId, reckoned, teaches } = fact;
    const learnt = draft.get('supplies', supplyId)?.learnt ?? {};
    const before = teaches === null ? undefined : learnt[teaches];
    const taught =
      teaches === null
        ? {}
        : {
            learnt: {
              ...learnt,
              [teaches]: {
                used: tidyAmount((before?.used ?? 0) + amount),
                reckoned: tidyAmount((before?.reckoned ?? 0) + (reckoned ?? 0)),
              },
            },
          };
    draft.patch('supplies', supplyId, { amount: balance, ...taught });
    draft.put('supplyMoves', { id, supplyId, kind, delta, balance, cents, panelId, at, personId });
  },
  panelOf: () => null,
  told: ({ name, kind, said }) =>
    kind === 'counted' ? `${name}: ${said} found to be there` : `${said} of ${name} ${kind}`,
  effect: NO_WORDS,
  upcasts: {},
};
