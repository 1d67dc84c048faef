import type { StudioAnswer } from '#contract';
import type { Desk } from '../desk.ts';

/** What every screen needs of the studio itself. None of it grows with the work that is done. */
export function studioAnswer(desk: Desk, now: number): StudioAnswer {
  const { state, store } = desk;
  const clocks = state.where('hours', 'ended_at is null and removed = 0 order by started_at');
  return {
    seq: desk.seq,
    databaseId: store.id,
    now,
    settings: state.get('settings', 'studio') ?? null,
    people: state.where('people', 'true order by rowid'),
    glasses: state.where('glasses', 'true order by rowid'),
    routes: state.where('routes', 'true order by key, version'),
    routeSteps: state.where('routeSteps', 'true order by route_id, place'),
    clocks: clocks.map((clock) => ({
      ...clock,
      panelName: clock.panelId === null ? null : (state.get('panels', clock.panelId)?.name ?? null),
    })),
    hasJobs: state.where('commissions', 'true limit 1').length > 0,
  } as StudioAnswer;
}
