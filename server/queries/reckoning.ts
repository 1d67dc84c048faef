import type { ReckoningAnswer } from '#contract';
import type { Desk } from '../desk.ts';
import { LABOUR } from './labour.ts';

const LATEST = 6;
const MOST_JOBS = 60;
const MOST_OF_A_KIND = 12;
const BROKE = 'count(*) as count, sum(m.glass_cents + m.labour_cents) as cents from mishaps m';
const AT = 'm.at >= @from and m.at < @to';

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
    broke: [
      ...all<ReckoningAnswer['broke'][number]>(
        `select 'glass' as "by", coalesce(g.code, '') as name, ${BROKE} left join glasses g on g.id = m.glass_id
         where ${AT} group by m.glass_id order by count desc limit ${MOST_OF_A_KIND}`,
      ),
      ...all<ReckoningAnswer['broke'][number]>(
        `select 'step' as "by", m.stage as name, ${BROKE} where ${AT} group by m.stage order by count desc limit ${MOST_OF_A_KIND}`,
      ),
      // Who did it is known by the entry of the log, whose place begins the id of each.
      ...all<ReckoningAnswer['broke'][number]>(
        `select 'person' as "by", coalesce(e.name, '') as name, ${BROKE}
         left join log l on l.seq = cast(m.id as integer) left join people e on e.id = l.person_id
         where ${AT} group by l.person_id order by count desc limit ${MOST_OF_A_KIND}`,
      ),
      ...all<ReckoningAnswer['broke'][number]>(
        `select 'difficulty' as "by", cast(p.difficulty as text) as name, ${BROKE} join pieces p on p.id = m.piece_id
         where ${AT} group by p.difficulty order by p.difficulty limit ${MOST_OF_A_KIND}`,
      ),
    ],
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
