import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import type { StudioAnswer } from '#contract';
import type { Settings } from '#core/bench';
import { BOUNDS } from '#core/limits';
import { labelsFrom } from '#core/stock';
import { lengthToMm, priceOfArea, showLength, showMoney, type DisplayUnit } from '#core/units';
import { useSend } from '../../state/send.ts';
import { labelsAsked, type StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { free, label, length, money } from '../../ui/form/fields.ts';
import { Form, FormChoice, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';

/** More than a crate holds is a slip of the finger. */
const MOST_AT_ONCE = 40;

const TAKEN = 'This label is taken.';

const receiptOf = (unit: DisplayUnit, taken: readonly string[]) => {
  const side = length(unit, { least: 1, most: BOUNDS.lengthMm.most }, 'From 1 mm up.');
  return z.object({
    kind: z.enum(['sheet', 'offcut']),
    glassId: z.string().min(1, 'Enter the glass first.'),
    label: label('What is written on it.').refine(
      (text) => !taken.some((other) => other.toLowerCase() === text.toLowerCase()),
      TAKEN,
    ),
    width: side,
    height: side,
    howMany: z.coerce
      .number<string>('How many, from 1 to 40.')
      .int('Whole sheets only.')
      .min(1, 'How many, from 1 to 40.')
      .max(MOST_AT_ONCE, 'How many, from 1 to 40.'),
    place: free,
    cost: z.union([z.literal('').transform(() => null), money('A cost of 0 or more.')]),
  });
};

interface ReceiveProps {
  data: StudioAnswer;
  /** Of what stands on the rack. */
  labels: readonly string[];
  settings: Settings;
  /** One that came before: what comes now is much like it. */
  like?: StockRow;
  done: () => void;
}

/** A sheet arrives, or an offcut is put on the rack. */
export function ReceiveForm(props: ReceiveProps) {
  const { like, labels } = props;
  const { data, isLoading } = useQuery(labelsAsked(like?.id ?? '', 1));
  // It begins with a label that nothing has; where nobody answers, with one that nothing on the rack has.
  if (isLoading) return null;
  const [label = ''] = like ? (data?.next ?? after(like.id, 1, labels)) : [];
  return <ReceiveFields {...props} begin={label} />;
}

/** Labels after one that nothing on the rack has. */
const after = (first: string, howMany: number, onRack: readonly string[]): string[] =>
  labelsFrom(first, howMany + 1, (label) => onRack.some((other) => other.toLowerCase() === label.toLowerCase())).slice(
    1,
  );

function ReceiveFields({ data, labels, settings, like, begin, done }: ReceiveProps & { readonly begin: string }) {
  const send = useSend();
  const client = useQueryClient();
  const { unit, currency, locale } = settings;
  const [taken, setTaken] = useState<readonly string[]>([]);
  const schema = useMemo(() => receiptOf(unit, [...labels, ...taken]), [unit, labels, taken]);
  const shown = (mm: number) => showLength(mm, unit, 2).replace('⁄', '/');
  const form = useKeptForm(like ? `receive-like-${like.id}` : 'receive', schema, {
    kind: like?.kind ?? 'sheet',
    glassId: like?.glassId ?? data.glasses[0]?.id ?? '',
    label: begin,
    howMany: '1',
    width: like ? shown(like.widthMm) : '',
    height: like ? shown(like.heightMm) : '',
    place: like?.place ?? '',
    cost: '',
  });
  const worthOf = (glassId: string, w: number | null, h: number | null): number =>
    priceOfArea((w ?? 0) * (h ?? 0), data.glasses.find((g) => g.id === glassId)?.priceCentsPerM2 ?? 0);
  const [kind, glassId, width, height, cost, first, howMany] = useWatch({
    control: form.control,
    name: ['kind', 'glassId', 'width', 'height', 'cost', 'label', 'howMany'],
  });
  const many = Math.min(MOST_AT_ONCE, Math.max(0, Math.floor(Number(howMany)) || 0));
  const counted = many > 1 ? first.trim() : '';
  const free = useQuery(labelsAsked(counted, many - 1));
  const more = counted === '' ? [] : (free.data?.next ?? after(counted, many - 1, labels));
  const worth = kind === 'sheet' ? worthOf(glassId, lengthToMm(width, unit), lengthToMm(height, unit)) : 0;
  return (
    <Form
      form={form}
      className="flex flex-col gap-1.5"
      onSend={async (receipt) => {
        const { label: first, howMany, width: widthMm, height: heightMm, cost: costCents, ...rest } = receipt;
        const own = rest.kind === 'sheet' ? worthOf(rest.glassId, widthMm, heightMm) : 0;
        const { isTaken, next } = await client
          .fetchQuery(labelsAsked(first, howMany - 1))
          .catch(() => ({ isTaken: false, next: after(first, howMany - 1, labels) }));
        if (isTaken) {
          setTaken([...taken, first]);
          return form.setError('label', { message: TAKEN }, { shouldFocus: true });
        }
        const names = [first, ...next];
        const items = names.map((label) => ({ ...rest, label, widthMm, heightMm, costCents: costCents ?? own }));
        const [only] = items;
        const command =
          items.length === 1 && only
            ? ({ kind: 'receive', ask: only } as const)
            : ({ kind: 'receive-many', ask: { items } } as const);
        if (!(await send.command(command, `${names.join(', ')} on the rack.`))) return;
        form.forget();
        done();
      }}
    >
      <FormChoice
        name="kind"
        label="What"
        options={[
          { value: 'sheet', text: 'a sheet' },
          { value: 'offcut', text: 'an offcut' },
        ]}
      />
      <FormChoice
        name="glassId"
        label="Of which glass"
        options={data.glasses.map((g) => ({ value: g.id, text: `${g.code} ${g.name}` }))}
      />
      <div className="grid grid-cols-[2fr_1fr] gap-2">
        <FormText
          name="label"
          label="Label on it"
          placeholder="B7"
          hint={more.length > 0 ? `and ${more.slice(0, 4).join(', ')}${more.length > 4 ? ' …' : ''}` : ''}
        />
        <FormText name="howMany" label="How many" inputMode="numeric" />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <FormText name="width" label="Wide" placeholder={unit === 'mm' ? '600 mm' : '24 in'} />
        <FormText name="height" label="High" placeholder={unit === 'mm' ? '400 mm' : '16 in'} />
      </div>
      <FormText name="place" label="Where it stands" placeholder="slot 3" />
      <FormText
        name="cost"
        label={`What it cost, ${currency}`}
        inputMode="decimal"
        hint={cost === '' && worth > 0 ? `left empty: ${showMoney(worth, currency, locale)}` : ''}
      />
      <Button look="go" type="submit">
        Put it on the rack
      </Button>
    </Form>
  );
}
