import type { TodayAnswer } from '#contract';
import type { Tables } from '#core/bench';
import type { Desk } from '../desk.ts';
import { glanceOf } from './glance.ts';

/**
 * Every panel in hand, by commission in order of due date, and the glass that runs short for them.
 * @param supplies as they stand on the shelf
 */
export function todayAnswer(desk: Desk, supplies: readonly Tables['supplies'][]): TodayAnswer {
  const { state } = desk;
  const byCommission = new Map<string, Tables['panels'][]>();
  for (const panel of state.where('panels', 'delivered_at is null and away is null order by rowid')) {
    const panels = byCommission.get(panel.commissionId);
    if (panels) panels.push(panel);
    else byCommission.set(panel.commissionId, [panel]);
  }
  const jobs = [...byCommission].flatMap(([id, panels]) => {
    const commission = state.get('commissions', id);
    return commission ? [{ commission, panels: panels.map((panel) => glanceOf(state, panel)) }] : [];
  });
  jobs.sort((a, b) => dueKey(a.commission).localeCompare(dueKey(b.commission)));
  return {
    seq: desk.seq,
    jobs,
    short: runningShort(desk),
    low: supplies
      .filter(({ low, amount }) => low > 0 && amount < low)
      .map(({ id, name }) => ({ supplyId: id, name }))
      .sort((a, b) => a.name.localeCompare(b.name, 'en')),
  };
}

/** No agreed day comes after every day. */
const dueKey = ({ due }: Pick<Tables['commissions'], 'due'>): string => due ?? '9';

/** Glass that pieces in hand still need more of than the rack holds, before waste. */
function runningShort({ store }: Desk): TodayAnswer['short'] {
  return store.sqlite
    .prepare<[], TodayAnswer['short'][number]>(
      `with need as (
         select p.glass_id as glass, sum(p.area_mm2) as mm2 from pieces p join panels n on n.id = p.panel_id
         where p.stage = 'to-cut' and p.drawn = 1 and p.glass_id is not null and n.delivered_at is null and n.away is null group by p.glass_id
       )
       select glass as glassId, mm2 - coalesce((select sum(area_mm2) from stock s where s.glass_id = glass and s.gone is null), 0)
         as missingMm2
       from need where missingMm2 > 0 order by missingMm2 desc`,
    )
    .all();
}
