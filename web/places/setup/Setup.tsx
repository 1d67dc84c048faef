import { useState } from 'react';
import { showMoney } from '#core/units';
import { useSettings, useStudio } from '../../state/studio.ts';
import { UndoButtons } from '../../history/UndoButtons.tsx';
import { Button } from '../../ui/Button.tsx';
import { AwayMenu } from '../../history/AwayMenu.tsx';
import { BringBack } from './BringBack.tsx';
import { CopiesOfAll } from './CopiesOfAll.tsx';
import { OtherDevices } from './OtherDevices.tsx';
import { Devices } from './devices/Devices.tsx';
import { OwnReasons } from './OwnReasons.tsx';
import { OwnLimits } from './OwnLimits.tsx';
import { PersonForm } from './PersonForm.tsx';
import { Routes } from './routes/Routes.tsx';
import { StudioForm } from './StudioForm.tsx';
import { useTitle } from '../../ui/useTitle.ts';

/** What holds for the whole studio: name, units, money, people and their rates. */
export function Setup() {
  useTitle('Setup');
  const { data } = useStudio();
  const settings = useSettings();
  const [editing, setEditing] = useState<string | null>(null);
  if (!data) return null;
  const people = data.people.filter((p) => p.away === null);
  return (
    <main className="mx-auto grid max-w-5xl gap-x-14 gap-y-8 px-10 py-6 max-sm:px-4 lg:grid-cols-2">
      <header className="flex items-center lg:col-span-2">
        <h1 className="mr-auto text-[28px]">Setup</h1>
        <UndoButtons place="setup" />
      </header>
      <StudioForm
        settings={settings}
        hasPrices={data.people.some((p) => p.rateCentsPerHour > 0) || data.glasses.some((g) => g.priceCentsPerM2 > 0)}
      />
      <section aria-label="People">
        <h2 className="mb-2 text-xl">People</h2>
        <ul>
          {people.map((p) => (
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
              <AwayMenu
                of={{ table: 'people', id: p.id, name: p.name }}
                mayArchive={false}
                onGone={() => setEditing(null)}
              />
            </li>
          ))}
          {people.length === 0 && <li className="text-mute">Nobody is entered yet.</li>}
        </ul>
        <PersonForm
          key={editing ?? 'new'}
          entry={people.find((p) => p.id === editing)}
          currency={settings.currency}
          done={() => setEditing(null)}
        />
      </section>
      <Routes />
      <OwnReasons settings={settings} />
      <OwnLimits settings={settings} />
      <BringBack locale={settings.locale} />
      <CopiesOfAll locale={settings.locale} />
      <OtherDevices locale={settings.locale} />
      <Devices locale={settings.locale} />
    </main>
  );
}
