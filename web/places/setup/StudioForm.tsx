import { useState } from 'react';
import { z } from 'zod';
import type { Settings } from '#core/bench';
import { CURRENCIES, type Currency } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { wanted } from '../../ui/form/fields.ts';
import { Form, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';
import { LOCALES } from '../../ui/locales.ts';
import { Question } from '../../ui/Question.tsx';

const STUDIO = z.object({ studio: wanted('The studio has a name.') });

/** Name, units, money, dates, and when a clock is asked about. */
export function StudioForm({ settings, hasPrices }: { settings: Settings; hasPrices: boolean }) {
  const send = useSend();
  const form = useKeptForm('studio', STUDIO, { studio: settings.studio });
  const [currency, setCurrency] = useState<Currency | null>(null);
  const set = (ask: Partial<Settings>) => send.command({ kind: 'change-settings', ask }, 'Kept.');
  return (
    <section className="flex flex-col gap-2" aria-label="Studio">
      <h2 className="text-xl">Studio</h2>
      <Form
        form={form}
        label="Name of the studio"
        className="grid grid-cols-[1fr_auto] items-start gap-2"
        onSend={async (said) => {
          if (said.studio === settings.studio || (await set(said))) form.forget(said);
        }}
      >
        <FormText name="studio" label="Name" />
        <Button type="submit" className="mt-[25px]">
          Keep
        </Button>
      </Form>
      <ChoiceField
        label="Lengths"
        value={settings.unit}
        onChoice={(unit) => void set({ unit })}
        options={[
          { value: 'mm', text: 'millimetres' },
          { value: 'in', text: 'inches with fractions' },
        ]}
      />
      <ChoiceField
        label="Money"
        value={settings.currency}
        onChoice={(value) => (hasPrices ? setCurrency(value) : void set({ currency: value }))}
        options={CURRENCIES.map((value) => ({ value, text: value }))}
      />
      <ChoiceField
        label="Dates and figures as in"
        value={settings.locale}
        onChoice={(locale) => void set({ locale })}
        options={LOCALES.map(({ code, country }) => ({ value: code, text: country }))}
      />
      <ChoiceField
        label="A clock is asked about after"
        value={String(settings.longClockMin)}
        onChoice={(value) => void set({ longClockMin: Number(value) })}
        options={[120, 180, 240, 360, 480].map((m) => ({ value: String(m), text: `${m / 60} hours` }))}
      />
      <Question
        title={currency === null ? '' : `Reckon in ${currency}?`}
        yes={`In ${currency ?? ''}`}
        no={`Stay with ${settings.currency}`}
        open={currency !== null && currency !== settings.currency}
        onNo={() => setCurrency(null)}
        onYes={() => {
          if (currency) void set({ currency });
          setCurrency(null);
        }}
      >
        No figure is exchanged: hourly rates, prices of glass and what was reckoned keep their numbers and are read as{' '}
        {currency ?? ''} from now on. Go over the rates of your people and the prices on the rack afterwards.
      </Question>
    </section>
  );
}
