import type { CommissionAnswer, JobLine, JobsAnswer } from '#contract';
import type { Tables } from '#core/bench';
import type { Desk } from '../desk.ts';
import { glanceOf } from './glance.ts';
import { glassCentsOf } from './glassWorth.ts';
import { labourOf } from './labour.ts';

const JOBS_A_PAGE = 16;

/**
 * Jobs in hand by due date, and a page of delivered ones, the latest first.
 * @param after where the page begins, as an answer before has told it; null for the first page
 */
export function jobsAnswer(desk: Desk, after: string | null, now: number): JobsAnswer {
  const { state } = desk;
  const inHand = after === null ? state.where('commissions', 'in_hand = 1 order by due is null, due, id') : [];
  const [due = '9', id = '~'] = after === null ? [] : after.split('|');
  const past = state.where(
    'commissions',
    `in_hand = 0 and (coalesce(due, '0') < ? or (coalesce(due, '0') = ? and id < ?))
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
    next: past.length === JOBS_A_PAGE && last ? `${last.due ?? '0'}|${last.id}` : null,
  };
}

function jobLine(desk: Desk, commission: Tables['commissions'], now: number): JobLine {
  const { state } = desk;
  const panels = state.where('panels', 'commission_id = ? order by rowid', commission.id);
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
  if (!commission) return null;
  const panels = state.where('panels', 'commission_id = ? order by rowid', id);
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
