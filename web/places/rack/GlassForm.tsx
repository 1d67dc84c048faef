import { CopyPlus } from 'lucide-react';
import { useMemo } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import type { MayBeAway, Settings } from '#core/bench';
import { COATS, FIRST_COLOUR, FIRST_SECOND, hasFigure, HIDINGS, TEXTURES, type Glass } from '#core/stock';
import { textureWords } from '#core/words';
import { showLength, type DisplayUnit } from '#core/units';
import { AwayMenu } from '../../history/AwayMenu.tsx';
import { BringBackButton } from '../../history/BringBackButton.tsx';
import { useSend } from '../../state/send.ts';
import { GlassChip } from '../../panel/GlassChip.tsx';
import { Button } from '../../ui/Button.tsx';
import { label, length, money, wanted } from '../../ui/form/fields.ts';
import { Form, FormCheck, FormChoice, FormText } from '../../ui/form/Form.tsx';
import { MenuItem } from '../../ui/Menu.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';
import { newId } from '../../state/ids.ts';

const COLOUR_BOX = 'h-11 w-40 cursor-pointer rounded-md border border-strong bg-raised p-1';

const MOST_THICK_MM = 40;
const ANY_MM = 1e-6;

const glassOf = (unit: DisplayUnit) =>
  z.object({
    code: label('A glass has a code.'),
    name: wanted('A glass has a name.'),
    colour: z.string(),
    hasSecond: z.boolean(),
    second: z.string(),
    texture: z.enum(TEXTURES),
    hiding: z.enum(HIDINGS),
    coat: z.enum(COATS),
    flow: z.boolean(),
    thickness: length(unit, { least: ANY_MM, most: MOST_THICK_MM }, 'More than 0, such as 3 mm or 1/8 in.'),
    price: money('A price of 0 or more.'),
  });

/** Enters or changes a glass: its own code, colour as transmitted, texture, hiding power, price by area. */
export function GlassForm({
  entry,
  like,
  settings,
  done,
  onLike,
}: {
  entry?: Glass & MayBeAway;
  /** One that a new glass is much like. */
  like?: Glass;
  settings: Settings;
  done: () => void;
  onLike: (like: Glass) => void;
}) {
  const send = useSend();
  const { unit, currency } = settings;
  const schema = useMemo(() => glassOf(unit), [unit]);
  const known = entry ?? like;
  const form = useKeptForm(`glass-${entry?.id ?? (like ? `like-${like.id}` : 'new')}`, schema, {
    code: entry?.code ?? '',
    name: known?.name ?? '',
    colour: known?.colour ?? FIRST_COLOUR,
    hasSecond: (known?.second ?? null) !== null,
    second: known?.second ?? FIRST_SECOND,
    texture: known?.texture ?? 'smooth',
    hiding: known?.hiding ?? 'clear',
    coat: known?.coat ?? 'none',
    flow: known?.flow ?? false,
    thickness: known ? showLength(known.thicknessMm, unit, 1).replace('⁄', '/') : unit === 'mm' ? '3 mm' : '1/8 in',
    price: known ? String(known.priceCentsPerM2 / 100) : '',
  });
  const [colour, hasSecond, second, texture, hiding, coat, flow] = useWatch({
    control: form.control,
    name: ['colour', 'hasSecond', 'second', 'texture', 'hiding', 'coat', 'flow'],
  });
  const seen = { colour, second: hasSecond && hasFigure(texture) ? second : null, texture, hiding, coat, flow };
  return (
    <Form
      form={form}
      className="flex flex-col gap-1.5"
      onSend={async ({ thickness, price, hasSecond, second, ...glass }) => {
        const own = hasSecond && hasFigure(glass.texture) ? second : null;
        const ask = { ...glass, second: own, id: entry?.id ?? newId(), thicknessMm: thickness, priceCentsPerM2: price };
        if (!(await send.command({ kind: 'save-glass', ask }))) return;
        form.forget();
        done();
      }}
    >
      <div className="flex items-end gap-4">
        <GlassChip glass={seen} size={112} />
        <div className="flex flex-col gap-1.5">
          <label className="flex flex-col gap-1 text-[15px] text-mute">
            Colour, held to the light
            <input type="color" {...form.register('colour')} className={COLOUR_BOX} />
          </label>
          {hasFigure(texture) && hasSecond && (
            <label className="flex flex-col gap-1 text-[15px] text-mute">
              Its second colour
              <input type="color" {...form.register('second')} className={COLOUR_BOX} />
            </label>
          )}
        </div>
        {entry && (
          <div className="ml-auto">
            {entry.away === null ? (
              <AwayMenu of={{ table: 'glasses', id: entry.id, name: entry.code }} onGone={done}>
                <MenuItem onPick={() => onLike(entry)}>
                  <CopyPlus aria-hidden size={18} className="text-mute" /> A new glass like it
                </MenuItem>
              </AwayMenu>
            ) : (
              <BringBackButton of={{ table: 'glasses', id: entry.id, name: entry.code }} />
            )}
          </div>
        )}
      </div>
      {entry && entry.away !== null && (
        <p className="text-[15px] text-mute">It is {entry.away}: it is not offered for pieces and receipts.</p>
      )}
      <div className="grid grid-cols-[1fr_2fr] gap-2">
        <FormText name="code" label="Code" />
        <FormText name="name" label="Name" />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <FormChoice
          name="texture"
          label="Texture"
          options={TEXTURES.map((value) => ({ value, text: textureWords(value) }))}
        />
        <FormChoice
          name="hiding"
          label="How much it hides"
          options={HIDINGS.map((value) => ({ value, text: value }))}
        />
        <FormChoice
          name="coat"
          label="On its face"
          options={COATS.map((value) => ({ value, text: value === 'none' ? 'nothing' : value }))}
        />
        <FormText name="thickness" label="Thickness" />
        <FormText name="price" label={`Price by m², ${currency}`} inputMode="decimal" placeholder="0" />
      </div>
      {hasFigure(texture) && (
        <FormCheck name="hasSecond">Its streaks, wisps, rings or flakes have a colour of their own</FormCheck>
      )}
      <FormCheck name="flow">It has a flow: streaks, cords or ripples run one way</FormCheck>
      <Button look="go" type="submit">
        {entry ? 'Keep' : 'Enter the glass'}
      </Button>
    </Form>
  );
}
