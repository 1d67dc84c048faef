import type { BesideAnswer } from '#contract';
import type { Desk } from '../desk.ts';
import { STILL_TO_CUT } from './stillToCut.ts';

/**
 * Panels in hand from which pieces of the same glasses are still to be cut: those may be laid out together. Those that lie
 * on one sheet with pieces of this panel are, already.
 */
export function besideAnswer(desk: Desk, panelId: string): BesideAnswer | null {
  const { state, store } = desk;
  const panel = state.get('panels', panelId);
  if (!panel || panel.away !== null) return null;
  const rows = store.sqlite
    .prepare<[string, string, string], Omit<BesideAnswer['panels'][number], 'isBeside'> & { isBeside: number }>(
      `with waiting as materialized (${STILL_TO_CUT}),
         own as (select glassId, sheet from waiting where panelId = ?)
       select n.id, n.name, c.title as job, n.commission_id = ? as isSet, count(*) as pieces,
         max(coalesce(w.sheet in (select sheet from own where sheet is not null), 0)) as isBeside
       from waiting w join panels n on n.id = w.panelId join commissions c on c.id = n.commission_id
       where n.id <> ? and w.glassId in (select glassId from own)
       group by n.id order by isSet desc, c.title, n.rowid`,
    )
    .all(panelId, panel.commissionId, panelId);
  const panels = rows.map(({ isBeside, isSet, ...row }) => ({ ...row, isSet: Boolean(isSet), isBeside: isBeside > 0 }));
  return { seq: desk.seq, panels };
}
