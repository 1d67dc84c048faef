import { refuse, type Act } from '../act.ts';
import type { Draft } from '../studio.ts';
import type { RowChange, StockRow, TableName, Tables } from '../tables.ts';

/** A recorded command that can be put back: what each row was before it, and the log position it gave them. */
export interface PutBackTarget {
  readonly commandId: string;
  readonly seq: number;
  readonly changes: readonly (Pick<RowChange, 'table' | 'id' | 'before'> & {
    /** Which log position must have made what the row says now; null when the row must be gone. */
    readonly expected: number | null;
  })[];
  /** `undo` puts an act back, `redo` puts an undo back. */
  readonly direction: 'undo' | 'redo';
}

export interface PutBack {
  readonly target: PutBackTarget | null;
  readonly direction: 'undo' | 'redo';
}

/** What the ledger keeps by entries of its own is not put back row by row. */
const KEPT: ReadonlySet<TableName> = new Set(['moves']);

/**
 * Undo and redo: the rows go back to what they were before the command, unless somebody has changed one of
 * them since. The ledger is not unwritten; each sheet gets an entry for what came back.
 */
export const putBack: Act<PutBack, PutBackTarget> = {
  undoable: true,
  decide: (state, { target, direction }) => {
    if (!target) return refuse(direction === 'undo' ? 'nothing-to-undo' : 'nothing-to-redo');
    const changed = target.changes.filter(
      ({ table, id, expected }) => !KEPT.has(table) && (state.get(table, id)?.made ?? null) !== expected,
    );
    if (changed.length > 0) {
      const numbers = changed
        .filter((c) => c.table === 'pieces')
        .map((c) => Number(c.id.slice(c.id.lastIndexOf('/') + 1)));
      return refuse('changed-since', { numbers, name: changed.find((c) => c.table !== 'pieces')?.id });
    }
    return { payload: target };
  },
  apply: (draft, { changes }, now) => {
    for (const { table, id, before } of changes) {
      if (KEPT.has(table)) continue;
      if (table === 'stock') enterPutBack(draft, id, before as StockRow | null, now.at);
      if (before === null) draft.remove(table, id);
      else draft.restore(table, before as Tables[typeof table]);
    }
  },
};

function enterPutBack(draft: Draft, id: string, before: StockRow | null, at: number): void {
  const was = draft.get('stock', id)?.areaMm2 ?? 0;
  const becomes = before?.areaMm2 ?? 0;
  if (was === becomes) return;
  draft.put('moves', {
    id: `${draft.seq}.${id}`,
    at,
    stockId: id,
    kind: 'put back',
    deltaMm2: becomes - was,
    balanceMm2: becomes,
    panelId: null,
    numbers: [],
    note: '',
  });
}
