import { useState } from 'react';
import { readProfile, USUAL_PROFILES } from '#core/sizing';
import { profileWords } from '#core/words';
import { Button } from '../../../ui/Button.tsx';
import { ChoiceField } from '../../../ui/Choice.tsx';
import { TextField } from '../../../ui/Field.tsx';
import type { ModeProps } from './ModeProps.ts';

/** What the picked lines take up. */
export function Profile({ view, desk }: ModeProps) {
  const { technique } = view.panel;
  const usual = USUAL_PROFILES[technique];
  const [code, setCode] = useState('');
  const lines = [...desk.lines];
  const own = code === 'own';
  const [typed, setTyped] = useState('');
  const wanted = own ? typed.trim() : code;
  const problem = own && typed !== '' && !readProfile(typed) ? 'Such as h7, u10 or f1.' : null;
  return (
    <div className="grid gap-2">
      <p>{lines.length === 0 ? 'No line picked yet.' : `${lines.length} picked.`}</p>
      <ChoiceField
        label="They take up"
        value={code}
        onChoice={setCode}
        options={[
          { value: '', text: 'what the panel’s lines do' },
          ...usual.map((value) => ({ value, text: profileWords(value, view.settings.unit) })),
          { value: 'own', text: 'another profile …' },
        ]}
      />
      {own && (
        <TextField
          label="Its code"
          hint="h, u or f and the millimetres"
          value={typed}
          problem={problem}
          onChange={(e) => setTyped(e.target.value)}
        />
      )}
      <Button
        look="go"
        disabled={lines.length === 0 || desk.busy || (own && !readProfile(typed))}
        onClick={() =>
          void desk.edit({ kind: 'profile', lines, profile: wanted === '' ? null : wanted }, 'Lines changed.')
        }
      >
        Give it to {lines.length === 1 ? 'this line' : 'these lines'}
      </Button>
    </div>
  );
}
