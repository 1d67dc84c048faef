import { useMemo } from 'react';
import type { Settings } from '#core/bench';
import type { Glass } from '#core/stock';
import { count, lengthForFile, showArea, showLength, showMoney } from '#core/units';
import type { StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { Check } from '../../ui/Check.tsx';
import { Table, type Column } from '../../ui/Table.tsx';
import { useJobsInHand } from './KeepFor.tsx';

/** The rack in words: every sheet and offcut a row, to be sorted, copied and saved. */
export function StockTable({
  items,
  glasses,
  laidFor,
  settings,
  picked,
  onPick,
  onItem,
  onPicked,
}: {
  items: readonly StockRow[];
  glasses: ReadonlyMap<string, Glass>;
  laidFor: ReadonlyMap<string, string>;
  settings: Settings;
  picked: ReadonlySet<string>;
  onPick: (id: string, on: boolean) => void;
  onItem: (id: string) => void;
  /** Something is to be done with what is picked. */
  onPicked: () => void;
}) {
  const jobs = useJobsInHand();
  const columns = useMemo((): Column<StockRow>[] => {
    const glassOf = (item: StockRow) => glasses.get(item.glassId);
    const { unit, currency, locale } = settings;
    const side = (mm: number) => lengthForFile(mm, unit);
    return [
      {
        id: 'pick',
        head: 'Pick',
        value: (s) => (picked.has(s.id) ? 1 : 0),
        show: (s) => (
          // The row itself opens the card.
          <span role="presentation" onClick={(event) => event.stopPropagation()}>
            <Check className="-my-2" checked={picked.has(s.id)} onCheck={(on) => onPick(s.id, on)}>
              <span className="sr-only">Pick {s.id}</span>
            </Check>
          </span>
        ),
        isTool: true,
      },
      { id: 'label', head: 'Label', value: (s) => s.id },
      { id: 'glass', head: 'Glass', value: (s) => `${glassOf(s)?.code ?? ''} ${glassOf(s)?.name ?? ''}`.trim() },
      { id: 'kind', head: 'What', value: (s) => s.kind },
      {
        id: 'wide',
        head: 'Wide',
        value: (s) => side(s.widthMm),
        show: (s) => showLength(s.widthMm, unit),
        isNumber: true,
      },
      {
        id: 'high',
        head: 'High',
        value: (s) => side(s.heightMm),
        show: (s) => showLength(s.heightMm, unit),
        isNumber: true,
      },
      { id: 'area', head: 'Left', value: (s) => s.areaMm2, show: (s) => showArea(s.areaMm2, unit), isNumber: true },
      { id: 'place', head: 'Stands in', value: (s) => s.place },
      {
        id: 'kept',
        head: 'Kept for',
        value: (s) => (s.keptFor === null ? '' : (jobs.get(s.keptFor) ?? 'another job')),
      },
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
  }, [glasses, laidFor, settings, jobs, picked, onPick]);
  return (
    <div className="flex h-[calc(100dvh-220px)] min-h-96 flex-col">
      <Table
        name="Rack"
        rows={items}
        columns={columns}
        idOf={(s) => s.id}
        empty="Nothing on the rack answers to that."
        onRow={(s) => onItem(s.id)}
        tools={() => (
          <Button unless={picked.size === 0 ? 'Pick some rows first.' : null} onClick={onPicked}>
            {picked.size === 0 ? 'With those picked …' : `With ${count(picked.size, 'picked one')} …`}
          </Button>
        )}
      />
    </div>
  );
}
