import type { DayAnswer } from '#contract';
import type { Desk } from '../desk.ts';

/**
 * The hours that began within a time, and the days that are signed.
 * @param from @param to instants, ms
 * @param days the first and the last day, `YYYY-MM-DD`, where the studio is
 */
export function dayAnswer(
  { seq, state }: Desk,
  from: number,
  to: number,
  [first, last]: readonly [string, string],
): DayAnswer {
  const hours = state.where(
    'hours',
    'started_at >= ? and started_at < ? and removed = 0 order by started_at',
    from,
    to,
  );
  return {
    seq,
    hours: hours.map((entry) => ({
      ...entry,
      panelName: entry.panelId === null ? null : (state.get('panels', entry.panelId)?.name ?? null),
    })),
    sheets: state.where('daySheets', 'day >= ? and day <= ? order by day', first, last),
  };
}
