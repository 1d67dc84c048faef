import { TOLD_TABLES, type Told, type ToldTable } from '#contract';
import type { Reader, Row, RowChange } from '#core/bench';
import { fieldsOf } from '#core/units';

/** More rows than these are fetched by the screens that show them. */
const MOST_ROWS = 64;

/** What says whether a row is among its panel's, and where; or whether the panel is there at all. */
const PLACED_BY = ['drawn', 'number', 'letter', 'at', 'away'];

const isTold = (table: string): table is ToldTable => TOLD_TABLES.some((told) => told === table);

/** A piece lies on another sheet than before, and one of them has a photo, which a screen is told with its panel alone. */
function changesPhoto(before: Row, after: Row, state: Reader): boolean {
  return ['spot', 'backSpot'].some((field) => {
    const rootOf = (row: Row): unknown => {
      const spot = fieldsOf(row)[field];
      return typeof spot === 'object' && spot !== null ? fieldsOf(spot)['rootId'] : undefined;
    };
    const [was, is] = [rootOf(before), rootOf(after)];
    return was !== is && [was, is].some((root) => typeof root === 'string' && state.get('photos', root) !== undefined);
  });
}

/**
 * The rows of a panel as a change left them, for the screens that show it. Null where the change reached more than one
 * panel, brought rows or took them away, or changed many: the panel is then fetched anew.
 */
export function toldRows(changes: readonly RowChange[], state: Reader): Told | null {
  const panels = new Set<unknown>();
  const rows: Partial<Record<ToldTable, Row[]>> = {};
  let count = 0;
  for (const { table, before, after } of changes) {
    if (!isTold(table)) continue;
    if (before === null || after === null || PLACED_BY.some((f) => fieldsOf(before)[f] !== fieldsOf(after)[f]))
      return null;
    if (changesPhoto(before, after, state)) return null;
    panels.add(table === 'panels' ? after.id : fieldsOf(after)['panelId']);
    // As it stands on its row, which is what a screen that fetches would be given.
    const row = state.get(table, after.id);
    if (!row || ++count > MOST_ROWS) return null;
    if (fieldsOf(row)['drawn'] !== false) (rows[table] ??= []).push(row);
  }
  const [panelId] = panels;
  return panels.size === 1 && typeof panelId === 'string' ? { panelId, rows } : null;
}
