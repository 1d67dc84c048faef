import { useMemo } from 'react';
import { useFormContext } from 'react-hook-form';
import { z } from 'zod';
import type { Settings } from '#core/bench';
import { isLimit, LIMIT_NAMES, LIMITS, limitsWith, type LimitName } from '#core/limits';
import { recordOf, trimNumber } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { Form } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';

const limitOf = (name: LimitName) => {
  const { least, most } = LIMITS[name];
  return z.string().transform((text, ctx): number => {
    const value = Number(text.trim().replace(',', '.'));
    if (text.trim() !== '' && isLimit(name, value)) return value;
    ctx.addIssue({ code: 'custom', message: `From ${inUnit(name, least)} to ${inUnit(name, most)}.` });
    return z.NEVER;
  });
};
const OWN_LIMITS = z.object(recordOf(LIMIT_NAMES, limitOf));

function inUnit(name: LimitName, n: number): string {
  const { unit } = LIMITS[name];
  const figure = trimNumber(n, 3);
  if (unit === 'ratio') return figure;
  return unit === '°' ? `${figure}°` : `${figure} ${unit}`;
}

/** What the studio judges and measures by: each with its unit and where the value comes from, to be set by the studio. */
export function OwnLimits({ settings }: { settings: Settings }) {
  const send = useSend();
  const start = useMemo(() => {
    const now = limitsWith(settings.limits);
    return recordOf(LIMIT_NAMES, (name) => trimNumber(now[name], 3));
  }, [settings.limits]);
  const form = useKeptForm('limits', OWN_LIMITS, start);
  return (
    <Form
      form={form}
      className="lg:col-span-2"
      label="Limits and measures"
      onSend={async (limits) => {
        const own = LIMIT_NAMES.filter((name) => limits[name] !== LIMITS[name].value);
        const ask = { limits: Object.fromEntries(own.map((name) => [name, limits[name]])) };
        if (await send.command({ kind: 'change-settings', ask }, 'Kept; drawings are judged by it from now on.'))
          form.forget(recordOf(LIMIT_NAMES, (name) => trimNumber(limits[name], 3)));
      }}
    >
      <h2 className="mb-1 text-xl">Limits and measures</h2>
      <p className="mb-3 max-w-prose text-mute">
        What drawings are judged by, and what new panels begin with. Set what your own glass, came and hand ask for.
      </p>
      <ul className="grid gap-x-14 lg:grid-cols-2">
        {LIMIT_NAMES.map((name) => (
          <LimitLine key={name} name={name} />
        ))}
      </ul>
      <div className="mt-4 flex gap-2">
        <Button look="go" type="submit">
          Keep these
        </Button>
        {form.formState.isDirty && <Button onClick={() => form.forget()}>Start afresh</Button>}
      </div>
    </Form>
  );
}

function LimitLine({ name }: { name: LimitName }) {
  // A field registers at each drawing: once its form starts afresh it is known by nothing else.
  'use no memo';
  const { register, getFieldState, formState } = useFormContext();
  const { words, unit, value, source } = LIMITS[name];
  const problem = getFieldState(name, formState).error?.message;
  return (
    <li className="border-t border-line py-2">
      <label className="flex min-h-11 items-center gap-4">
        <span className="flex-1 text-[15.5px]">
          {words}
          <span className={`block text-[14px] ${problem ? 'font-semibold text-risk' : 'text-mute'}`}>
            {problem ?? `${inUnit(name, value)} unless set otherwise, ${source}`}
          </span>
        </span>
        <input
          className="min-h-11 w-28 rounded-md border border-strong bg-raised px-3 text-right text-ink aria-invalid:border-risk"
          inputMode="decimal"
          aria-invalid={problem !== undefined}
          {...register(name)}
        />
        <span className="w-9 text-mute">{unit === 'ratio' ? '' : unit}</span>
      </label>
    </li>
  );
}
