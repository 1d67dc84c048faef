import { z } from 'zod';
import { BOUNDS } from '#core/limits';
import { Button } from '../../../ui/Button.tsx';
import { Form, FormText } from '../../../ui/form/Form.tsx';
import { useKeptForm } from '../../../ui/form/useKeptForm.ts';
import { CHANGING, type ModeProps } from './ModeProps.ts';

const WHY = `A whole number from 1 to ${BOUNDS.number.most.toLocaleString('en')}.`;
const NUMBER = z.object({
  to: z
    .string()
    .trim()
    .regex(/^\d{1,5}$/, WHY)
    .transform(Number)
    .refine((n) => n >= 1, WHY),
});

/** Gives one piece another number. */
export function NumberForm({ one, panelId, desk }: { one: number; panelId: string; desk: ModeProps['desk'] }) {
  const form = useKeptForm(`number-${panelId}-${one}`, NUMBER, { to: '' });
  return (
    <Form
      form={form}
      label={`Number of piece ${one}`}
      className="grid grid-cols-[1fr_auto] items-start gap-2"
      onSend={async ({ to }) => {
        if (await desk.edit({ kind: 'number', from: one, to }, `${one} is ${to} now.`)) form.forget();
      }}
    >
      <FormText name="to" label={`Piece ${one} becomes`} inputMode="numeric" />
      <Button type="submit" className="mt-[25px]" unless={desk.busy ? CHANGING : null}>
        Change
      </Button>
    </Form>
  );
}
