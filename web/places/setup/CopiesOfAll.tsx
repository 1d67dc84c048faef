import { useRef, useState } from 'react';
import type { CopyLine } from '#contract';
import { count } from '#core/units';
import { useCopies } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { dayAndTime } from '../../ui/dates.ts';
import { Question } from '../../ui/Question.tsx';
import { useCopying } from './useCopying.ts';

const WHY: Readonly<Record<CopyLine['reason'], string>> = {
  daily: 'made by itself',
  asked: 'asked for',
  before: 'kept before another was put back',
  brought: 'brought from elsewhere',
};
/** So many are shown before all are asked for. */
const SHOWN = 5;

interface Asked {
  readonly name: string;
  readonly as: string;
}

/** The whole studio kept as files: made, taken away, brought and put back. */
export function CopiesOfAll({ locale }: { locale: string }) {
  const { data } = useCopies();
  const { doing, saveNow, bring, putBack } = useCopying();
  const [asked, setAsked] = useState<Asked | null>(null);
  const [isLong, setLong] = useState(false);
  const picker = useRef<HTMLInputElement>(null);
  if (!data) return null;
  const { yesterday, copies } = data;
  const shown = isLong ? copies : copies.slice(0, SHOWN);
  return (
    <section className="lg:col-span-2" aria-label="Copies">
      <h2 className="mb-1 text-xl">Copies</h2>
      <p className="max-w-prose text-mute">
        Once a day Nelvik keeps a copy of the whole studio by itself, drawings, hours and log too, and lets it go after{' '}
        {data.keptDays} days. Copies you ask for stay. All lie in <Place path={data.place} />, on the computer that
        Nelvik runs on: take one away to another disk now and then.
      </p>
      {data.problem && <p className="mt-2 font-semibold text-risk">{data.problem}</p>}
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <Button look="go" unless={doing} onClick={saveNow}>
          Save everything now
        </Button>
        {yesterday && (
          <Button
            unless={doing}
            onClick={() => setAsked({ name: yesterday.name, as: dayAndTime(yesterday.asOf, locale) })}
          >
            Put yesterday back …
          </Button>
        )}
        <Button unless={doing} onClick={() => picker.current?.click()}>
          Bring a copy …
        </Button>
        <input
          ref={picker}
          type="file"
          accept=".sqlite,.json"
          className="sr-only"
          aria-label="A copy or a readable text of a studio"
          tabIndex={-1}
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            if (file) bring(file);
            target.value = '';
          }}
        />
        <a
          href="/api/export"
          className="inline-flex min-h-11 items-center px-3 font-semibold underline underline-offset-4"
        >
          All of it as readable text
        </a>
        <span role="status" className="text-mute">
          {doing}
        </span>
      </div>
      <ul className="mt-3">
        {shown.map((copy) => (
          <li key={copy.name} className="flex min-h-14 items-center gap-4 border-t border-line">
            <span className="w-56 font-semibold">{dayAndTime(copy.at, locale)}</span>
            <span className="min-w-0 flex-1 text-mute">
              {WHY[copy.reason]}
              {copy.entries !== null && ` · ${count(copy.entries, 'step')}`} · {megabytes(copy.bytes)}
            </span>
            <a
              href={`/api/copies/${encodeURIComponent(copy.name)}`}
              className="inline-flex min-h-11 items-center px-1 font-semibold underline decoration-line decoration-2 underline-offset-4"
              aria-label={`Take away the copy of ${dayAndTime(copy.at, locale)}`}
            >
              Take away
            </a>
            <Button
              look="quiet"
              className="px-1"
              unless={doing}
              aria-label={`Put back the copy of ${dayAndTime(copy.at, locale)}`}
              onClick={() => setAsked({ name: copy.name, as: dayAndTime(copy.at, locale) })}
            >
              Put back …
            </Button>
          </li>
        ))}
        {copies.length === 0 && <li className="border-t border-line py-3 text-mute">There are none yet.</li>}
      </ul>
      {copies.length > SHOWN && (
        <Button look="quiet" className="px-1" onClick={() => setLong(!isLong)}>
          {isLong ? 'Only the newest' : `All ${copies.length}`}
        </Button>
      )}
      <Question
        title="Put this copy back?"
        yes="Put it back"
        no="Leave all as it is"
        open={asked !== null}
        onYes={() => {
          if (asked) putBack(asked.name);
          setAsked(null);
        }}
        onNo={() => setAsked(null)}
      >
        The studio will stand as it stood on {asked?.as}. What is there now, up to the last step, is kept as a copy
        first. All screens start afresh; what waits on a tablet and was done later is asked about there.
      </Question>
    </section>
  );
}

const Place = ({ path }: { path: string }) => <b className="font-semibold wrap-anywhere text-ink">{path}</b>;

const megabytes = (bytes: number): string =>
  bytes < 1e5 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
