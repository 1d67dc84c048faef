import type { Touched } from '#contract';
import type { RowChange, TableName } from '#core/bench';
import { fieldsOf } from '#core/units';

/** By which field a row says whom it belongs to; tables that belong to the studio as a whole are not here. */
const PARENTS: Readonly<Partial<Record<TableName, readonly string[]>>> = {
  commissions: ['id'],
  panels: ['id', 'commissionId'],
  sections: ['panelId'],
  steps: ['panelId'],
  joints: ['panelId'],
  pieces: ['panelId'],
  choices: ['panelId'],
  notes: ['panelId'],
  mishaps: ['panelId'],
  hours: ['panelId'],
  supplyMoves: ['supplyId', 'panelId'],
  finishes: ['panelId'],
  trays: ['panelId'],
  waits: ['panelId'],
  repairs: ['panelId'],
  leadMarks: ['panelId'],
  daySheets: ['personId'],
  stock: ['id'],
  moves: ['stockId'],
};

/** Which tables changes touch, and whose rows. */
export function touchedRows(changes: readonly RowChange[]): Touched {
  const found = new Map<TableName, Set<string>>();
  for (const { table, before, after } of changes) {
    let parents = found.get(table);
    if (!parents) found.set(table, (parents = new Set()));
    for (const row of [before, after])
      for (const field of PARENTS[table] ?? []) {
        const parent = fieldsOf(row ?? {})[field];
        if (typeof parent === 'string') parents.add(parent);
      }
  }
  return Object.fromEntries([...found].map(([table, parents]) => [table, [...parents]]));
}
