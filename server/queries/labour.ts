import { MS_PER_MINUTE } from '#core/units';
import type { Desk } from '../desk.ts';

/** What entries of hours took: a running clock counts up to now; cents are rounded entry by entry, as they are shown. */
export const LABOUR = `sum(max(0, coalesce(ended_at, @now) - started_at)) / ${MS_PER_MINUTE}.0 as minutes,
  cast(sum(round(max(0, coalesce(ended_at, @now) - started_at) / ${MS_PER_MINUTE}.0 * rate_cents_per_hour / 60)) as integer) as cents`;

export interface Labour {
  readonly minutes: number;
  readonly cents: number;
}

/** Minutes and cents of work on some panels. */
export function labourOf({ store }: Desk, panelIds: readonly string[], now: number): Labour {
  const sum = { minutes: 0, cents: 0 };
  const statement = store.sqlite.prepare<unknown[], { minutes: number | null; cents: number | null }>(
    `select ${LABOUR} from hours where removed = 0 and panel_id = @panelId`,
  );
  for (const panelId of panelIds) {
    const found = statement.get({ panelId, now });
    sum.minutes += found?.minutes ?? 0;
    sum.cents += found?.cents ?? 0;
  }
  return sum;
}
