import { useMemo } from 'react';
import type { Settings } from '#core/bench';
import type { Glass } from '#core/stock';
import { showArea, showMoney } from '#core/units';
import { sizeWords } from '#core/words';
import type { StockRow } from '../../state/studio.ts';
import { Table, type Column } from '../../ui/Table.tsx';

/** The rack in words: every sheet and offcut a row, to be sorted, copied and saved. */
export function StockTable({
  items,
  glasses,
  laidFor,
  settings,
  onItem,
}: {
  items: readonly StockRow[];
  glasses: ReadonlyMap<string, Glass>;
  laidFor: ReadonlyMap<string, string>;
  settings: Settings;
  onItem: (id: string) => void;
}) {
  const columns = useMemo((): Column<StockRow>[] => {
    const glassOf = (item: StockRow) => glasses.get(item.glassId);
    const { unit, currency, locale } = settings;
    return [
      { id: 'label', head: 'Label', value: (s) => s.id },
      { id: 'glass', head: 'Glass', value: (s) => `${glassOf(s)?.code ?? ''} ${glassOf(s)?.name ?? ''}`.trim() },
      { id: 'kind', head: 'What', value: (s) => s.kind },
      {
        id: 'size',
        head: 'Size',
        value: (s) => Math.round(Math.max(s.widthMm, s.heightMm)),
        show: (s) => sizeWords(s.widthMm, s.heightMm, unit),
        isNumber: true,
      },
      { id: 'area', head: 'Left', value: (s) => s.areaMm2, show: (s) => showArea(s.areaMm2, unit), isNumber: true },
      { id: 'place', head: 'Stands in', value: (s) => s.place },
      { id: 'laid', head: 'Laid out for', value: (s) => laidFor.get(s.id) ?? '' },
      {
        id: 'worth',
        head: 'Worth',
        value: (s) => s.costCents / 100,
        show: (s) => showMoney(s.costCents, currency, locale),
        isNumber: true,
      },
      { id: 'from', head: 'From', value: (s) => s.parentId ?? '', isHidden: true },
    ];
  }, [glasses, laidFor, settings]);
  return (
    <div className="flex h-[calc(100dvh-220px)] min-h-96 flex-col">
      <Table
        name="Rack"
        rows={items}
        columns={columns}
        idOf={(s) => s.id}
        empty="Nothing on the rack answers to that."
        onRow={(s) => onItem(s.id)}
      />
    </div>
  );
}
