import type { WaitsAnswer } from '#contract';
import type { Desk } from '../desk.ts';

const MOST = 40;

/** What pieces and panels in hand wait for, the next to be over first. */
export function waitsAnswer({ seq, state }: Desk): WaitsAnswer {
  const waits = state.where(
    'waits',
    `is_over = 0 and panel_id in (select id from panels where delivered_at is null and away is null)
     order by until_at limit ${MOST}`,
  );
  return {
    seq,
    waits: waits.map((wait) => ({ ...wait, panelName: state.get('panels', wait.panelId)?.name ?? '' })),
  } as WaitsAnswer;
}
