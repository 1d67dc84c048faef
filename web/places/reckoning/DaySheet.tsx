import { addDays, format, parseISO } from 'date-fns';
import { Check as Tick, ChevronLeft, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import type { DayAnswer } from '#contract';
import { workWord, type Settings } from '#core/bench';
import { minutesOf } from '#core/labour';
import { showMinutes } from '#core/units';
import { useSend } from '../../state/send.ts';
import { useDays, useStudio } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { dayAndTime, timeOfDay } from '../../ui/dates.ts';
import { DayField } from '../../ui/DayField.tsx';
import { useMinute } from '../../ui/useMinute.ts';

/** A minute more or less is rounding, not a change. */
const SAME_MIN = 1;

/** The hours of one day, person by person, to be looked at and signed. */
export function DaySheet({ settings }: { settings: Settings }) {
  const now = useMinute();
  const [day, setDay] = useState(() => format(now, 'yyyy-MM-dd'));
  const from = parseISO(day).getTime();
  const to = addDays(parseISO(day), 1).getTime();
  const { data } = useDays(from, to, [day, day]);
  const { data: studio } = useStudio();
  const people = new Map((studio?.people ?? []).map((person) => [person.id, person]));
  const worked = [...new Set(data?.hours.map((entry) => entry.personId) ?? [])];
  const turn = (days: number) => setDay(format(addDays(parseISO(day), days), 'yyyy-MM-dd'));
  const isToday = to > now;
  return (
    <section aria-label="Day sheet">
      <div className="mb-3 flex flex-wrap items-end gap-2">
        <h2 className="mr-auto text-xl">Day sheet</h2>
        <Button className="w-11 px-0!" aria-label="The day before" onClick={() => turn(-1)}>
          <ChevronLeft aria-hidden size={20} />
        </Button>
        <div className="w-44">
          <DayField label="Day" value={day} locale={settings.locale} last={new Date(now)} onDay={setDay} />
        </div>
        <Button
          className="w-11 px-0!"
          aria-label="The day after"
          unless={isToday ? 'That day has not come yet.' : null}
          onClick={() => turn(1)}
        >
          <ChevronRight aria-hidden size={20} />
        </Button>
      </div>
      {data && worked.length === 0 && <p className="text-mute">Nobody’s hours are in the book for that day.</p>}
      <div className="grid gap-x-14 gap-y-5 lg:grid-cols-2">
        {worked.map((id) => (
          <OfOne
            key={id}
            name={people.get(id)?.name ?? 'Somebody'}
            personId={id}
            day={day}
            hours={data?.hours.filter((entry) => entry.personId === id) ?? []}
            sheet={data?.sheets.find((one) => one.personId === id)}
            signer={(by) => people.get(by)?.name ?? 'somebody'}
            settings={settings}
            now={now}
          />
        ))}
      </div>
    </section>
  );
}

function OfOne({
  name,
  personId,
  day,
  hours,
  sheet,
  signer,
  settings,
  now,
}: {
  name: string;
  personId: string;
  day: string;
  hours: DayAnswer['hours'];
  sheet: DayAnswer['sheets'][number] | undefined;
  signer: (id: string) => string;
  settings: Settings;
  now: number;
}) {
  const send = useSend();
  const minutes = Math.min(
    24 * 60,
    hours.reduce((sum, entry) => sum + minutesOf(entry, now), 0),
  );
  const isRunning = hours.some((entry) => entry.endedAt === null);
  const isChanged = sheet !== undefined && Math.abs(sheet.minutes - minutes) > SAME_MIN;
  const sign = () => send.command({ kind: 'sign-day', ask: { personId, day, minutes } }, 'Signed.');
  return (
    <article aria-label={name}>
      <h3 className="flex items-baseline gap-3 border-b border-line pb-1 text-[18px] font-semibold">
        {name}
        <span className="ml-auto tabular-nums">{showMinutes(minutes)}</span>
      </h3>
      <ul className="text-[15.5px]">
        {hours.map((entry) => (
          <li key={entry.id} className="flex gap-3 border-b border-line py-2">
            <span className="w-28 shrink-0 text-mute tabular-nums">
              {timeOfDay(entry.startedAt, settings.locale)}–
              {entry.endedAt === null ? 'now' : timeOfDay(entry.endedAt, settings.locale)}
            </span>
            <span className="min-w-0 flex-1">
              {workWord(entry.stage)}
              {entry.panelName !== null && ` · ${entry.panelName}`}
              {entry.note !== '' && <span className="text-mute"> · {entry.note}</span>}
            </span>
            <span className="tabular-nums">{showMinutes(minutesOf(entry, now))}</span>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        {sheet && !isChanged && (
          <p className="flex items-center gap-2 text-[15.5px]">
            <Tick aria-hidden size={18} className="text-good" />
            Signed{sheet.signedBy === null ? '' : ` by ${signer(sheet.signedBy)}`},{' '}
            {dayAndTime(sheet.signedAt, settings.locale, now)}.
          </p>
        )}
        {isChanged && (
          <p className="text-[15.5px] text-risk">Changed since it was signed: {showMinutes(sheet.minutes)} then.</p>
        )}
        {(!sheet || isChanged) && (
          <Button
            look="line"
            unless={isRunning ? 'A clock still runs; stop it first.' : null}
            aria-label={`Sign the hours of ${name}`}
            onClick={() => void sign()}
          >
            Looked at and right
          </Button>
        )}
      </div>
    </article>
  );
}
