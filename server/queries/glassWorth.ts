import { BEGINS } from '#core/bench';
import type { Desk } from '../desk.ts';

/** What the glass cut for some panels is worth by its area, in cents, rounded piece by piece as it is shown. */
export function glassCentsOf({ store }: Desk, panelIds: readonly string[]): number {
  const statement = store.sqlite.prepare<unknown[], { cents: number | null }>(
    `select cast(sum(round(mm2 * g.price_cents_per_m2 / 1e6)) as integer) as cents from (
       select p.glass_id as glass, coalesce(p.glass_mm2, p.area_mm2) as mm2 from pieces p
       where p.panel_id = @panelId and p.drawn = 1 and p.stage <> '${BEGINS}'
       union all
       select coalesce(p.back_glass_id, p.glass_id), coalesce(p.glass_mm2, p.area_mm2) from pieces p
       where p.panel_id = @panelId and p.drawn = 1 and p.back_from_stock is not null
     ) join glasses g on g.id = glass`,
  );
  return panelIds.reduce((sum, panelId) => sum + (statement.get({ panelId })?.cents ?? 0), 0);
}
