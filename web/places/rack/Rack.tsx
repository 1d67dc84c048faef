import { Ellipsis } from 'lucide-react';
import { useCallback, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { StudioAnswer } from '#contract';
import type { Glass } from '#core/stock';
import { count, showArea, showMoney } from '#core/units';
import { useRack, useSettings, useStudio, type StockRow } from '../../state/studio.ts';
import { UndoButtons } from '../../history/UndoButtons.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { Menu, MenuItem } from '../../ui/Menu.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Toggles } from '../../ui/Toggles.tsx';
import { CountForm } from './CountForm.tsx';
import { answersTo, isNamed, wishOf } from './found.ts';
import { StockTable } from './StockTable.tsx';
import { GlassForm } from './GlassForm.tsx';
import { useJobsInHand } from './KeepFor.tsx';
import { ListForm } from './ListForm.tsx';
import { PickedForm } from './PickedForm.tsx';
import { ReceiveForm } from './ReceiveForm.tsx';
import { Slot } from './Slot.tsx';
import { ShoppingList } from './ShoppingList.tsx';
import { StockCard } from './StockCard.tsx';
import { scannedLabel } from './stickers.ts';
import { NotesFold } from '../../notes/NotesFold.tsx';
import { useChange } from '../../ui/useChange.ts';
import { useTitle } from '../../ui/useTitle.ts';

type Open =
  | { kind: 'receive'; like?: StockRow }
  | { kind: 'glass'; glass?: StudioAnswer['glasses'][number]; like?: Glass }
  | { kind: 'item'; id: string }
  | { kind: 'count' }
  | { kind: 'buy' }
  | { kind: 'picked' }
  | null;

const NONE: ReadonlySet<string> = new Set();

/** What an address asks the rack to open. */
function openIn(params: URLSearchParams): Open {
  const item = params.get('item');
  if (item !== null) return { kind: 'item', id: item };
  return params.has('receive') ? { kind: 'receive' } : params.has('glass') ? { kind: 'glass' } : null;
}

/** The rack: sheets and offcuts standing in their slots, to one scale, in their colours, lit from behind. */
export function Rack() {
  useTitle('Rack');
  const { data } = useStudio();
  const { data: rack } = useRack();
  const settings = useSettings();
  const [params, setParams] = useSearchParams();
  const [open, setOpenOnly] = useState<Open>(() => openIn(params));
  const [words, setWords] = useState(params.get('find') ?? '');
  const [picked, setPicked] = useState<ReadonlySet<string>>(NONE);
  const jobs = useJobsInHand();
  const onPick = useCallback(
    (id: string, on: boolean) =>
      setPicked((before) => {
        const next = new Set(before);
        if (on) next.add(id);
        else next.delete(id);
        return next;
      }),
    [],
  );
  const [look, setLook] = useState<'scale' | 'table'>('scale');
  // What was asked for by the address is asked for again when the address changes while the rack is open.
  useChange(params, () => {
    if (params.size === 0) return;
    setOpenOnly(openIn(params));
    setWords(params.get('find') ?? '');
  });
  const setOpen = (next: Open) => {
    setOpenOnly(next);
    if (params.size > 0) setParams({}, { replace: true });
  };
  if (!data || !rack) return null;
  const here = rack.stock;
  const laidFor = new Map(rack.laid.map(({ stockId, panelName }) => [stockId, panelName]));
  const byId = new Map(data.glasses.map((g) => [g.id, g]));
  const wish = wishOf(words, settings.unit);
  const isAll = 'words' in wish && wish.words === '';
  // An archived glass is not offered any more; it stands here as long as a sheet of it does.
  const glasses = data.glasses
    .filter((g) => g.away === null || here.some((s) => s.glassId === g.id))
    .map((glass) => ({
      glass,
      items: answersTo(
        wish,
        glass,
        here.filter((s) => s.glassId === glass.id),
        settings.limits,
      ),
    }))
    .filter(({ glass, items }) => isAll || items.length > 0 || isNamed(wish, glass))
    .sort((a, b) => a.glass.code.localeCompare(b.glass.code));
  const inUse = data.glasses.filter((g) => g.away === null);
  const { received = 0, pieces = 0, waste = 0, 'put back': back = 0 } = rack.totals;
  const chosen = here.filter((s) => picked.has(s.id));
  const receiving = open?.kind === 'receive' ? open.like : undefined;
  const item = open?.kind === 'item' ? here.find((s) => s.id === open.id) : undefined;
  return (
    <main className="px-10 py-6 max-sm:px-4">
      <header className="mb-2 flex flex-wrap items-center justify-end gap-2.5 max-sm:justify-start">
        <div className="mr-auto max-sm:w-full">
          <h1 className="text-[28px]">Rack</h1>
          <p className="text-mute">
            {count(here.filter((s) => s.kind === 'sheet').length, 'sheet')} and{' '}
            {count(here.filter((s) => s.kind === 'offcut').length, 'offcut')},{' '}
            {showArea(
              here.reduce((sum, s) => sum + s.areaMm2, 0),
              settings.unit,
            )}
            , worth{' '}
            {showMoney(
              here.reduce((sum, s) => sum + s.costCents, 0),
              settings.currency,
              settings.locale,
            )}
          </p>
        </div>
        <UndoButtons place="rack" />
        {look === 'scale' && (
          <label className="max-sm:grow">
            <span className="sr-only">Find</span>
            <input
              className="min-h-11 w-44 rounded-md border max-sm:w-full border-strong bg-raised px-3 text-ink"
              value={words}
              onChange={(e) => setWords(e.target.value)}
              onKeyDown={(e) => {
                if (e.key !== 'Enter') return;
                const label = scannedLabel(words).toLowerCase();
                const found = here.find((s) => s.id.toLowerCase() === label);
                if (!found) return;
                // Else the same stroke would press what has the focus next.
                e.preventDefault();
                setWords('');
                setOpen({ kind: 'item', id: found.id });
              }}
              placeholder="Find: sky, 150 x 200"
            />
          </label>
        )}
        <Toggles
          label="How it is shown"
          value={look}
          options={[
            ['scale', 'To scale'],
            ['table', 'Table'],
          ]}
          onPick={setLook}
        />
        <Link
          to="/rack/supplies"
          className="min-h-11 content-center px-2 font-semibold underline decoration-line underline-offset-4"
        >
          Supplies
        </Link>
        <Button className="max-sm:grow" onClick={() => setOpen({ kind: 'glass' })}>
          New glass
        </Button>
        <Button look="go" className="max-sm:grow" onClick={() => setOpen({ kind: 'receive' })}>
          Receive
        </Button>
        <Menu
          button={
            <Button look="line" className="w-11 px-0!" aria-label="More of the rack">
              <Ellipsis aria-hidden size={20} />
            </Button>
          }
        >
          <MenuItem onPick={() => setOpen({ kind: 'count' })}>Count a slot</MenuItem>
          <MenuItem onPick={() => setOpen({ kind: 'buy' })}>What to buy</MenuItem>
        </Menu>
      </header>
      {inUse.length === 0 && (
        <p className="py-16 text-center text-[17px] text-mute">
          Nothing stands here yet. Enter a glass first, then receive its sheets and offcuts.
        </p>
      )}
      {look === 'table' ? (
        <StockTable
          items={glasses.flatMap(({ items }) => items)}
          glasses={byId}
          laidFor={laidFor}
          settings={settings}
          picked={picked}
          onPick={onPick}
          onItem={(id) => setOpen({ kind: 'item', id })}
          onPicked={() => setOpen({ kind: 'picked' })}
        />
      ) : (
        <ul className="flex flex-wrap gap-x-8">
          {glasses.map(({ glass, items }) => (
            <Slot
              key={glass.id}
              glass={glass}
              items={items}
              laidFor={laidFor}
              keptFor={jobs}
              onItem={(id) => setOpen({ kind: 'item', id })}
              onGlass={() => setOpen({ kind: 'glass', glass })}
              price={`${showMoney(glass.priceCentsPerM2, settings.currency, settings.locale)}/m²`}
            />
          ))}
        </ul>
      )}
      {glasses.length === 0 && inUse.length > 0 && (
        <p className="py-12 text-center text-[17px] text-mute">
          {'words' in wish ? 'Nothing here is called so.' : 'Nothing here takes a piece of that size.'}
        </p>
      )}
      {glasses.length > 0 && (
        <p className="mt-8 border-t border-line pt-3 text-[15px] text-mute" data-testid="ledger">
          The ledger: {showArea(received, settings.unit)} received = {showArea(-pieces, settings.unit)} in pieces +{' '}
          {showArea(-waste, settings.unit)} waste {back !== 0 && `− ${showArea(back, settings.unit)} put back `}+{' '}
          {showArea(
            here.reduce((s, i) => s + i.areaMm2, 0),
            settings.unit,
          )}{' '}
          here.
        </p>
      )}
      <Sheet title="Receive glass" open={open?.kind === 'receive'} onClose={() => setOpen(null)}>
        {inUse.length === 0 ? (
          <>
            <p>A sheet is of a glass: enter that first, with its code and colour.</p>
            <Button look="go" onClick={() => setOpen({ kind: 'glass' })}>
              New glass
            </Button>
          </>
        ) : (
          <>
            <ReceiveForm
              key={receiving?.id ?? 'new'}
              data={{ ...data, glasses: inUse }}
              labels={here.map((s) => s.id)}
              settings={settings}
              {...(receiving ? { like: receiving } : {})}
              done={() => setOpen(null)}
            />
            <Fold title="From a list">
              <ListForm glasses={inUse} labels={here.map((s) => s.id)} settings={settings} done={() => setOpen(null)} />
            </Fold>
          </>
        )}
      </Sheet>
      <Sheet
        title={open?.kind === 'glass' && open.glass ? `Glass ${open.glass.code}` : 'New glass'}
        open={open?.kind === 'glass'}
        onClose={() => setOpen(null)}
      >
        {open?.kind === 'glass' && (
          <GlassForm
            key={open.like?.id ?? open.glass?.id ?? 'new'}
            {...(open.glass ? { entry: open.glass } : {})}
            {...(open.like ? { like: open.like } : {})}
            settings={settings}
            done={() => setOpen(null)}
            onLike={(like) => setOpen({ kind: 'glass', like })}
          />
        )}
        {open?.kind === 'glass' && open.glass && (
          <NotesFold key={open.glass.id} about="glass" id={open.glass.id} of={open.glass.code} />
        )}
      </Sheet>
      <Sheet title="To buy" open={open?.kind === 'buy'} onClose={() => setOpen(null)}>
        {open?.kind === 'buy' && <ShoppingList rack={rack} glasses={inUse} settings={settings} />}
      </Sheet>
      <Sheet
        title={count(chosen.length, 'sheet or offcut', 'sheets and offcuts')}
        open={open?.kind === 'picked'}
        onClose={() => setOpen(null)}
      >
        {open?.kind === 'picked' && (
          <PickedForm
            items={chosen}
            glasses={byId}
            settings={settings}
            done={() => {
              setPicked(NONE);
              setOpen(null);
            }}
          />
        )}
      </Sheet>
      <Sheet title="What is really there" open={open?.kind === 'count'} onClose={() => setOpen(null)}>
        {open?.kind === 'count' && <CountForm items={here} settings={settings} done={() => setOpen(null)} />}
      </Sheet>
      <Sheet
        title={item ? `${item.kind === 'sheet' ? 'Sheet' : 'Offcut'} ${item.id}` : ''}
        open={item !== undefined}
        onClose={() => setOpen(null)}
      >
        {item && (
          <StockCard
            item={item}
            glass={data.glasses.find((g) => g.id === item.glassId)}
            glasses={inUse}
            others={here.filter((s) => s.glassId === item.glassId && s.id !== item.id)}
            laid={rack.laid.filter((one) => one.stockId === item.id)}
            settings={settings}
            done={() => setOpen(null)}
            onLike={() => setOpen({ kind: 'receive', like: item })}
          />
        )}
      </Sheet>
    </main>
  );
}
