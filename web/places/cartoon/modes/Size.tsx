import { useState } from 'react';
import { lengthToMm, showLength } from '#core/units';
import { Button } from '../../../ui/Button.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { isInHand } from '../ChangeList.tsx';
import type { ModeProps } from './ModeProps.ts';

/** True size from one known length. */
export function Size({ view, desk }: ModeProps) {
  const { settings, pieces } = view;
  const [typed, setTyped] = useState('');
  const [a, b] = desk.taps;
  const begun = pieces.some(isInHand);
  if (begun) return <p className="text-[15px] text-risk">Glass is cut to this size already, so the size stays.</p>;
  if (!a || !b) return null;
  const drawn = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const real = lengthToMm(typed, settings.unit);
  const isSound = real !== null && real > 0 && drawn > 0.5 && real / drawn < 1000;
  return (
    <form
      className="grid gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (isSound) void desk.edit({ kind: 'scale', factor: real / drawn }, 'True size set.');
      }}
    >
      <p>
        Drawn as <b>{showLength(drawn, settings.unit, 1)}</b>.
      </p>
      <TextField
        label="It is really"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        problem={typed !== '' && !isSound ? 'A length above 0, such as 420 mm or 16 1/2 in.' : null}
      />
      <Button look="go" type="submit" disabled={!isSound || desk.busy}>
        Set the size
      </Button>
    </form>
  );
}
