import { useState } from 'react';
import type { Settings } from '#core/bench';
import type { Glass } from '#core/stock';
import { showArea, showMoney, showNumbers } from '#core/units';
import { useSend } from '../../state/send.ts';
import { useLedger, type StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { momentWords } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { Measures } from '../../ui/Length.tsx';
import { CorrectForm } from './CorrectForm.tsx';

/** One sheet or offcut: where it stands, what is left, every entry of its ledger. */
export function StockCard({
  item,
  glass,
  glasses,
  settings,
  done,
}: {
  item: StockRow;
  glass: Glass | undefined;
  glasses: readonly Glass[];
  settings: Settings;
  done: () => void;
}) {
  const send = useSend();
  const [place, setPlace] = useState(item.place);
  const [reason, setReason] = useState('');
  const { data: ledger } = useLedger(item.id);
  const mine = [...(ledger?.moves ?? [])].reverse();
  const words = {
    received: 'received',
    pieces: 'pieces',
    offcut: item.kind === 'offcut' ? 'became this offcut' : 'offcut',
    waste: 'waste',
    'put back': 'put back',
  } as const;
  return (
    <div className="flex flex-col gap-4">
      <p className="text-[17px]">
        {glass?.code} {glass?.name}, <Measures widthMm={item.widthMm} heightMm={item.heightMm} unit={settings.unit} />.{' '}
        <b>{showArea(item.areaMm2, settings.unit)}</b> left, worth{' '}
        {showMoney(item.costCents, settings.currency, settings.locale)}
        {item.parentId && `. From ${item.parentId}`}.
      </p>
      <form
        className="grid grid-cols-[1fr_auto] items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void send.command({ kind: 'move-stock', ask: { stockId: item.id, place: place.trim() } }, 'Moved.');
        }}
      >
        <TextField label="Stands in" value={place} onChange={(e) => setPlace(e.target.value)} />
        <Button type="submit" disabled={place.trim() === '' || place === item.place}>
          Move
        </Button>
      </form>
      <Fold title="Correct what was entered">
        <CorrectForm item={item} glasses={glasses} settings={settings} done={done} />
      </Fold>
      <h3 className="text-lg">Ledger</h3>
      <table className="text-[15px]">
        <thead className="text-left text-mute">
          <tr>
            <th className="font-normal">When</th>
            <th className="font-normal">What</th>
            <th className="text-right font-normal">mm²</th>
            <th className="text-right font-normal">left</th>
          </tr>
        </thead>
        <tbody>
          {mine.map((m) => (
            <tr key={m.id} className="border-t border-line align-top">
              <td className="py-1.5 pr-2 text-mute">{momentWords(m.at, settings.locale)}</td>
              <td className="py-1.5 pr-2">
                {words[m.kind]} {m.numbers.length > 0 && showNumbers(m.numbers, 5)} {m.note}
              </td>
              <td className="py-1.5 text-right">{m.deltaMm2.toLocaleString(settings.locale)}</td>
              <td className="py-1.5 pl-2 text-right">{m.balanceMm2.toLocaleString(settings.locale)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <form
        className="grid grid-cols-[1fr_auto] items-center gap-2 border-t border-line pt-3"
        onSubmit={(e) => {
          e.preventDefault();
          void send
            .command(
              { kind: 'write-off', ask: { stockId: item.id, reason: reason.trim() } },
              `${item.id} is written off.`,
            )
            .then((ok) => ok && done());
        }}
      >
        <TextField
          label="Write it off, because"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          placeholder="dropped"
        />
        <Button type="submit" disabled={reason.trim() === ''}>
          Write off
        </Button>
      </form>
    </div>
  );
}
