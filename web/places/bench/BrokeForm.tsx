import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { backGlassOf, BEGINS, breakReasons, GLASSES_OF_TWO, reasonWords, type BreakReason } from '#core/bench';
import { BOUNDS, isWithin } from '#core/limits';
import { asJpeg } from '../../notes/asJpeg.ts';
import { newId } from '../../state/ids.ts';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { FilePick, FileProblem } from '../../ui/FilePick.tsx';
import { Form, FormChoice, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';
import type { InHandProps } from './inHand.ts';

const WHY = `Minutes as a number, ${BOUNDS.breakMin.least} to ${BOUNDS.breakMin.most}.`;
const BREAK = z.object({
  reason: z.string().transform((code) => code as BreakReason),
  minutes: z
    .string()
    .transform((text) => Number(text.trim().replace(',', '.') || 0))
    .refine((minutes) => isWithin(minutes, BOUNDS.breakMin), WHY),
  which: z.enum(['both', ...GLASSES_OF_TWO]).transform((which) => (which === 'both' ? undefined : which)),
});

/** Why it broke and what that cost; then it is to be cut again, or is cut again at once. */
export function BrokeForm({ view, numbers, ask, close }: InHandProps & { close: () => void }) {
  const panelId = view.panel.id;
  const form = useKeptForm(`broke-${panelId}-${numbers.join('.')}`, BREAK, {
    reason: 'score-ran-off',
    minutes: '',
    which: 'both',
  });
  const send = useSend();
  const [photo, setPhoto] = useState<{ readonly name: string; readonly jpeg: Blob } | null>(null);
  const [photoProblem, setPhotoProblem] = useState<string | null>(null);
  const takePhoto = async (file: File) => {
    const jpeg = await asJpeg(file);
    setPhotoProblem(typeof jpeg === 'string' ? jpeg : null);
    setPhoto(typeof jpeg === 'string' ? null : { name: file.name, jpeg });
  };
  /** What broke, as it lay there: kept with the piece. */
  const keepPhoto = () => {
    const piece = view.pieces.find((p) => p.number === numbers[0]);
    if (photo && piece)
      void send.note({ id: newId(), about: 'piece', aboutId: piece.id, words: 'how it broke' }, photo.jpeg);
  };
  const broken = view.pieces.filter((p) => numbers.includes(p.number));
  /** Both of its glasses are cut: each can break by itself. */
  const isOfTwo = broken.every((p) => p.backFrom !== null && p.stage !== BEGINS);
  const isBack = useWatch({ control: form.control, name: 'which' }) === 'back';
  const [glassId, ...others] = new Set(broken.map((p) => (isBack ? backGlassOf(p) : p.glassId)));
  const oneGlass = others.length === 0 ? (glassId ?? null) : null;
  // Glass in hand has left the rack; what breaks while it is cut leaves it now.
  const isUncut = broken.some((p) => p.stage === BEGINS);
  const from = (isLost: boolean) =>
    form.handleSubmit(({ which: only, ...values }) => {
      if (oneGlass === null) return;
      keepPhoto();
      form.forget();
      close();
      const question = { glassId: oneGlass, numbers, ...(isBack ? { of: 'back' as const } : {}) };
      ask([question], { ...values, only, ...(isLost ? { isLost } : {}) });
    })();
  return (
    <Form
      form={form}
      label="What broke it"
      className="flex flex-col gap-2.5"
      onSend={async ({ which: only, ...values }) => {
        if (isUncut) return from(true);
        if (!(await send.command({ kind: 'break', ask: { panelId, numbers, ...values, recut: null, only } }))) return;
        keepPhoto();
        form.forget();
        close();
      }}
    >
      <FormChoice
        name="reason"
        label="Why"
        options={breakReasons(view.settings.ownReasons).map((value) => ({ value, text: reasonWords(value) }))}
      />
      {isOfTwo && (
        <FormChoice
          name="which"
          label="Which glass"
          options={[
            { value: 'both', text: 'both' },
            { value: 'front', text: numbers.length === 1 ? `${numbers[0]}a, the first` : 'the first' },
            { value: 'back', text: numbers.length === 1 ? `${numbers[0]}b, the second` : 'the second' },
          ]}
        />
      )}
      <FormText name="minutes" label="Minutes it cost" inputMode="numeric" placeholder="0" />
      <FilePick accept="image/*" onFile={(file) => void takePhoto(file)}>
        {photo === null ? 'A photo of it …' : `Photo: ${photo.name}`}
      </FilePick>
      <FileProblem words={photoProblem} />
      {oneGlass === null && (
        <p className="text-[15px] text-mute">
          These are of more than one glass: to say from which sheet, take one glass at a time.
        </p>
      )}
      {!(isUncut && oneGlass === null) && (
        <Button look="go" type="submit">
          {isUncut ? 'Broke in cutting, out of …' : 'Broke: to be cut again'}
        </Button>
      )}
      <div className="grid grid-cols-2 gap-2">
        {oneGlass !== null && <Button onClick={() => void from(false)}>Recut from …</Button>}
        <Button onClick={close}>Leave it</Button>
      </div>
    </Form>
  );
}
