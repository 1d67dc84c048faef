import { useMemo } from 'react';
import { Link } from 'react-router';
import type { LedgerAnswer, RackAnswer } from '#contract';
import type { Settings } from '#core/bench';
import type { Glass } from '#core/stock';
import { showArea, showMoney, showNumbers } from '#core/units';
import { idsCalled } from '#core/words';
import { NotesFold } from '../../notes/NotesFold.tsx';
import { useLedger, type StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { momentWords } from '../../ui/dates.ts';
import { Fold } from '../../ui/Fold.tsx';
import { Measures } from '../../ui/Length.tsx';
import { Table, type Column } from '../../ui/Table.tsx';
import { CorrectForm } from './CorrectForm.tsx';
import { WeighForm } from './CountForm.tsx';
import { JoinForm } from './JoinForm.tsx';
import { KeepFor } from './KeepFor.tsx';
import { Labels } from './Labels.tsx';
import { PhotoForm } from './PhotoForm.tsx';
import { SplitForm } from './SplitForm.tsx';
import { ShapeForm } from './ShapeForm.tsx';
import { MoveForm, WriteOffForm } from './StockForms.tsx';

/** One sheet or offcut: where it stands, what is left, every entry of its ledger. */
export function StockCard({
  item,
  glass,
  glasses,
  others,
  laid,
  settings,
  done,
  onLike,
}: {
  item: StockRow;
  glass: Glass | undefined;
  glasses: readonly Glass[];
  /** What else there is of its glass. */
  others: readonly StockRow[];
  /** What is laid out on it and not cut yet. */
  laid: RackAnswer['laid'];
  settings: Settings;
  done: () => void;
  /** Another one like it has come. */
  onLike: () => void;
}) {
  const { data: ledger } = useLedger(item.id);
  const columns = useLedgerColumns(item, settings);
  const rows = useMemo(() => [...(ledger?.moves ?? [])].reverse(), [ledger]);
  return (
    <div className="flex flex-col gap-4">
      <p className="text-[17px]">
        {glass?.code} {glass?.name}, <Measures widthMm={item.widthMm} heightMm={item.heightMm} unit={settings.unit} />.{' '}
        <b>{showArea(item.areaMm2, settings.unit)}</b> left, worth{' '}
        {showMoney(item.costCents, settings.currency, settings.locale)}
        {item.parentId && `. From ${item.parentId}`}.
      </p>
      {laid.map(({ panelId, panelName, names }) => (
        <p key={panelId} className="text-[15.5px]">
          Laid out for{' '}
          <Link className="underline" to={`/panels/${panelId}/layout`}>
            {panelName}
          </Link>
          : {idsCalled(names)}.
        </p>
      ))}
      {glass && <ShapeForm key={JSON.stringify(item.outline)} item={item} glass={glass} unit={settings.unit} />}
      <Fold title="Photo of it">
        <PhotoForm item={item} />
      </Fold>
      <MoveForm item={item} />
      <KeepFor items={[item]} />
      <Button onClick={onLike}>Receive more like it</Button>
      <Fold title="Correct what was entered">
        <CorrectForm item={item} glasses={glasses} settings={settings} done={done} />
      </Fold>
      {glass && (
        <Fold title="Label">
          <Labels items={[item]} glasses={new Map([[glass.id, glass]])} settings={settings} />
        </Fold>
      )}
      {glass && (
        <Fold title="Break it in two">
          <SplitForm key={item.areaMm2} item={item} glass={glass} settings={settings} />
        </Fold>
      )}
      <Fold title="Join it with another record">
        <JoinForm key={others.length} item={item} others={others} settings={settings} />
      </Fold>
      {glass && (
        <Fold title="Weigh it">
          <WeighForm item={item} glass={glass} settings={settings} />
        </Fold>
      )}
      <NotesFold about="sheet" id={item.id} of={item.id} />
      <h3 className="text-lg">Ledger</h3>
      <Table name="Ledger" rows={rows} columns={columns} idOf={(m) => m.id} empty="No entry yet." isPlain />
      <WriteOffForm item={item} done={done} />
    </div>
  );
}

type Move = LedgerAnswer['moves'][number];

function useLedgerColumns({ kind }: StockRow, { locale, unit }: Settings): Column<Move>[] {
  return useMemo(() => {
    const words = {
      received: 'received',
      pieces: 'pieces',
      offcut: kind === 'offcut' ? 'became this offcut' : 'offcut',
      waste: 'waste',
      'put back': 'put back',
    } as const;
    return [
      { id: 'at', head: 'When', value: (m) => m.at, show: (m) => momentWords(m.at, locale) },
      {
        id: 'what',
        head: 'What',
        value: (m) => [words[m.kind], m.numbers.length > 0 ? showNumbers(m.numbers, 5) : '', m.note].join(' ').trim(),
      },
      {
        id: 'delta',
        head: unit === 'mm' ? 'mm²' : 'Area',
        value: (m) => m.deltaMm2,
        show: (m) => areaWords(m.deltaMm2),
        isNumber: true,
      },
      { id: 'left', head: 'Left', value: (m) => m.balanceMm2, show: (m) => areaWords(m.balanceMm2), isNumber: true },
    ];
    /** The ledger is kept to the square millimetre, and says so to whoever measures in them. */
    function areaWords(mm2: number): string {
      if (unit === 'mm') return mm2.toLocaleString(locale);
      return `${mm2 < 0 ? '−' : ''}${showArea(Math.abs(mm2), unit)}`;
    }
  }, [kind, locale, unit]);
}
