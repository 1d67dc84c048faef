import type { LedgerAnswer, RackAnswer } from '#contract';
import type { Desk } from '../desk.ts';

const MOVES_A_PAGE = 100;

/** What stands on the rack, and the sums of the ledger by kind. */
export function rackAnswer(desk: Desk): RackAnswer {
  const totals = desk.store.sqlite
    .prepare<[], { kind: string; mm2: number }>('select kind, sum_mm2 as mm2 from ledger_totals')
    .all();
  return {
    seq: desk.seq,
    stock: desk.state.where('stock', 'gone is null order by rowid'),
    totals: Object.fromEntries(totals.map(({ kind, mm2 }) => [kind, mm2])),
  };
}

/** A page of the ledger of one sheet or offcut, the latest first. */
export function ledgerAnswer(desk: Desk, stockId: string, before: number | null): LedgerAnswer {
  const moves = desk.state.where(
    'moves',
    'stock_id = ? and seq < ? order by seq desc, rowid desc limit ?',
    stockId,
    before ?? Number.MAX_SAFE_INTEGER,
    MOVES_A_PAGE,
  );
  // What one act has entered is not torn apart: it begins the next page.
  const last = moves.length === MOVES_A_PAGE ? (moves.at(-1)?.seq ?? null) : null;
  const page = last === null ? moves : moves.filter((m) => m.seq > last);
  return { seq: desk.seq, moves: page as LedgerAnswer['moves'], next: last === null ? null : last + 1 };
}
