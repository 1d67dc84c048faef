import { packPieces, type Glance } from '#contract';
import { SIDES, type PanelRow } from '#core/bench';
import { recordOf } from '#core/units';
import type { SqliteRows } from '../store/rows.ts';

/** A panel as lists and ledges show it. */
export function glanceOf(rows: SqliteRows, panel: PanelRow): Glance {
  const begun = 'panel_id = ? and drawn = 1 and coalesce(front_at, back_at) is not null order by number';
  const joints = rows.fieldsWhere('joints', ['number', 'frontAt', 'backAt'], begun, panel.id);
  const soldered = recordOf(SIDES, (side) =>
    joints.filter((j) => (side === 'front' ? j.frontAt : j.backAt) !== null).map((j) => j.number),
  );
  return {
    panel,
    steps: stepsOf(rows, panel.id),
    soldered,
    pieces: packPieces(
      rows.fieldsWhere(
        'pieces',
        ['number', 'stage', 'glassId', 'broken', 'tooSmall', 'asks'],
        'panel_id = ? and drawn = 1 order by number',
        panel.id,
      ),
    ),
  } as Glance;
}

/** When each step of a panel was done. */
export const stepsOf = (rows: SqliteRows, panelId: string): Record<string, number> =>
  Object.fromEntries([...rows.ask('stepsOfPanel', panelId)].map((s) => [s.step, s.at]));
