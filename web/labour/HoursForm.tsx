import { format } from 'date-fns';
import { useState } from 'react';
import { WORK_STAGES, workWord, type Hours, type Studio, type WorkStage } from '#core/bench';
import { minutesOf } from '#core/labour';
import { readMinutes, showMinutes } from '#core/units';
import { useBench } from '../state/bench.ts';
import { useSend } from '../state/send.ts';
import { Button } from '../ui/Button.tsx';
import { ChoiceField } from '../ui/Choice.tsx';
import { DayField } from '../ui/DayField.tsx';
import { TextField } from '../ui/Field.tsx';
import { newId } from '../state/ids.ts';

const day = (at: number) => format(at, 'yyyy-MM-dd');

/** Hours entered by hand, or an entry corrected. */
export function HoursForm({
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
      id: entry?.id ?? newId(),
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
