import { useMemo } from 'react';
import type { RackAnswer } from '#contract';
import type { Settings } from '#core/bench';
import { shoppingList, USUAL_USE, type Glass, type ToBuy } from '#core/stock';
import { showArea, showMoney } from '#core/units';
import { sizeWords } from '#core/words';
import { GlassChip } from '../../panel/GlassChip.tsx';
import { Table, type Column } from '../../ui/Table.tsx';

/** What to buy for the panels in hand, in whole sheets as they are sold. */
export function ShoppingList({
  rack,
  glasses,
  settings,
}: {
  rack: RackAnswer;
  glasses: readonly Glass[];
  settings: Settings;
}) {
  const list = useMemo(
    () => shoppingList({ glasses, stock: rack.stock, needs: rack.needs, soldAs: rack.soldAs }),
    [glasses, rack],
  );
  const columns = useColumns(settings);
  const { currency, locale } = settings;
  return (
    <div className="grid gap-3">
      <p className="text-[15.5px]">
        {list.length === 0
          ? 'The rack has all that the panels in hand need.'
          : `For the panels in hand, about ${showMoney(
              list.reduce((sum, one) => sum + one.costCents, 0),
              currency,
              locale,
            )}.`}{' '}
        <span className="text-mute">
          {Math.round(USUAL_USE * 100)} of 100 parts of bought glass are taken to end as pieces; Layout says it to the
          sheet.
        </span>
      </p>
      {list.length > 0 && (
        <Table name="To buy" rows={list} columns={columns} idOf={(one) => one.glass.id} empty="Nothing is called so." />
      )}
    </div>
  );
}

function useColumns({ unit, currency, locale }: Settings): Column<ToBuy>[] {
  return useMemo(
    () => [
      {
        id: 'glass',
        head: 'Glass',
        value: ({ glass }) => `${glass.code} ${glass.name}`,
        show: ({ glass }) => (
          <span className="flex items-center gap-2">
            <GlassChip glass={glass} />
            <b>{glass.code}</b>
          </span>
        ),
      },
      {
        id: 'buy',
        head: 'Buy',
        value: (one) => buyWords(one, unit),
        show: (one) => <span className={one.why === 'short' ? 'font-semibold' : ''}>{buyWords(one, unit)}</span>,
      },
      {
        id: 'short',
        head: 'Short by',
        value: (one) => one.shortMm2,
        show: (one) => (one.why === 'low' ? 'low' : showArea(one.shortMm2, unit)),
        isNumber: true,
      },
      {
        id: 'cost',
        head: 'About',
        value: (one) => one.costCents / 100,
        show: (one) => showMoney(one.costCents, currency, locale),
        isNumber: true,
      },
      { id: 'needed', head: 'Needed', value: (one) => one.neededMm2, isNumber: true, isHidden: true },
      { id: 'there', head: 'There', value: (one) => one.thereMm2, isNumber: true, isHidden: true },
    ],
    [unit, currency, locale],
  );
}

const buyWords = ({ size, sheets, shortMm2 }: ToBuy, unit: Settings['unit']): string =>
  size === null
    ? `${showArea(shortMm2, unit)}, size unknown`
    : `${sheets} × ${sizeWords(size.widthMm, size.heightMm, unit)}`;
