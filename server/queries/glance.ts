import { packPieces, type Glance } from '#contract';
import { SIDES, type PanelRow } from '#core/bench';
import type { SqliteRows } from '../store/rows.ts';

/** A panel as lists and ledges show it. */
export function glanceOf(rows: SqliteRows, panel: PanelRow): Glance {
  const joints = rows.where('joints', 'panel_id = ? and drawn = 1 order by number', panel.id);
  const soldered = Object.fromEntries(
    SIDES.map((side) => [
      side,
      joints.filter((j) => (side === 'front' ? j.frontAt : j.backAt) !== null).map((j) => j.number),
    ]),
  ) as Glance['soldered'];
  return {
    panel,
    steps: stepsOf(rows, panel.id),
    soldered,
    pieces: packPieces(rows.where('pieces', 'panel_id = ? and drawn = 1 order by number', panel.id)),
  } as Glance;
}

/** When each step of a panel was done. */
export const stepsOf = (rows: SqliteRows, panelId: string): Record<string, number> =>
  Object.fromEntries([...rows.ask('stepsOfPanel', panelId)].map((s) => [s.step, s.at]));
