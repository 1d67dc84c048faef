import {
  columnVisibilityFeature,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  columnFilteringFeature,
  rowSortingFeature,
  sortFn_basic,
  sortFn_alphanumeric,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useRef, type MouseEvent, type ReactNode } from 'react';
import { TableTools } from './TableTools.tsx';

/** One column: what it is called, what it sorts and copies by, and how it is shown. */
export interface Column<T> {
  readonly id: string;
  readonly head: string;
  value(row: T): string | number | null;
  show?(row: T): ReactNode;
  readonly isNumber?: boolean;
  /** Something to press, no fact: left out of what is copied and saved. */
  readonly isTool?: boolean;
  /** Left out until it is asked for. */
  readonly isHidden?: boolean;
}

interface TableProps<T> {
  /** What its rows are, and what a file of it is called. */
  readonly name: string;
  readonly rows: readonly T[];
  readonly columns: readonly Column<T>[];
  idOf(row: T): string;
  /** Said where no row answers to what was asked. */
  readonly empty: string;
  readonly picked?: ReadonlySet<string>;
  onRow?(row: T, event: MouseEvent): void;
  /** Beside the search, given the rows in sight. */
  tools?(shown: readonly T[]): ReactNode;
  /** Short tables need no search, no choice of columns and no file. */
  readonly isPlain?: boolean;
}

/** From so many on only the rows in sight are drawn. */
const MANY = 120;
const ROW_PX = 45;

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  columnVisibilityFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic, alphanumeric: sortFn_alphanumeric },
});

/** Every word of what is looked for stands somewhere in the row. */
const hasWords = (text: string, words: string): boolean =>
  words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));

/** Rows that can be sorted by any column, searched, copied and saved. */
export function Table<T extends object>({
  name,
  rows,
  columns,
  idOf,
  empty,
  picked,
  onRow,
  tools,
  isPlain = false,
}: TableProps<T>) {
  // A table is one and the same object however it is sorted and searched.
  'use no memo';
  const defs = useMemo(() => {
    const helper = createColumnHelper<typeof features, T>();
    return helper.columns(
      columns.map((column) =>
        helper.accessor((row) => column.value(row) ?? undefined, {
          id: column.id,
          header: column.head,
          sortFn: column.isNumber ? 'basic' : 'alphanumeric',
          sortUndefined: 'last',
        }),
      ),
    );
  }, [columns]);
  const texts = useMemo(
    () =>
      new Map(
        rows.map((row) => [
          idOf(row),
          columns
            .map((c) => String(c.value(row) ?? ''))
            .join(' ')
            .toLowerCase(),
        ]),
      ),
    [rows, columns, idOf],
  );
  const table = useTable({
    features,
    columns: defs,
    data: rows,
    getRowId: idOf,
    initialState: {
      columnVisibility: Object.fromEntries(columns.filter((c) => c.isHidden).map((c) => [c.id, false])),
    },
    globalFilterFn: (row, _, words: string) => hasWords(texts.get(row.id) ?? '', words),
  });
  const box = useRef<HTMLDivElement>(null);
  const shown = table.getRowModel().rows;
  const visible = columns.filter((c) => table.getColumn(c.id)?.getIsVisible() ?? true);
  const told = visible.filter((c) => c.isTool !== true);
  // The first column that says something names its row.
  const [named] = told;
  const isMany = shown.length > MANY;
  const virtual = useVirtualizer({
    count: isMany ? shown.length : 0,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const items = virtual.getVirtualItems();
  const [from, to] = isMany ? [items[0]?.index ?? 0, (items.at(-1)?.index ?? -1) + 1] : [0, shown.length];
  const before = items[0]?.start ?? 0;
  const after = isMany ? virtual.getTotalSize() - (items.at(-1)?.end ?? 0) : 0;
  return (
    <div className="flex min-h-0 flex-col">
      {!isPlain && (
        <TableTools
          name={name}
          search={String(table.state.globalFilter ?? '')}
          onSearch={(words) => table.setGlobalFilter(words)}
          columns={columns.map((c) => ({
            id: c.id,
            head: c.head,
            isShown: visible.includes(c),
            show: (on) => table.getColumn(c.id)?.toggleVisibility(on),
          }))}
          cells={() => [
            told.map((c) => c.head),
            ...shown.map((row) => told.map((c) => String(c.value(row.original) ?? ''))),
          ]}
        >
          {tools?.(shown.map((row) => row.original))}
        </TableTools>
      )}
      <div
        ref={box}
        className={isPlain ? '' : 'min-h-0 flex-1 overflow-auto border-t border-line'}
        {...(isPlain ? {} : { tabIndex: 0, role: 'region', 'aria-label': name })}
      >
        <table className="w-full text-[15px]">
          <thead className={`text-left text-mute ${isPlain ? '' : 'sticky top-0 z-[1] bg-top'}`}>
            <tr>
              {visible.map((c, i) => {
                const sorted = table.getColumn(c.id)?.getIsSorted() ?? false;
                const Arrow = sorted === 'desc' ? ArrowDown : ArrowUp;
                return (
                  <th
                    key={c.id}
                    scope="col"
                    aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                    className={`font-normal ${c.isNumber ? 'text-right' : ''} ${i === 0 ? 'pl-2' : ''}`}
                  >
                    <button
                      type="button"
                      className={`inline-flex min-h-11 items-center gap-1 pr-3 whitespace-nowrap hover:text-ink ${sorted ? 'font-semibold text-ink' : ''}`}
                      onClick={() => table.getColumn(c.id)?.toggleSorting()}
                    >
                      {c.head}
                      {sorted !== false && <Arrow aria-hidden size={16} />}
                    </button>
                  </th>
                );
              })}
            </tr>
          </thead>
          <tbody>
            {before > 0 && <tr aria-hidden style={{ height: before }} />}
            {shown.slice(from, to).map((row) => (
              <tr
                key={row.id}
                onClick={onRow && ((event) => onRow(row.original, event))}
                data-picked={picked?.has(row.id) || undefined}
                className={`border-t border-line data-picked:bg-soft data-picked:shadow-[inset_3px_0_0_var(--copper)] ${onRow ? 'cursor-pointer hover:bg-soft' : ''}`}
              >
                {visible.map((c) => {
                  const shownAs = c.show ? c.show(row.original) : (c.value(row.original) ?? '—');
                  const className = `py-2 pr-3 ${c.isNumber ? 'text-right whitespace-nowrap' : ''}`;
                  return c === named ? (
                    <th key={c.id} scope="row" className={`${className} pl-2 text-left font-semibold`}>
                      {onRow ? (
                        <button type="button" className="min-h-9 min-w-9 text-left" aria-pressed={picked?.has(row.id)}>
                          {shownAs}
                        </button>
                      ) : (
                        shownAs
                      )}
                    </th>
                  ) : (
                    <td key={c.id} className={c.isTool ? `${className} pl-2` : className}>
                      {shownAs}
                    </td>
                  );
                })}
              </tr>
            ))}
            {after > 0 && <tr aria-hidden style={{ height: after }} />}
          </tbody>
        </table>
        {shown.length === 0 && <p className="py-6 text-mute">{empty}</p>}
      </div>
    </div>
  );
}
