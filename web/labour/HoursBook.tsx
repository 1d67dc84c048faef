import { useState } from 'react';
import { workWord, type Hours, type Settings, type Studio } from '#core/bench';
import { minutesOf } from '#core/labour';
import { showMinutes } from '#core/units';
import { useSend } from '../state/send.ts';
import { Button } from '../ui/Button.tsx';
import { momentWords } from '../ui/dates.ts';
import { Fold } from '../ui/Fold.tsx';
import { HoursForm } from './HoursForm.tsx';
import { HoursTable } from './HoursTable.tsx';

interface HoursBookProps {
  readonly hours: readonly (Hours & { id: string })[];
  readonly panelId: string;
  readonly reader: Studio;
  readonly settings: Settings;
}

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
              unless={h.endedAt === null ? 'It is still running: stop the clock first.' : null}
              onClick={() => setEditing(h.id)}
            >
              Correct
            </Button>
            <Button
              look="quiet"
              className="px-1.5 text-[15px] font-normal"
              onClick={() =>
                void send.command({ kind: 'remove-hours', ask: { entryId: h.id } }, 'Taken out; undo brings it back.')
              }
            >
              Take out
            </Button>
          </li>
        ))}
      </ul>
      {list.length > 0 && (
        <Fold title="As a table, and as CSV">
          <HoursTable hours={list} reader={reader} settings={settings} />
        </Fold>
      )}
    </section>
  );
}
