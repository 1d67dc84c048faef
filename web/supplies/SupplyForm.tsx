import { z } from 'zod';
import {
  readAmount,
  SORTED_KINDS,
  SUPPLY_KINDS,
  SUPPLY_WORDS,
  writtenAmount,
  writtenUnit,
  type SupplyKind,
} from '#core/stock';
import type { Tables } from '#core/bench';
import { newId } from '../state/ids.ts';
import { useSend } from '../state/send.ts';
import { Button } from '../ui/Button.tsx';
import { free, money, wanted } from '../ui/form/fields.ts';
import { Form, FormChoice, FormText } from '../ui/form/Form.tsx';
import { useKeptForm } from '../ui/form/useKeptForm.ts';

const SUPPLY = z
  .object({
    kind: z.enum(SUPPLY_KINDS),
    name: wanted('It has a name.'),
    sort: free,
    code: free,
    pack: z.string(),
    price: money('A price of 0 or more.'),
    low: z.string(),
    place: free,
  })
  .superRefine(({ kind, pack, low }, ctx) => {
    if ((readAmount(kind, pack) ?? 0) <= 0)
      ctx.addIssue({
        code: 'custom',
        path: ['pack'],
        message: `How many ${writtenUnit(kind)} one holds, more than 0.`,
      });
    if (low.trim() !== '' && readAmount(kind, low) === null)
      ctx.addIssue({ code: 'custom', path: ['low'], message: `So many ${writtenUnit(kind)}, or nothing.` });
  });

const SORT_HINTS: Readonly<Partial<Record<SupplyKind, string>>> = {
  foil: 'Its width, as 7/32 in',
  came: 'Its profile, as h6 or u10',
  solder: 'Its alloy, as 60/40',
};

/** Enters something that the studio uses up beside glass, or changes how it is bought. */
export function SupplyForm({
  entry,
  like,
  currency,
  done,
}: {
  entry?: Tables['supplies'];
  /** A supply that is wanted and not entered yet. */
  like?: { readonly kind: SupplyKind; readonly sort: string };
  currency: string;
  done: () => void;
}) {
  const send = useSend();
  const form = useKeptForm(`supply-${entry?.id ?? `new-${like?.kind ?? ''}${like?.sort ?? ''}`}`, SUPPLY, {
    kind: entry?.kind ?? like?.kind ?? 'solder',
    name: entry?.name ?? (like ? `${SUPPLY_WORDS[like.kind]} ${like.sort}`.trim() : ''),
    sort: entry?.sort ?? like?.sort ?? '',
    code: entry?.code ?? '',
    pack: entry ? String(writtenAmount(entry.kind, entry.packAmount)) : '',
    price: entry ? String(entry.packCents / 100) : '',
    low: entry && entry.low > 0 ? String(writtenAmount(entry.kind, entry.low)) : '',
    place: entry?.place ?? '',
  });
  const kind = form.watch('kind');
  const unit = writtenUnit(kind);
  return (
    <Form
      form={form}
      label={entry ? `Change ${entry.name}` : 'New supply'}
      onSend={async ({ kind: of, name, sort, code, pack, price, low, place }) => {
        const ask = {
          id: entry?.id ?? newId(),
          kind: of,
          name,
          sort: SORTED_KINDS.includes(of) ? sort : '',
          code,
          packAmount: readAmount(of, pack) ?? 0,
          packCents: price,
          low: readAmount(of, low) ?? 0,
          place,
        };
        if (!(await send.command({ kind: 'save-supply', ask }, 'Kept.'))) return;
        form.forget();
        done();
      }}
    >
      {!entry && (
        <FormChoice
          name="kind"
          label="What it is"
          options={SUPPLY_KINDS.map((value) => ({ value, text: SUPPLY_WORDS[value] }))}
        />
      )}
      <FormText name="name" label="Called" />
      {SORTED_KINDS.includes(kind) && <FormText name="sort" label="Which" hint={SORT_HINTS[kind] ?? ''} />}
      <div className="grid grid-cols-2 gap-x-3">
        <FormText name="pack" label={`One holds, ${unit}`} inputMode="decimal" />
        <FormText name="price" label={`One costs, ${currency}`} inputMode="decimal" />
        <FormText name="low" label={`Little is under, ${unit}`} inputMode="decimal" />
        <FormText name="code" label="Its supplier’s code" />
      </div>
      <FormText name="place" label="Place" />
      <Button look="go" type="submit">
        Keep
      </Button>
    </Form>
  );
}
