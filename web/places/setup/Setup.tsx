import { useState } from 'react';
import { CURRENCIES, showMoney } from '#core/units';
import { useSend } from '../../state/send.ts';
import { useSettings, useStudio } from '../../state/studio.ts';
import { UndoButtons } from '../../history/UndoButtons.tsx';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { LOCALES } from '../../ui/locales.ts';
import { CopiesOfAll } from './CopiesOfAll.tsx';
import { OtherDevices } from './OtherDevices.tsx';
import { OwnLimits } from './OwnLimits.tsx';
import { PersonForm } from './PersonForm.tsx';
import { useTitle } from '../../ui/useTitle.ts';

/** What holds for the whole studio: name, units, money, people and their rates. */
export function Setup() {
  useTitle('Setup');
  const { data } = useStudio();
  const settings = useSettings();
  const send = useSend();
  const [studio, setStudio] = useState<string | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  if (!data) return null;
  const set = (ask: Partial<typeof settings>) => void send.command({ kind: 'change-settings', ask }, 'Kept.');
  return (
    <main className="mx-auto grid max-w-5xl gap-x-14 gap-y-8 px-10 py-6 lg:grid-cols-2">
      <header className="flex items-center lg:col-span-2">
        <h1 className="mr-auto text-[28px]">Setup</h1>
        <UndoButtons place="setup" />
      </header>
      <section className="flex flex-col gap-2" aria-label="Studio">
        <h2 className="text-xl">Studio</h2>
        <form
          className="grid grid-cols-[1fr_auto] items-start gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            set({ studio: (studio ?? settings.studio).trim() });
            setStudio(null);
          }}
        >
          <TextField label="Name" value={studio ?? settings.studio} onChange={(e) => setStudio(e.target.value)} />
          <Button type="submit" className="mt-[25px]" disabled={studio === null || studio.trim() === ''}>
            Keep
          </Button>
        </form>
        <ChoiceField
          label="Lengths"
          value={settings.unit}
          onChoice={(value) => set({ unit: value })}
          options={[
            { value: 'mm', text: 'millimetres' },
            { value: 'in', text: 'inches with fractions' },
          ]}
        />
        <ChoiceField
          label="Money"
          value={settings.currency}
          onChoice={(value) => set({ currency: value })}
          options={CURRENCIES.map((value) => ({ value, text: value }))}
        />
        <ChoiceField
          label="Dates and figures as in"
          value={settings.locale}
          onChoice={(value) => set({ locale: value })}
          options={LOCALES.map(({ code, country }) => ({ value: code, text: country }))}
        />
        <ChoiceField
          label="A clock is asked about after"
          value={String(settings.longClockMin)}
          onChoice={(value) => set({ longClockMin: Number(value) })}
          options={[120, 180, 240, 360, 480].map((m) => ({ value: String(m), text: `${m / 60} hours` }))}
        />
      </section>
      <section aria-label="People">
        <h2 className="mb-2 text-xl">People</h2>
        <ul>
          {data.people.map((p) => (
            <li key={p.id} className="flex min-h-14 items-center gap-4 border-t border-line">
              <span className="grid size-9 place-items-center rounded-full bg-soft font-head">{p.initial}</span>
              <span className="flex-1">
                {p.name}
                {!p.active && <span className="text-mute"> · not at work</span>}
              </span>
              <span className="text-mute">
                {showMoney(p.rateCentsPerHour, settings.currency, settings.locale)} an hour
              </span>
              <Button look="quiet" className="px-1" onClick={() => setEditing(p.id)}>
                Change
              </Button>
            </li>
          ))}
          {data.people.length === 0 && <li className="text-mute">Nobody is entered yet.</li>}
        </ul>
        <PersonForm
          key={editing ?? 'new'}
          entry={data.people.find((p) => p.id === editing)}
          currency={settings.currency}
          done={() => setEditing(null)}
        />
      </section>
      <OwnLimits settings={settings} />
      <CopiesOfAll locale={settings.locale} />
      <OtherDevices locale={settings.locale} />
    </main>
  );
}
