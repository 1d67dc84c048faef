import { Link } from 'react-router';
import type { SeenPiece, TodayAnswer } from '#contract';
import { nextThing, waitOf } from '#core/words';
import type { StandingInList } from '../../panel/standing.ts';
import { dateWords, daysUntil, momentWords } from '../../ui/dates.ts';

export interface JobPanel {
  readonly panel: StandingInList;
  readonly pieces: readonly SeenPiece[];
}

/** Under the panels of a job: its name, what comes next on each, and the day it is for. */
export function JobTag({
  commission,
  panels,
  locale,
  now,
}: {
  commission: TodayAnswer['jobs'][number]['commission'];
  panels: readonly JobPanel[];
  locale: string;
  now: number;
}) {
  const next = panels
    .map(({ panel, pieces }) => ({ panel, thing: nextThing(panel, pieces) }))
    .filter(({ thing }) => thing.kind !== 'done');
  const waiting = (panel: StandingInList) => {
    const wait = waitOf(panel, now);
    return wait && `The ${wait.name} sets till ${momentWords(wait.until, locale)}.`;
  };
  const days = commission.due ? daysUntil(commission.due) : null;
  return (
    <div className="max-w-[290px] min-w-[190px] pt-9 text-[15px]">
      <h2 className="mb-1 text-[17px]">
        <Link to={`/jobs/${commission.id}`}>{commission.title}</Link>
      </h2>
      {next.slice(0, 3).map(({ panel, thing }) => (
        <p key={panel.id}>
          {panels.length > 1 && `${panel.name}: `}
          {waiting(panel) ?? (
            <>
              {thing.before}
              <b className="text-copper-ink">{thing.strong}</b>
              {thing.after}
            </>
          )}
        </p>
      ))}
      {commission.due && (
        <p className={`mt-1 ${days !== null && days < 0 ? 'font-semibold text-risk' : 'text-mute'}`}>
          for {dateWords(commission.due, locale)}
          {days !== null &&
            (days < 0
              ? `, ${-days} ${days === -1 ? 'day' : 'days'} ago`
              : days === 0
                ? ', today'
                : days <= 14
                  ? `, in ${days} ${days === 1 ? 'day' : 'days'}`
                  : '')}
        </p>
      )}
    </div>
  );
}
