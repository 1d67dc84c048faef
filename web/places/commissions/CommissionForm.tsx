import { useState } from 'react';
import { BOUNDS, limitsWith } from '#core/limits';
import { allowanceFor, type Technique } from '#core/sizing';
import type { Commission } from '#core/bench';
import { lengthToMm, type DisplayUnit } from '#core/units';
import { useSend } from '../../state/send.ts';
import { useSettings } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { DayField } from '../../ui/DayField.tsx';
import { TextField } from '../../ui/Field.tsx';
import { newId } from '../../state/ids.ts';

/** Enters or changes a commission. */
export function CommissionForm({
  entry,
  done,
}: {
  entry?: Commission & { readonly id: string };
  done: (id: string) => void;
}) {
  const send = useSend();
  const { locale } = useSettings();
  const [title, setTitle] = useState(entry?.title ?? '');
  const [client, setClient] = useState(entry?.client ?? '');
  const [due, setDue] = useState(entry?.due ?? '');
  const [note, setNote] = useState(entry?.note ?? '');
  const keep = async () => {
    const id = entry?.id ?? newId();
    if (
      await send.command({
        kind: 'save-commission',
        ask: { id, title: title.trim(), client: client.trim(), due: due || null, note: note.trim() },
      })
    )
      done(id);
  };
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <TextField
        label="What it is"
        value={title}
        onChange={(e) => setTitle(e.target.value)}
        placeholder="Stair light with herons"
        autoFocus
      />
      <TextField label="For whom" value={client} onChange={(e) => setClient(e.target.value)} />
      <DayField label="Due" value={due} locale={locale} mayBeNone onDay={setDue} />
      <TextField label="Note" value={note} onChange={(e) => setNote(e.target.value)} />
      <Button look="go" type="submit" disabled={title.trim() === ''}>
        {entry ? 'Keep' : 'Enter the job'}
      </Button>
    </form>
  );
}

/** Enters a panel of a commission: technique and wanted size; the drawing comes next. */
export function PanelForm({
  commissionId,
  unit,
  names,
  done,
}: {
  commissionId: string;
  unit: DisplayUnit;
  names: readonly string[];
  done: (id: string) => void;
}) {
  const send = useSend();
  const settings = useSettings();
  const [name, setName] = useState(names.length === 0 ? 'Panel' : `Panel ${names.length + 1}`);
  const [technique, setTechnique] = useState<Technique>('foil');
  const [width, setWidth] = useState('');
  const [height, setHeight] = useState('');
  const mm = (text: string) => lengthToMm(text, unit);
  const problem = (text: string) =>
    text === '' || ((mm(text) ?? 0) > 0 && (mm(text) ?? 0) <= BOUNDS.lengthMm.most)
      ? null
      : 'A length above 0, such as 420 mm or 16 1/2 in.';
  const [widthMm, heightMm] = [mm(width), mm(height)];
  const isSound =
    name.trim() !== '' && widthMm !== null && heightMm !== null && problem(width) === null && problem(height) === null;
  const keep = async () => {
    if (!isSound) return;
    const id = newId();
    const ask = {
      id,
      commissionId,
      name: name.trim(),
      technique,
      widthMm,
      heightMm,
      allowance: allowanceFor(technique, limitsWith(settings.limits)),
    };
    if (await send.command({ kind: 'save-panel', ask })) done(id);
  };
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <TextField label="Name" value={name} onChange={(e) => setName(e.target.value)} autoFocus />
      <ChoiceField
        label="Technique"
        value={technique}
        onChoice={setTechnique}
        options={[
          { value: 'foil', text: 'copper foil' },
          { value: 'lead', text: 'leaded' },
        ]}
      />
      <div className="grid grid-cols-2 gap-2">
        <TextField
          label="Wide"
          value={width}
          onChange={(e) => setWidth(e.target.value)}
          placeholder={unit === 'mm' ? '420 mm' : '16 1/2 in'}
          problem={problem(width)}
        />
        <TextField
          label="High"
          value={height}
          onChange={(e) => setHeight(e.target.value)}
          placeholder={unit === 'mm' ? '640 mm' : '25 1/4 in'}
          problem={problem(height)}
        />
      </div>
      <Button look="go" type="submit" disabled={!isSound}>
        Enter the panel
      </Button>
    </form>
  );
}
