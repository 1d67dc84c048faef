import { z } from 'zod';
import type { Person } from '#core/bench';
import { useSend } from '../../state/send.ts';
import { newId } from '../../state/ids.ts';
import { Button } from '../../ui/Button.tsx';
import { money, wanted } from '../../ui/form/fields.ts';
import { Form, FormCheck, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';

const PERSON = z.object({
  name: wanted('Somebody has a name.'),
  rate: money('A rate of 0 or more.'),
  active: z.boolean(),
});

/** Enters somebody who works here, or changes what is known of them. */
export function PersonForm({
  entry,
  currency,
  done,
}: {
  entry: (Person & { readonly id: string }) | undefined;
  currency: string;
  done: () => void;
}) {
  const send = useSend();
  const form = useKeptForm(`person-${entry?.id ?? 'new'}`, PERSON, {
    name: entry?.name ?? '',
    rate: entry ? String(entry.rateCentsPerHour / 100) : '',
    active: entry?.active ?? true,
  });
  return (
    <Form
      form={form}
      className="mt-3 grid grid-cols-2 gap-x-2"
      label={entry ? `Change ${entry.name}` : 'New person'}
      onSend={async ({ name, rate, active }) => {
        const initial = name.slice(0, 1).toUpperCase();
        const ask = { id: entry?.id ?? newId(), name, initial, rateCentsPerHour: rate, active };
        if (!(await send.command({ kind: 'save-person', ask }, 'Entered.'))) return;
        form.forget();
        done();
      }}
    >
      <FormText name="name" label={entry ? 'Name' : 'Add a person'} />
      <FormText name="rate" label={`Hourly rate, ${currency}`} inputMode="decimal" placeholder="0" />
      {entry && <FormCheck name="active">works here now</FormCheck>}
      <Button look="go" type="submit">
        {entry ? 'Keep' : 'Add'}
      </Button>
    </Form>
  );
}
