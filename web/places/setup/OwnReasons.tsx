import { X } from 'lucide-react';
import { z } from 'zod';
import { readBreakReason, type Settings } from '#core/bench';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { Form, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';

/** Why glass breaks in this studio, beside what everybody knows. */
export function OwnReasons({ settings: { ownReasons } }: { settings: Settings }) {
  const send = useSend();
  const reason = z.object({
    words: z
      .string()
      .trim()
      .min(1, 'A reason has words.')
      .max(60, 'A reason is a few words.')
      .refine((text) => readBreakReason(text, ownReasons) === null, 'That is among the reasons already.'),
  });
  const form = useKeptForm('own-reason', reason, { words: '' });
  const set = (next: readonly string[], said: string) =>
    send.command({ kind: 'change-settings', ask: { ownReasons: next } }, said);
  return (
    <section aria-label="Reasons for a break">
      <h2 className="mb-1 text-xl">Why glass breaks here</h2>
      <p className="text-[15.5px] text-mute">
        Beside the reasons that everybody knows, your own: they stand in every list, and the tally line knows them.
      </p>
      <ul className="mt-2">
        {ownReasons.map((one) => (
          <li key={one} className="flex min-h-11 items-center border-t border-line">
            <span className="flex-1">{one}</span>
            <Button
              look="quiet"
              className="px-2"
              aria-label={`Without “${one}”`}
              onClick={() =>
                void set(
                  ownReasons.filter((other) => other !== one),
                  'Kept. What broke for it stays in the book.',
                )
              }
            >
              <X aria-hidden size={18} />
            </Button>
          </li>
        ))}
      </ul>
      <Form
        form={form}
        label="One reason more"
        className="mt-2 grid grid-cols-[1fr_auto] items-start gap-2"
        onSend={async ({ words }) => {
          if (await set([...ownReasons, words], 'Kept.')) form.forget();
        }}
      >
        <FormText name="words" label="A reason of your own" placeholder="kiln door jarred" />
        <Button type="submit" className="mt-[25px]">
          One more
        </Button>
      </Form>
    </section>
  );
}
