import { z } from 'zod';
import { BACK_REASONS } from '#core/bench';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { Form, FormChoice } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';
import type { InHandProps } from './inHand.ts';

const RETURN = z.object({ reason: z.enum(BACK_REASONS) });

/** Why pieces are returned to the stage before. */
export function ReturnForm({ view, numbers, close }: Omit<InHandProps, 'ask'> & { close: () => void }) {
  const panelId = view.panel.id;
  const form = useKeptForm(`return-${panelId}-${numbers.join('.')}`, RETURN, { reason: 'rough edge' });
  const send = useSend();
  return (
    <Form
      form={form}
      label="Why it is returned"
      className="flex flex-col gap-2.5"
      onSend={async ({ reason }) => {
        if (!(await send.command({ kind: 'send-back', ask: { panelId, numbers, reason } }))) return;
        form.forget();
        close();
      }}
    >
      <FormChoice
        name="reason"
        label="Why is it returned?"
        options={BACK_REASONS.map((value) => ({ value, text: value }))}
      />
      <div className="grid grid-cols-2 gap-2">
        <Button look="go" type="submit">
          Return it
        </Button>
        <Button onClick={close}>Leave it</Button>
      </div>
    </Form>
  );
}
