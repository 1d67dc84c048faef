import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { readProfile, USUAL_PROFILES } from '#core/sizing';
import { profileWords } from '#core/words';
import { Button } from '../../../ui/Button.tsx';
import { Form, FormChoice, FormText } from '../../../ui/form/Form.tsx';
import { useKeptForm } from '../../../ui/form/useKeptForm.ts';
import { CHANGING, type ModeProps } from './ModeProps.ts';

const OWN = 'own';
const PROFILE = z
  .object({ code: z.string(), typed: z.string().trim() })
  .refine(({ code, typed }) => code !== OWN || readProfile(typed) !== null, {
    path: ['typed'],
    message: 'Such as h7, u10 or f1.',
  })
  .transform(({ code, typed }) => ({ profile: code === OWN ? typed : code === '' ? null : code }));

/** What the picked lines take up. */
export function Profile({ view, desk }: ModeProps) {
  const form = useKeptForm(`profile-${view.panel.id}`, PROFILE, { code: '', typed: '' });
  const code = useWatch({ control: form.control, name: 'code' });
  const lines = [...desk.lines];
  return (
    <Form
      form={form}
      label="What the picked lines take up"
      className="grid gap-2"
      onSend={async ({ profile }) => {
        if (lines.length === 0) return;
        if (await desk.edit({ kind: 'profile', lines, profile }, 'Lines changed.')) form.forget();
      }}
    >
      <p>{lines.length === 0 ? 'Tap the lines that are to take up something else.' : `${lines.length} picked.`}</p>
      <FormChoice
        name="code"
        label="They take up"
        options={[
          { value: '', text: 'what the panel’s lines do' },
          ...USUAL_PROFILES[view.panel.technique].map((value) => ({
            value,
            text: profileWords(value, view.settings.unit),
          })),
          { value: OWN, text: 'another profile …' },
        ]}
      />
      {code === OWN && <FormText name="typed" label="Its code" hint="h, u or f and the millimetres" />}
      {lines.length > 0 && (
        <Button look="go" type="submit" unless={desk.busy ? CHANGING : null}>
          Give it to {lines.length === 1 ? 'this line' : 'these lines'}
        </Button>
      )}
    </Form>
  );
}
