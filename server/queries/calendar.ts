import { createEvents, type DateArray, type EventAttributes } from 'ics';
import { settingsOf, standingOf, type Tables } from '#core/bench';
import { showNumbers } from '#core/units';
import { nextThing, waitOf } from '#core/words';
import type { Desk } from '../desk.ts';

/**
 * Due days of the jobs in hand, and the waits that run on their panels, as an iCalendar file (RFC 5545). The same day or
 * wait keeps its UID, so that a calendar that fetches it again changes its entry.
 */
export function calendarOf(desk: Desk, now: number, base: string): string {
  const { state } = desk;
  const { studio } = settingsOf(state);
  const byJob = new Map<string, Tables['panels'][]>();
  const events: EventAttributes[] = [];
  for (const row of state.where('panels', 'delivered_at is null and away is null order by rowid')) {
    const panel = standingOf(state, row);
    byJob.set(row.commissionId, [...(byJob.get(row.commissionId) ?? []), row]);
    const wait = waitOf(panel, now);
    if (wait)
      events.push({
        uid: `wait-${row.id}-${wait.step}@nelvik`,
        title: `${row.name}: ${wait.name} is through`,
        start: instant(wait.until),
        startInputType: 'utc',
        startOutputType: 'utc',
        duration: { minutes: 15 },
        url: `${base}/panels/${encodeURIComponent(row.id)}/finish`,
      });
  }
  for (const panels of byJob.values())
    for (const row of panels)
      for (const wait of state.ask('waitsOfPanel', row.id))
        events.push({
          uid: `wait-${wait.id}@nelvik`,
          title: `${row.name}${wait.numbers.length > 0 ? `, ${showNumbers(wait.numbers, 6)}` : ''}: ${wait.name} is over`,
          start: instant(wait.until),
          startInputType: 'utc',
          startOutputType: 'utc',
          duration: { minutes: 15 },
          url: `${base}/panels/${encodeURIComponent(row.id)}/bench`,
        });
  for (const [id, panels] of byJob) {
    const job = state.get('commissions', id);
    if (!job?.due) continue;
    events.push({
      uid: `due-${id}@nelvik`,
      title: `Due: ${job.title}`,
      description: panels.map((row) => `${row.name}: ${whatNext(desk, row)}`).join('\n'),
      start: dayOf(job.due, 0),
      end: dayOf(job.due, 1),
      url: `${base}/jobs/${encodeURIComponent(id)}`,
    });
  }
  const { error, value } = createEvents(events, { productId: '-//Nelvik//Studio//EN', calName: studio });
  if (error) throw error;
  return value ?? '';
}

function whatNext({ state }: Desk, row: Tables['panels']): string {
  const { before, strong, after } = nextThing(standingOf(state, row), [...state.ask('piecesOfPanel', row.id)]);
  return `${before}${strong}${after}`;
}

const instant = (at: number): DateArray => {
  const date = new Date(at);
  return [date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate(), date.getUTCHours(), date.getUTCMinutes()];
};

/** A day of the calendar, so many days on. */
function dayOf(day: string, on: number): DateArray {
  const date = new Date(`${day}T12:00:00Z`);
  date.setUTCDate(date.getUTCDate() + on);
  return [date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate()];
}
