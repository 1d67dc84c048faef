import { z } from 'zod';
import { simulatedPost } from '../../../devices/outbox.ts';
import type { PanelView } from '../../../panel/view.ts';
import { Button } from '../../../ui/Button.tsx';
import { dateWords } from '../../../ui/dates.ts';
import { wanted } from '../../../ui/form/fields.ts';
import { Form, FormText } from '../../../ui/form/Form.tsx';
import { useKeptForm } from '../../../ui/form/useKeptForm.ts';
import { toast } from 'sonner';
import { FormWords } from '../../../ui/form/FormWords.tsx';

const LETTER = z.object({
  to: wanted('Say to whom.'),
  about: wanted('A letter is about something.'),
  words: wanted('A letter has words.'),
});

/** A letter to the client. It goes into the simulated outbox and leaves this browser no further. */
export function LetterForm({ view, done }: { view: PanelView; done: () => void }) {
  const { panel, commission, settings } = view;
  const form = useKeptForm(`letter-${panel.id}`, LETTER, {
    to: commission.client,
    about: `${commission.title}: ${panel.name}`,
    words: `Good day,\n\n${panel.name} is finished${commission.due ? `, in time for ${dateWords(commission.due, settings.locale)}` : ''}. Say which day suits you for ${panel.opening ? 'fitting it' : 'hanging it'}; it takes about an hour, and somebody should be at home.\n\n${settings.studio}`,
  });
  return (
    <Form
      form={form}
      label="A letter to the client"
      onSend={async (letter) => {
        await simulatedPost.send(letter);
        toast('In the outbox, which is simulated: nothing left this browser.');
        form.forget();
        done();
      }}
    >
      <p className="border-l-4 border-line pl-3 text-[15px] text-mute">
        The outbox is simulated. The letter lies there, under Setup, and goes nowhere.
      </p>
      <FormText name="to" label="To" />
      <FormText name="about" label="About" />
      <FormWords name="words" label="Words" rows={9} />
      <Button look="go" type="submit">
        Into the outbox
      </Button>
    </Form>
  );
}
