import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { InWorkAnswer } from '#contract';
import type { Settings, Tables } from '#core/bench';
import {
  amountWords,
  lessInWork,
  ownShare,
  SUPPLY_COLUMNS,
  SUPPLY_WORDS,
  writtenAmount,
  writtenUnit,
} from '#core/stock';
import { count, showMoney } from '#core/units';
import { AwayMenu } from '../../history/AwayMenu.tsx';
import { UndoButtons } from '../../history/UndoButtons.tsx';
import { useInWork, useSettings, useStudio, useSupplies } from '../../state/studio.ts';
import { BookSupply } from '../../supplies/BookSupply.tsx';
import { SupplyForm } from '../../supplies/SupplyForm.tsx';
import { SupplyPicture } from '../../supplies/SupplyPicture.tsx';
import { Button } from '../../ui/Button.tsx';
import { momentWords } from '../../ui/dates.ts';
import { Fold } from '../../ui/Fold.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table, type Column } from '../../ui/Table.tsx';
import { Toggles } from '../../ui/Toggles.tsx';
import { useChange } from '../../ui/useChange.ts';
import { useTitle } from '../../ui/useTitle.ts';
import { SupplyList } from './SupplyList.tsx';

type SupplyRow = Tables['supplies'];
type Open = { kind: 'new' } | { kind: 'list' } | { kind: 'card'; id: string } | null;

/** What an address asks the shelf to open. */
function openIn(params: URLSearchParams): Open {
  const id = params.get('item');
  return id === null ? null : { kind: 'card', id };
}

const isLow = ({ amount, low }: SupplyRow): boolean => amount < low || amount === 0;

/** What the studio uses up beside glass, on its shelf: foil, came, solder, and all that stands in bottles and tins. */
export function Supplies() {
  useTitle('Supplies');
  const { data } = useSupplies();
  const { data: work } = useInWork();
  const settings = useSettings();
  const [params] = useSearchParams();
  const [open, setOpen] = useState<Open>(() => openIn(params));
  useChange(params, () => {
    if (params.size > 0) setOpen(openIn(params));
  });
  const [look, setLook] = useState<'shelf' | 'table'>('shelf');
  if (!data) return null;
  const inWork = work?.inWork ?? [];
  const supplies = lessInWork(data.supplies, inWork);
  const money = (cents: number) => showMoney(cents, settings.currency, settings.locale);
  const worth = supplies.reduce((sum, one) => sum + (one.amount / one.packAmount) * one.packCents, 0);
  const low = supplies.filter(isLow);
  const card = open?.kind === 'card' ? data.supplies.find((one) => one.id === open.id) : undefined;
  return (
    <main className="px-10 py-6 max-sm:px-4">
      <header className="mb-5 flex flex-wrap items-center gap-2.5">
        <div className="mr-auto">
          <h1 className="text-[28px]">Supplies</h1>
          <p className="text-mute">
            {count(supplies.length, 'thing')} beside glass, worth {money(Math.round(worth))}
          </p>
        </div>
        <UndoButtons place="rack" />
        <Link
          to="/rack"
          className="min-h-11 content-center px-2 font-semibold underline decoration-line underline-offset-4"
        >
          To the glass
        </Link>
        <Toggles
          label="How it is shown"
          value={look}
          options={[
            ['shelf', 'Shelf'],
            ['table', 'Table'],
          ]}
          onPick={setLook}
        />
        <Button onClick={() => setOpen({ kind: 'list' })}>From a list</Button>
        <Button look="go" onClick={() => setOpen({ kind: 'new' })}>
          <Plus aria-hidden size={18} />
          New supply
        </Button>
      </header>
      {low.length > 0 && (
        <p className="mb-2 border-l-4 border-risk pl-3 text-[16px]">
          Little left of {low.map((one) => one.name).join(', ')}.
        </p>
      )}
      {supplies.length === 0 && (
        <p className="py-16 text-center text-[17px] text-mute">
          The shelf is empty. Enter the foil, came and solder that you use: each panel then says how much of it to buy.
        </p>
      )}
      {look === 'shelf' ? (
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(250px,1fr))] ">
          {supplies.map((one) => (
            <li
              key={one.id}
              className="border-b-[7px] border-[var(--ledge-3)] pt-5 pr-4 shadow-[0_3px_3px_-2px_var(--shade-2)]"
            >
              <button
                type="button"
                className="flex w-full items-end gap-4 text-left hover:brightness-95"
                onClick={() => setOpen({ kind: 'card', id: one.id })}
              >
                <SupplyPicture supply={one} />
                <span className="min-w-0 pb-2">
                  <span className="block truncate text-[16px]">{one.name}</span>
                  <b className="text-[19px]">{amountWords(one.kind, one.amount)}</b>
                  {isLow(one) && <span className="font-semibold text-risk"> · little</span>}
                </span>
              </button>
            </li>
          ))}
        </ul>
      ) : (
        <SupplyTable supplies={supplies} settings={settings} onOpen={(id) => setOpen({ kind: 'card', id })} />
      )}
      <Sheet title="New supply" open={open?.kind === 'new'} onClose={() => setOpen(null)}>
        {open?.kind === 'new' && <SupplyForm currency={settings.currency} done={() => setOpen(null)} />}
      </Sheet>
      <Sheet title="Supplies from a list" open={open?.kind === 'list'} onClose={() => setOpen(null)}>
        {open?.kind === 'list' && <SupplyList supplies={data.supplies} done={() => setOpen(null)} />}
      </Sheet>
      <Sheet title={card?.name ?? ''} open={card !== undefined} onClose={() => setOpen(null)}>
        {card && (
          <SupplyCard
            key={card.id}
            supply={card}
            inWork={inWork}
            moves={data.moves.filter((move) => move.supplyId === card.id)}
            settings={settings}
            done={() => setOpen(null)}
          />
        )}
      </Sheet>
    </main>
  );
}

function SupplyCard({
  supply,
  inWork,
  moves,
  settings,
  done,
}: {
  /** As it is in the book. */
  supply: SupplyRow;
  inWork: InWorkAnswer['inWork'];
  moves: readonly Tables['supplyMoves'][];
  settings: Settings;
  done: () => void;
}) {
  const { data: studio } = useStudio();
  const who = (id: string | null) => studio?.people.find((person) => person.id === id)?.name ?? 'somebody';
  return (
    <>
      <div className="flex items-center gap-4">
        {lessInWork([supply], inWork).map((shown) => (
          <SupplyPicture key={shown.id} supply={shown} size={84} />
        ))}
        <p className="text-[16px]">
          {SUPPLY_WORDS[supply.kind]}
          {supply.sort !== '' && ` ${supply.sort}`}
          <br />
          {amountWords(supply.kind, supply.packAmount)} for{' '}
          {showMoney(supply.packCents, settings.currency, settings.locale)}
          {supply.code !== '' && `, asked for as ${supply.code}`}
        </p>
      </div>
      {(['foil', 'lead'] as const).map((work) => {
        const share = ownShare(supply, work);
        return share === null ? null : (
          <p key={work} className="border-l-4 border-copper pl-3 text-[16px]">
            For {work === 'foil' ? 'copper foil' : 'lead'} it takes <b>{Math.round(share * 100)} %</b> of the usual
            figure here, by what was weighed before and after work; estimates go by that.
          </p>
        );
      })}
      <BookSupply supply={supply} inWork={inWork} done={done} />
      {moves.length > 0 && (
        <Fold title="Its book">
          <ul className="text-[15px]">
            {moves.map((move) => (
              <li key={move.id} className="flex gap-3 border-t border-line py-2">
                <span className="min-w-0 flex-1 text-mute">
                  {momentWords(move.at, settings.locale)}, {who(move.personId)}
                </span>
                <span>
                  {move.kind} {move.kind === 'counted' ? '' : amountWords(supply.kind, Math.abs(move.delta))}
                </span>
                <b className="w-20 text-right">{amountWords(supply.kind, move.balance)}</b>
              </li>
            ))}
          </ul>
        </Fold>
      )}
      <Fold title="How it is bought">
        <SupplyForm entry={supply} currency={settings.currency} done={done} />
      </Fold>
      <AwayMenu of={{ table: 'supplies', id: supply.id, name: supply.name }} mayArchive onGone={done} />
    </>
  );
}

function SupplyTable({
  supplies,
  settings,
  onOpen,
}: {
  supplies: readonly SupplyRow[];
  settings: Settings;
  onOpen: (id: string) => void;
}) {
  const columns = useMemo(
    (): Column<SupplyRow>[] => [
      { id: 'name', head: SUPPLY_COLUMNS.name, value: (s) => s.name },
      { id: 'kind', head: SUPPLY_COLUMNS.kind, value: (s) => SUPPLY_WORDS[s.kind] },
      { id: 'sort', head: SUPPLY_COLUMNS.sort, value: (s) => s.sort },
      {
        id: 'amount',
        head: SUPPLY_COLUMNS.amount,
        value: (s) => writtenAmount(s.kind, s.amount),
        show: (s) => amountWords(s.kind, s.amount),
        isNumber: true,
      },
      {
        id: 'pack',
        head: SUPPLY_COLUMNS.pack,
        value: (s) => writtenAmount(s.kind, s.packAmount),
        show: (s) => amountWords(s.kind, s.packAmount),
        isNumber: true,
      },
      {
        id: 'price',
        head: SUPPLY_COLUMNS.price,
        value: (s) => s.packCents / 100,
        show: (s) => showMoney(s.packCents, settings.currency, settings.locale),
        isNumber: true,
      },
      { id: 'code', head: SUPPLY_COLUMNS.code, value: (s) => s.code },
      { id: 'place', head: SUPPLY_COLUMNS.place, value: (s) => s.place },
      {
        id: 'low',
        head: SUPPLY_COLUMNS.low,
        value: (s) => writtenAmount(s.kind, s.low),
        isNumber: true,
        isHidden: true,
      },
      { id: 'unit', head: 'In', value: (s) => writtenUnit(s.kind), isHidden: true },
    ],
    [settings],
  );
  return (
    <Table
      name="Supplies"
      rows={supplies}
      columns={columns}
      idOf={(s) => s.id}
      empty="Nothing here is called so."
      onRow={(s) => onOpen(s.id)}
    />
  );
}
