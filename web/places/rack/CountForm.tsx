import { useState } from 'react';
import type { Settings } from '#core/bench';
import { areaByWeight, weightOfGlass, type Glass } from '#core/stock';
import { count, showArea } from '#core/units';
import { sizeWords } from '#core/words';
import { useSend } from '../../state/send.ts';
import type { StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { Check } from '../../ui/Check.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';

/** What is really in a slot: what is not there is written off, all in one step. */
export function CountForm({
  items,
  settings,
  done,
}: {
  items: readonly StockRow[];
  settings: Settings;
  done: () => void;
}) {
  const send = useSend();
  const places = [...new Set(items.map((s) => s.place))].sort((a, b) =>
    a.localeCompare(b, undefined, { numeric: true }),
  );
  const [place, setPlace] = useState(places[0] ?? '');
  const [missing, setMissing] = useState<ReadonlySet<string>>(new Set());
  const here = items
    .filter((s) => s.place === place)
    .sort((a, b) => a.id.localeCompare(b.id, undefined, { numeric: true }));
  const gone = here.filter((s) => missing.has(s.id));
  const book = async () => {
    const found = here.map((s) => ({ stockId: s.id, areaMm2: missing.has(s.id) ? null : s.areaMm2 }));
    const said = `${count(gone.length, 'sheet or offcut', 'sheets and offcuts')} written off; undo brings them back.`;
    if (await send.command({ kind: 'count-stock', ask: { by: 'counted', place, found } }, said)) done();
  };
  if (places.length === 0) return <p>Nothing stands on the rack yet.</p>;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceField
        label="Which slot"
        value={place}
        options={places.map((value) => ({ value, text: value === '' ? 'without a place' : value }))}
        onChoice={(next) => {
          setPlace(next);
          setMissing(new Set());
        }}
      />
      <p className="text-[15px] text-mute">
        Take the tick off what is not there. What stands there beside it is received.
      </p>
      <ul className="grid gap-1" aria-label="In this slot">
        {here.map((s) => (
          <li key={s.id}>
            <Check
              checked={!missing.has(s.id)}
              onCheck={(isThere) =>
                setMissing((before) => {
                  const next = new Set(before);
                  if (isThere) next.delete(s.id);
                  else next.add(s.id);
                  return next;
                })
              }
            >
              <b>{s.id}</b> {s.kind}, {sizeWords(s.widthMm, s.heightMm, settings.unit)}
            </Check>
          </li>
        ))}
      </ul>
      <p role="status" className="text-[15.5px]">
        {gone.length === 0
          ? 'All of it is there.'
          : `${gone.map((s) => s.id).join(', ')}: ${showArea(
              gone.reduce((sum, s) => sum + s.areaMm2, 0),
              settings.unit,
            )} that the ledger still holds.`}
      </p>
      <Button
        look="go"
        unless={gone.length === 0 ? 'Nothing differs from the ledger.' : null}
        onClick={() => void book()}
      >
        Book the difference
      </Button>
    </div>
  );
}

/** An offcut on the scale: by its weight and thickness it tells its area. */
export function WeighForm({ item, glass, settings }: { item: StockRow; glass: Glass; settings: Settings }) {
  const send = useSend();
  const [typed, setTyped] = useState('');
  const grams = Number(typed.replace(',', '.'));
  const isWeight = typed.trim() !== '' && Number.isFinite(grams) && grams > 0;
  const areaMm2 = isWeight ? areaByWeight(grams, glass.thicknessMm) : null;
  const take = async () => {
    if (areaMm2 === null) return;
    const found = [{ stockId: item.id, areaMm2 }];
    const said = `${item.id}: ${showArea(areaMm2, settings.unit)} by its weight.`;
    if (await send.command({ kind: 'count-stock', ask: { by: 'weighed', place: item.place, found } }, said))
      setTyped('');
  };
  return (
    <section aria-label="Weigh it" className="grid gap-2">
      <div className="grid grid-cols-[1fr_auto] items-start gap-2">
        <TextField
          label="Weight, g"
          inputMode="decimal"
          value={typed}
          problem={typed.trim() !== '' && !isWeight ? 'A weight of more than 0 g, please.' : null}
          hint={
            areaMm2 === null
              ? `By the ledger it should weigh ${Math.round(weightOfGlass(item.areaMm2, glass.thicknessMm))} g`
              : `${showArea(areaMm2, settings.unit)} of glass ${glass.thicknessMm} mm thick`
          }
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button
          className="mt-[25px]"
          unless={areaMm2 === null ? 'Put it on the scale first.' : null}
          onClick={() => void take()}
        >
          Take it so
        </Button>
      </div>
    </section>
  );
}
