import type { BesideAnswer } from '#contract';
import type { Desk } from '../desk.ts';

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
      `with own as (
         select glass_id as glass, spot ->> '$.stockId' as sheet from pieces
         where panel_id = ? and drawn = 1 and stage = 'to-cut' and glass_id is not null
       )
       select n.id, n.name, c.title as job, n.commission_id = ? as isSet, count(*) as pieces,
         max(coalesce(p.spot ->> '$.stockId' in (select sheet from own where sheet is not null), 0)) as isBeside
       from panels n join commissions c on c.id = n.commission_id join pieces p on p.panel_id = n.id
       where n.delivered_at is null and n.away is null and n.id <> ? and p.drawn = 1 and p.stage = 'to-cut'
         and p.glass_id in (select glass from own)
       group by n.id order by isSet desc, c.title, n.rowid`,
    )
    .all(panelId, panel.commissionId, panelId);
  const panels = rows.map(({ isBeside, isSet, ...row }) => ({ ...row, isSet: Boolean(isSet), isBeside: isBeside > 0 }));
  return { seq: desk.seq, panels };
}
