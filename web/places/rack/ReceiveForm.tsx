import { useState } from 'react';
import type { StudioAnswer } from '#contract';
import type { Settings } from '#core/bench';
import { BOUNDS } from '#core/limits';
import { lengthToMm, priceOfArea, showMoney } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';

/** A sheet arrives, or an offcut is put on the rack. */
export function ReceiveForm({
  data,
  labels,
  settings,
  done,
}: {
  data: StudioAnswer;
  /** Of what stands on the rack. */
  labels: readonly string[];
  settings: Settings;
  done: () => void;
}) {
  const send = useSend();
  const { unit } = settings;
  const [kind, setKind] = useState<'sheet' | 'offcut'>('sheet');
  const [glassId, setGlassId] = useState(data.glasses[0]?.id ?? '');
  const [label, setLabel] = useState('');
  const [width, setWidth] = useState('');
  const [height, setHeight] = useState('');
  const [place, setPlace] = useState('');
  const [cost, setCost] = useState('');
  const [w, h] = [lengthToMm(width, unit), lengthToMm(height, unit)];
  const glass = data.glasses.find((g) => g.id === glassId);
  const worth = w && h && glass ? priceOfArea(w * h, glass.priceCentsPerM2) : 0;
  const costCents =
    cost.trim() === '' ? (kind === 'sheet' ? worth : 0) : Math.round(Number(cost.replace(',', '.')) * 100);
  const sizeProblem = (text: string, mm: number | null) =>
    text === '' || (mm !== null && mm >= 1 && mm <= BOUNDS.lengthMm.most) ? null : 'From 1 mm up.';
  const labelProblem =
    label === '' || /^[A-Za-z0-9][A-Za-z0-9._-]*$/.test(label)
      ? labels.some((taken) => taken.toLowerCase() === label.toLowerCase())
        ? 'This label is taken.'
        : null
      : 'Letters, digits, dots and dashes.';
  const isSound =
    label !== '' &&
    labelProblem === null &&
    w !== null &&
    h !== null &&
    w > 0 &&
    h > 0 &&
    Number.isFinite(costCents) &&
    costCents >= 0;
  const keep = async () =>
    isSound &&
    (await send.command(
      {
        kind: 'receive',
        ask: { label, glassId, kind, widthMm: w, heightMm: h, place: place.trim(), costCents },
      },
      `${label} is on the rack.`,
    )) &&
    done();
  return (
    <form
      className="flex flex-col gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <ChoiceField
        label="What"
        value={kind}
        onChoice={setKind}
        options={[
          { value: 'sheet', text: 'a sheet' },
          { value: 'offcut', text: 'an offcut' },
        ]}
      />
      <ChoiceField
        label="Of which glass"
        value={glassId}
        onChoice={setGlassId}
        options={data.glasses.map((g) => ({ value: g.id, text: `${g.code} ${g.name}` }))}
      />
      <TextField
        label="Label on it"
        value={label}
        onChange={(e) => setLabel(e.target.value.trim())}
        placeholder="B7"
        problem={labelProblem}
      />
      <div className="grid grid-cols-2 gap-2">
        <TextField
          label="Wide"
          value={width}
          onChange={(e) => setWidth(e.target.value)}
          problem={sizeProblem(width, w)}
          placeholder={unit === 'mm' ? '600 mm' : '24 in'}
        />
        <TextField
          label="High"
          value={height}
          onChange={(e) => setHeight(e.target.value)}
          problem={sizeProblem(height, h)}
          placeholder={unit === 'mm' ? '400 mm' : '16 in'}
        />
      </div>
      <TextField
        label="Where it stands"
        value={place}
        onChange={(e) => setPlace(e.target.value)}
        placeholder="slot 3"
      />
      <TextField
        label={`What it cost, ${settings.currency}`}
        inputMode="decimal"
        value={cost}
        onChange={(e) => setCost(e.target.value)}
        hint={cost === '' && worth > 0 ? `left empty: ${showMoney(costCents, settings.currency, settings.locale)}` : ''}
      />
      <Button look="go" type="submit" disabled={!isSound}>
        Put it on the rack
      </Button>
    </form>
  );
}
