import { format } from 'date-fns';
import { useMemo } from 'react';
import { workWord, type Hours, type Settings, type Studio } from '#core/bench';
import { costOf, minutesOf } from '#core/labour';
import { showMoney } from '#core/units';
import { dateWords } from '../ui/dates.ts';
import { Table, type Column } from '../ui/Table.tsx';
import { useMinute } from '../ui/useMinute.ts';

type Entry = Hours & { readonly id: string };
const dayOf = ({ startedAt }: Entry): string => format(startedAt, 'yyyy-MM-dd');

/** Every entry with its times and its money, to be sorted, copied, or saved for whoever does the books. */
export function HoursTable({
  hours,
  reader,
  settings: { currency, locale },
}: {
  hours: readonly Entry[];
  reader: Studio;
  settings: Settings;
}) {
  const now = useMinute();
  const columns = useMemo(
    (): Column<Entry>[] => [
      { id: 'day', head: 'Day', value: dayOf, show: (h) => dateWords(dayOf(h), locale) },
      { id: 'from', head: 'From', value: (h) => format(h.startedAt, 'HH:mm') },
      { id: 'to', head: 'To', value: (h) => (h.endedAt === null ? '' : format(h.endedAt, 'HH:mm')) },
      { id: 'minutes', head: 'Minutes', value: (h) => Math.round(minutesOf(h, now)), isNumber: true },
      { id: 'work', head: 'Work', value: (h) => workWord(h.stage) },
      { id: 'person', head: 'Person', value: (h) => reader.get('people', h.personId)?.name ?? '' },
      {
        id: 'money',
        head: 'Money',
        value: (h) => costOf(h, now) / 100,
        show: (h) => showMoney(costOf(h, now), currency, locale),
        isNumber: true,
      },
      { id: 'note', head: 'Note', value: (h) => h.note },
    ],
    [reader, currency, locale, now],
  );
  return (
    <div className="flex h-96 flex-col">
      <Table
        name="Hours"
        rows={[...hours].sort((a, b) => b.startedAt - a.startedAt)}
        columns={columns}
        idOf={(h) => h.id}
        empty="No entry is called so."
      />
    </div>
  );
}
