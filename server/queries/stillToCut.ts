/**
 * Every glass that panels in hand still want from the rack, as a select for SQL: of pieces to cut, and of those that lie
 * behind. Columns: panelId, glassId, mm2, sheet (which it is laid out on).
 */
export const STILL_TO_CUT = `
  select n.id as panelId, p.glass_id as glassId, p.area_mm2 as mm2, p.spot ->> '$.stockId' as sheet
  from pieces p join panels n on n.id = p.panel_id
  where p.stage = 'to-cut' and p.drawn = 1 and p.glass_id is not null and n.delivered_at is null and n.away is null
  union all
  select n.id, coalesce(p.back_glass_id, p.glass_id), p.area_mm2, p.back_spot ->> '$.stockId' from panels n
  join route_steps back on back.route_id = n.route_id and back.deed = 'takes-back'
  join pieces p on p.panel_id = n.id
  join route_steps at on at.route_id = n.route_id and at.code = p.stage and at.place < back.place
  where n.delivered_at is null and n.away is null and p.drawn = 1 and p.back_from_stock is null
    and coalesce(p.back_glass_id, p.glass_id) is not null
    and (p.stage = 'to-cut' or p.from_stock is not null)
    and (back.only_asked = 0 or exists (select 1 from json_each(p.asks) where value = back.code))`;
