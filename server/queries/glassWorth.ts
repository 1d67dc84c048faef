import { BEGINS } from '#core/bench';
import type { Desk } from '../desk.ts';

/** What the glass cut for some panels is worth by its area, in cents, rounded piece by piece as it is shown. */
export function glassCentsOf({ store }: Desk, panelIds: readonly string[]): number {
  const statement = store.sqlite.prepare<unknown[], { cents: number | null }>(
    `select cast(sum(round(coalesce(p.glass_mm2, p.area_mm2) * g.price_cents_per_m2 / 1e6)) as integer) as cents
     from pieces p join glasses g on g.id = p.glass_id
     where p.panel_id = @panelId and p.drawn = 1 and p.stage <> '${BEGINS}'`,
  );
  return panelIds.reduce((sum, panelId) => sum + (statement.get({ panelId })?.cents ?? 0), 0);
}
