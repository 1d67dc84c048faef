import type { AwayAnswer } from '#contract';
import { BringBackButton } from '../../history/BringBackButton.tsx';
import { useSend } from '../../state/send.ts';
import { useAway } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { momentWords } from '../../ui/dates.ts';

const CALLED: Readonly<Record<AwayAnswer['items'][number]['table'], string>> = {
  commissions: 'Job',
  panels: 'Panel',
  glasses: 'Glass',
  supplies: 'Supply',
  people: 'Person',
};

/** What was deleted in the last thirty days, and what is archived apart from jobs: each can come back. */
export function BringBack({ locale }: { locale: string }) {
  const { data } = useAway();
  const send = useSend();
  if (!data) return null;
  return (
    <section aria-label="Archived and deleted" className="lg:col-span-2">
      <h2 className="mb-1 text-xl">Archived and deleted</h2>
      <p className="mb-2 max-w-prose text-[15px] text-mute">
        What was deleted stands here for thirty days. Archived jobs are under Jobs, archived panels under their job.
      </p>
      <ul>
        {data.items.map((item) => (
          <Line
            key={`${item.table} ${item.id}`}
            what={CALLED[item.table]}
            name={item.more ? `${item.name}, ${item.more}` : item.name}
            when={`${item.as} ${momentWords(item.at, locale)}`}
          >
            <BringBackButton of={item} />
          </Line>
        ))}
        {data.sheets.map(({ entry, at, words }) => (
          <Line key={entry} what="Sheet" name={words} when={momentWords(at, locale)}>
            <Button look="line" aria-label={`Bring back: ${words}`} onClick={() => void send.putEntryBack(entry)}>
              Bring back
            </Button>
          </Line>
        ))}
        {data.items.length + data.sheets.length === 0 && (
          <li className="border-t border-line py-3 text-mute">Nothing was deleted or archived.</li>
        )}
      </ul>
    </section>
  );
}

function Line({ what, name, when, children }: { what: string; name: string; when: string; children: React.ReactNode }) {
  return (
    <li className="flex min-h-14 flex-wrap items-center gap-x-4 border-t border-line py-1">
      <span className="w-16 text-mute">{what}</span>
      <span className="min-w-0 flex-1">{name}</span>
      <span className="text-[15px] text-mute">{when}</span>
      {children}
    </li>
  );
}
