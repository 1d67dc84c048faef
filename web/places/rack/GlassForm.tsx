import { useState } from 'react';
import type { Settings } from '#core/bench';
import { FIRST_COLOUR, HIDINGS, TEXTURES, type Glass, type Hiding, type Texture } from '#core/stock';
import { lengthToMm, showLength } from '#core/units';
import { useSend } from '../../state/send.ts';
import { GlassChip } from '../../panel/GlassChip.tsx';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { newId } from '../../state/ids.ts';
import { Check } from '../../ui/Check.tsx';

/** Enters or changes a glass: its own code, colour as transmitted, texture, hiding power, price by area. */
export function GlassForm({ entry, settings, done }: { entry?: Glass; settings: Settings; done: () => void }) {
  const send = useSend();
  const [code, setCode] = useState(entry?.code ?? '');
  const [name, setName] = useState(entry?.name ?? '');
  const [colour, setColour] = useState(entry?.colour ?? FIRST_COLOUR);
  const [texture, setTexture] = useState<Texture>(entry?.texture ?? 'smooth');
  const [hiding, setHiding] = useState<Hiding>(entry?.hiding ?? 'clear');
  const [flow, setFlow] = useState(entry?.flow ?? false);
  const [thickness, setThickness] = useState(
    entry
      ? showLength(entry.thicknessMm, settings.unit, 1).replace('⁄', '/')
      : settings.unit === 'mm'
        ? '3 mm'
        : '1/8 in',
  );
  const [price, setPrice] = useState(entry ? String(entry.priceCentsPerM2 / 100) : '');
  const thicknessMm = lengthToMm(thickness, settings.unit);
  const cents = Math.round(Number(price.replace(',', '.') || 0) * 100);
  const thicknessProblem =
    thicknessMm !== null && thicknessMm > 0 && thicknessMm <= 40 ? null : 'More than 0, such as 3 mm or 1/8 in.';
  const priceProblem = Number.isFinite(cents) && cents >= 0 ? null : 'A price of 0 or more.';
  const codeProblem =
    code === '' || /^[A-Za-z0-9][A-Za-z0-9._-]*$/.test(code) ? null : 'Letters, digits, dots and dashes.';
  const glass: Glass = {
    id: entry?.id ?? 'new',
    code,
    name,
    colour,
    texture,
    thicknessMm: thicknessMm ?? 3,
    hiding,
    flow,
    priceCentsPerM2: cents,
  };
  const isSound =
    code !== '' && name.trim() !== '' && [thicknessProblem, priceProblem, codeProblem].every((p) => p === null);
  const keep = async () =>
    (await send.command({
      kind: 'save-glass',
      ask: { ...glass, id: entry?.id ?? newId(), name: name.trim() },
    })) && done();
  return (
    <form
      className="flex flex-col gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <div className="flex items-end gap-4">
        <GlassChip glass={glass} size={88} />
        <label className="flex flex-col gap-1 text-[15px] text-mute">
          Colour, held to the light
          <input
            type="color"
            value={colour}
            onChange={(e) => setColour(e.target.value)}
            className="h-11 w-40 cursor-pointer rounded-md border border-strong bg-raised p-1"
          />
        </label>
      </div>
      <div className="grid grid-cols-[1fr_2fr] gap-2">
        <TextField label="Code" value={code} onChange={(e) => setCode(e.target.value.trim())} problem={codeProblem} />
        <TextField label="Name" value={name} onChange={(e) => setName(e.target.value)} />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <ChoiceField
          label="Texture"
          value={texture}
          onChoice={setTexture}
          options={TEXTURES.map((value) => ({ value, text: value }))}
        />
        <ChoiceField
          label="How much it hides"
          value={hiding}
          onChoice={setHiding}
          options={HIDINGS.map((value) => ({ value, text: value }))}
        />
        <TextField
          label="Thickness"
          value={thickness}
          onChange={(e) => setThickness(e.target.value)}
          problem={thicknessProblem}
        />
        <TextField
          label={`Price by m², ${settings.currency}`}
          inputMode="decimal"
          value={price}
          onChange={(e) => setPrice(e.target.value)}
          problem={priceProblem}
          placeholder="0"
        />
      </div>
      <Check checked={flow} onCheck={setFlow}>
        It has a flow: streaks, cords or ripples run one way
      </Check>
      <Button look="go" type="submit" disabled={!isSound}>
        {entry ? 'Keep' : 'Enter the glass'}
      </Button>
    </form>
  );
}
