import type { CommissionAnswer, JobLine, JobsAnswer } from '#contract';
import type { Tables } from '#core/bench';
import type { Desk } from '../desk.ts';
import { glanceOf } from './glance.ts';
import { glassCentsOf } from './glassWorth.ts';
import { labourOf } from './labour.ts';

const JOBS_A_PAGE = 16;
const OF_JOB = "commission_id = ? and away is not 'deleted' order by rowid";

/**
 * Jobs in hand by due date, and a page of delivered ones, the latest first.
 * @param after where the page begins, as an answer before has told it; null for the first page
 */
export function jobsAnswer(desk: Desk, after: string | null, now: number): JobsAnswer {
  const { state } = desk;
  const inHand =
    after === null ? state.where('commissions', 'in_hand = 1 and away is null order by due is null, due, id') : [];
  const [due = '9', id = '~'] = after === null ? [] : after.split('|');
  const past = state.where(
    'commissions',
    `in_hand = 0 and away is null and (coalesce(due, '0') < ? or (coalesce(due, '0') = ? and id < ?))
     order by coalesce(due, '0') desc, id desc limit ?`,
    due,
    due,
    id,
    JOBS_A_PAGE,
  );
  const last = past.at(-1);
  const line = (commission: Tables['commissions']) => jobLine(desk, commission, now);
  return {
    seq: desk.seq,
    inHand: inHand.map(line),
    past: past.map(line),
    hasArchived: state.where('commissions', `${ARCHIVED} limit 1`).length > 0,
    next: past.length === JOBS_A_PAGE && last ? `${last.due ?? '0'}|${last.id}` : null,
  };
}

const ARCHIVED = "away = 'archived'";

/**
 * A page of archived jobs, the last archived first, in the way of delivered ones.
 * @param after where the page begins, as an answer before has told it; null for the first page
 */
export function archivedAnswer(desk: Desk, after: string | null, now: number): JobsAnswer {
  const [at = '', id = '~'] = after === null ? [] : after.split('|');
  const before = at === '' ? Number.MAX_SAFE_INTEGER : Number(at);
  const page = desk.state.where(
    'commissions',
    `${ARCHIVED} and (away_at < ? or (away_at = ? and id < ?)) order by away_at desc, id desc limit ?`,
    before,
    before,
    id,
    JOBS_A_PAGE,
  );
  const last = page.at(-1);
  return {
    seq: desk.seq,
    inHand: [],
    past: page.map((commission) => jobLine(desk, commission, now)),
    hasArchived: true,
    next: page.length === JOBS_A_PAGE && last ? `${last.awayAt ?? 0}|${last.id}` : null,
  };
}

function jobLine(desk: Desk, commission: Tables['commissions'], now: number): JobLine {
  const { state } = desk;
  const panels = state.where('panels', OF_JOB, commission.id);
  const ids = panels.map((p) => p.id);
  return {
    commission,
    panels: panels.map((panel) => glanceOf(state, panel)),
    labour: labourOf(desk, ids, now),
    glassCents: glassCentsOf(desk, ids),
  };
}

export function commissionAnswer(desk: Desk, id: string, now: number): CommissionAnswer | null {
  const { state } = desk;
  const commission = state.get('commissions', id);
  if (!commission || commission.away === 'deleted') return null;
  // Archived panels are shown apart.
  const panels = state.where('panels', OF_JOB, id);
  return {
    seq: desk.seq,
    commission,
    panels: panels.map((panel) => glanceOf(state, panel)),
    labour: labourOf(
      desk,
      panels.map((p) => p.id),
      now,
    ),
    mishaps: panels.flatMap((p) => state.where('mishaps', 'panel_id = ? order by at desc', p.id)),
  };
}
