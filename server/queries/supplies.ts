import type { SuppliesAnswer } from '#contract';
import type { Desk } from '../desk.ts';

/** So many of the latest entries are shown. */
const LATEST = 40;

/** What the studio uses up beside glass, and the latest entries of its book. */
export function suppliesAnswer({ seq, state }: Desk): SuppliesAnswer {
  return {
    seq,
    supplies: state.where('supplies', 'away is null order by kind, name, id'),
    moves: state.where('supplyMoves', 'true order by rowid desc limit ?', LATEST),
  };
}
