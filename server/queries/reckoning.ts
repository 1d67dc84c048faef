import type { ReckoningAnswer } from '#contract';
import type { Desk } from '../desk.ts';
import { LABOUR } from './labour.ts';

const LATEST = 6;
const MOST_JOBS = 60;

/** What the studio learns from the work of a period: by stage, by reason of breakage, by job. */
export function reckoningAnswer(desk: Desk, from: number, to: number, now: number): ReckoningAnswer {
  const { store, state } = desk;
  const all = <T>(sql: string): T[] => store.sqlite.prepare<unknown[], T>(sql).all({ from, to, now });
  const inPeriod = 'removed = 0 and started_at >= @from and started_at < @to';
  const latest = state.where('mishaps', 'at >= ? and at < ? order by at desc limit ?', from, to, LATEST);
  return {
    seq: desk.seq,
    from,
    to,
    stages: all(`select stage, ${LABOUR} from hours where ${inPeriod} group by stage`),
    reasons: all(
      `select reason, count(*) as count, sum(glass_cents + labour_cents) as cents from mishaps
       where at >= @from and at < @to group by reason order by count desc, reason`,
    ),
    latest: latest.map((m) => ({ ...m, panelName: state.get('panels', m.panelId)?.name ?? '' })),
    jobs: all(
      `with work as (
         select p.commission_id as job, ${LABOUR}, max(started_at) as last from hours h join panels p on p.id = h.panel_id
         where h.removed = 0 and started_at >= @from and started_at < @to group by p.commission_id
       )
       select c.id as commissionId, c.title, minutes, cents,
         (select coalesce(sum(piece_count), 0) from panels where commission_id = c.id) as pieces,
         (select count(*) from mishaps m join panels p on p.id = m.panel_id
          where p.commission_id = c.id and m.at >= @from and m.at < @to) as broke
       from work join commissions c on c.id = work.job where minutes > 0 order by last desc limit ${MOST_JOBS}`,
    ),
  };
}
