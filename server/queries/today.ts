import type { TodayAnswer } from '#contract';
import type { Tables } from '#core/bench';
import type { Desk } from '../desk.ts';
import { glanceOf } from './glance.ts';
import { glassNeeds } from './glassNeed.ts';

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
function runningShort(desk: Desk): TodayAnswer['short'] {
  const onRack = desk.store.sqlite.prepare<[string], { mm2: number | null }>(
    'select sum(area_mm2) as mm2 from stock where glass_id = ? and gone is null',
  );
  return glassNeeds(desk)
    .map(({ glassId, mm2 }) => ({ glassId, missingMm2: mm2 - (onRack.get(glassId)?.mm2 ?? 0) }))
    .filter(({ missingMm2 }) => missingMm2 > 0)
    .sort((a, b) => b.missingMm2 - a.missingMm2);
}
