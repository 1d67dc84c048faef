import { format } from 'date-fns';
import { z } from 'zod';
import { WORK_STAGES, workWord, type Hours, type Studio } from '#core/bench';
import { minutesOf } from '#core/labour';
import { MS_PER_MINUTE, readMinutes, showMinutes } from '#core/units';
import { useBench } from '../state/bench.ts';
import { useSend } from '../state/send.ts';
import { newId } from '../state/ids.ts';
import { Button } from '../ui/Button.tsx';
import { Form, FormChoice, FormDay, FormText } from '../ui/form/Form.tsx';
import { useKeptForm } from '../ui/form/useKeptForm.ts';

const dayOf = (at: number): string => format(at, 'yyyy-MM-dd');

/** Nobody works longer than a day in one go. */
const MOST_MIN = 1440;
/** An entry by hand without a time of day begins at nine. */
const BEGINS_AT = 'T09:00:00';

const ENTRY = z.object({
  personId: z.string().min(1, 'Say who worked.'),
  stage: z.enum(WORK_STAGES),
  day: z.string().min(1, 'Say on which day.'),
  time: z.string().transform((text, ctx): number => {
    const minutes = readMinutes(text);
    if (minutes !== null && minutes > 0 && minutes <= MOST_MIN) return minutes;
    ctx.addIssue({ code: 'custom', message: 'A time such as 45 min or 1:30.' });
    return z.NEVER;
  }),
});

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
  const people = [...reader.all('people')].filter((p) => p.away === null || p.id === entry?.personId);
  const send = useSend();
  const form = useKeptForm(`hours-${entry?.id ?? panelId}`, ENTRY, {
    personId: entry?.personId ?? here ?? people[0]?.id ?? '',
    stage: entry?.stage ?? 'cutting',
    day: dayOf(entry?.startedAt ?? Date.now()),
    time: entry ? showMinutes(minutesOf(entry, Date.now())) : '',
  });
  if (people.length === 0) return <p className="text-mute">Enter people under Setup first.</p>;
  return (
    <Form
      form={form}
      className="grid grid-cols-2 gap-x-2"
      label={entry ? 'Correct an entry' : 'Enter hours by hand'}
      onSend={async ({ personId, stage, day, time }) => {
        const at = entry && day === dayOf(entry.startedAt) ? entry.startedAt : new Date(`${day}${BEGINS_AT}`).getTime();
        const length = time * MS_PER_MINUTE;
        const startedAt = Math.min(at, Date.now() - length);
        const id = entry?.id ?? newId();
        const ask = { id, personId, panelId, stage, startedAt, endedAt: startedAt + length, note: entry?.note ?? '' };
        if (!(await send.command({ kind: 'enter-hours', ask }, entry ? 'Corrected.' : 'Entered.'))) return;
        form.forget();
        done();
      }}
    >
      <FormChoice name="personId" label="Who" options={people.map((p) => ({ value: p.id, text: p.name }))} />
      <FormChoice name="stage" label="Work" options={WORK_STAGES.map((value) => ({ value, text: workWord(value) }))} />
      <FormDay name="day" label="Day" locale={locale} last={new Date()} />
      <FormText name="time" label="How long" placeholder="1:30" />
      <Button look="go" type="submit">
        {entry ? 'Correct it' : 'Enter'}
      </Button>
      {entry && <Button onClick={done}>Leave it</Button>}
    </Form>
  );
}
