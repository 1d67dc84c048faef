import { format } from 'date-fns';
import { useState } from 'react';
import { WORK_STAGES, workWord, type Hours, type Settings, type Studio, type WorkStage } from '#core/bench';
import { minutesOf } from '#core/labour';
import { readMinutes, showMinutes } from '#core/units';
import { useBench } from '../state/bench.ts';
import { useSend } from '../state/send.ts';
import { Button } from '../ui/Button.tsx';
import { momentWords } from '../ui/dates.ts';
import { ChoiceField } from '../ui/Choice.tsx';
import { DayField } from '../ui/DayField.tsx';
import { TextField } from '../ui/Field.tsx';

interface HoursBookProps {
  readonly hours: readonly (Hours & { id: string })[];
  readonly panelId: string;
  readonly reader: Studio;
  readonly settings: Settings;
}

const day = (at: number) => format(at, 'yyyy-MM-dd');

/** Every entry of hours, newest first; one form adds by hand and corrects. */
export function HoursBook({ hours, panelId, reader, settings }: HoursBookProps) {
  const send = useSend();
  const [editing, setEditing] = useState<string | null>(null);
  const list = [...hours].sort((a, b) => b.startedAt - a.startedAt);
  const edited = list.find((h) => h.id === editing);
  return (
    <section aria-label="Hours">
      <h2 className="mb-2 text-xl">Hours</h2>
      <HoursForm
        key={editing ?? 'new'}
        entry={edited}
        panelId={panelId}
        reader={reader}
        locale={settings.locale}
        done={() => setEditing(null)}
      />
      <ul className="mt-4 text-[15px]">
        {list.map((h) => (
          <li key={h.id} className="flex min-h-12 items-center gap-3 border-t border-line">
            <span className="w-28 shrink-0 text-mute">{momentWords(h.startedAt, settings.locale)}</span>
            <span className="min-w-0 flex-1">
              {workWord(h.stage)} · {reader.get('people', h.personId)?.name}
              {h.note && ` · ${h.note}`}
              {h.endedAt === null && <b className="text-copper-ink"> · running</b>}
            </span>
            <span>{showMinutes(minutesOf(h, Date.now()))}</span>
            <Button
              look="quiet"
              className="px-1.5 text-[15px] font-normal"
              disabled={h.endedAt === null}
              onClick={() => setEditing(h.id)}
            >
              Correct
            </Button>
            <Button
              look="quiet"
              className="px-1.5 text-[15px] font-normal"
              onClick={() =>
                void send.command(
                  { kind: 'remove-hours', ask: { entryId: h.id } },
                  'Taken out; undo on the bench brings it back.',
                )
              }
            >
              Take out
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function HoursForm({
  entry,
  panelId,
  reader,
  locale,
  done,
}: {
  entry: (Hours & { id: string }) | undefined;
  panelId: string;
  reader: Studio;
  locale: string;
  done: () => void;
}) {
  const here = useBench((s) => s.personId);
  const people = [...reader.all('people')];
  const send = useSend();
  const [personId, setPersonId] = useState(entry?.personId ?? here ?? people[0]?.id ?? '');
  const [stage, setStage] = useState<WorkStage>(entry?.stage ?? 'cutting');
  const [date, setDate] = useState(day(entry?.startedAt ?? Date.now()));
  const [time, setTime] = useState(entry ? showMinutes(minutesOf(entry, Date.now())) : '');
  const minutes = readMinutes(time);
  const problem =
    time !== '' && (minutes === null || minutes <= 0 || minutes > 1440) ? 'A time such as 45 min or 1:30.' : null;
  if (people.length === 0) return <p className="text-mute">Enter people under Setup first.</p>;
  const keep = async () => {
    const at = entry && date === day(entry.startedAt) ? entry.startedAt : new Date(`${date}T09:00:00`).getTime();
    const length = (minutes ?? 0) * 60_000;
    const startedAt = Math.min(at, Date.now() - length);
    const ask = {
      id: entry?.id ?? crypto.randomUUID(),
      personId,
      panelId,
      stage,
      startedAt,
      endedAt: startedAt + length,
      note: entry?.note ?? '',
    };
    if (await send.command({ kind: 'enter-hours', ask }, entry ? 'Corrected.' : 'Entered.')) {
      setTime('');
      done();
    }
  };
  return (
    <form
      className="grid grid-cols-2 gap-x-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
      aria-label={entry ? 'Correct an entry' : 'Enter hours by hand'}
    >
      <ChoiceField
        label="Who"
        value={personId}
        onChoice={setPersonId}
        options={people.map((p) => ({ value: p.id, text: p.name }))}
      />
      <ChoiceField
        label="Work"
        value={stage}
        onChoice={setStage}
        options={WORK_STAGES.map((value) => ({ value, text: workWord(value) }))}
      />
      <DayField label="Day" value={date} locale={locale} last={new Date()} onDay={setDate} />
      <TextField
        label="How long"
        value={time}
        onChange={(e) => setTime(e.target.value)}
        placeholder="1:30"
        problem={problem}
      />
      <Button look="go" type="submit" disabled={minutes === null || problem !== null || date === ''}>
        {entry ? 'Correct it' : 'Enter'}
      </Button>
      {entry && <Button onClick={done}>Leave it</Button>}
    </form>
  );
}
