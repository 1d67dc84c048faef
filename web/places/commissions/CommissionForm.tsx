import { z } from 'zod';
import type { Commission } from '#core/bench';
import { useSend } from '../../state/send.ts';
import { useSettings } from '../../state/studio.ts';
import { newId } from '../../state/ids.ts';
import { Button } from '../../ui/Button.tsx';
import { free, wanted } from '../../ui/form/fields.ts';
import { Form, FormDay, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';

const JOB = z.object({ title: wanted('A job has a name.'), client: free, due: z.string(), note: free });

/** Enters or changes a job. */
export function CommissionForm({
  entry,
  done,
}: {
  entry?: Commission & { readonly id: string };
  done: (id: string) => void;
}) {
  const send = useSend();
  const { locale } = useSettings();
  const form = useKeptForm(`job-${entry?.id ?? 'new'}`, JOB, {
    title: entry?.title ?? '',
    client: entry?.client ?? '',
    due: entry?.due ?? '',
    note: entry?.note ?? '',
  });
  return (
    <Form
      form={form}
      onSend={async (job) => {
        const id = entry?.id ?? newId();
        if (!(await send.command({ kind: 'save-commission', ask: { id, ...job, due: job.due || null } }))) return;
        form.forget();
        done(id);
      }}
    >
      <FormText name="title" label="What it is" placeholder="Stair light with herons" autoFocus />
      <FormText name="client" label="For whom" />
      <FormDay name="due" label="Due" locale={locale} mayBeNone />
      <FormText name="note" label="Note" />
      <Button look="go" type="submit">
        {entry ? 'Keep' : 'Enter the job'}
      </Button>
    </Form>
  );
}
