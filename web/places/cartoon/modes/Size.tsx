import { useMemo } from 'react';
import { isInHand } from '#core/bench';
import { z } from 'zod';
import { BOUNDS } from '#core/limits';
import { showLength } from '#core/units';
import { Button } from '../../../ui/Button.tsx';
import { length } from '../../../ui/form/fields.ts';
import { Form, FormText } from '../../../ui/form/Form.tsx';
import { useKeptForm } from '../../../ui/form/useKeptForm.ts';
import { CHANGING, type ModeProps } from './ModeProps.ts';

/** Nearer together, two taps are one. */
const LEAST_DRAWN_MM = 0.5;

/** True size from one known length. */
export function Size({ view, desk }: ModeProps) {
  const { settings, pieces, panel } = view;
  const { unit } = settings;
  const [a, b] = desk.taps;
  const drawn = a && b ? Math.hypot(b[0] - a[0], b[1] - a[1]) : 0;
  const schema = useMemo(() => {
    const bounds = { least: Number.MIN_VALUE, most: drawn * BOUNDS.scale.most };
    return z.object({ real: length(unit, bounds, 'A length above 0, such as 420 mm or 16 1/2 in.') });
  }, [unit, drawn]);
  const form = useKeptForm(`true-size-${panel.id}`, schema, { real: '' });
  if (pieces.some(isInHand))
    return <p className="text-[15px] text-risk">Glass is cut to this size already, so the size stays.</p>;
  if (!a || !b) return null;
  if (drawn < LEAST_DRAWN_MM) return <p>Both taps are on one spot; tap the two ends of a length that you know.</p>;
  return (
    <Form
      form={form}
      label="True size"
      className="grid gap-2"
      onSend={async ({ real }) => {
        if (await desk.edit({ kind: 'scale', factor: real / drawn }, 'True size set.')) form.forget();
      }}
    >
      <p>
        Drawn as <b>{showLength(drawn, unit, 1)}</b>.
      </p>
      <FormText name="real" label="It is really" />
      <Button look="go" type="submit" unless={desk.busy ? CHANGING : null}>
        Set the size
      </Button>
    </Form>
  );
}
