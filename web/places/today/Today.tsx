import { useState } from 'react';
import { Link } from 'react-router';
import { minutesOf } from '#core/labour';
import { priceOfArea, showArea, showClock, showMoney } from '#core/units';
import { nextThing, waitOf, WORK_WORDS } from '#core/words';
import { SmallPicture } from '../../panel/SmallPicture.tsx';
import { useSend } from '../../state/send.ts';
import { useCartoons, usePanels, useReader, useSettings, useStudio, type PieceRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { dateWords, daysUntil, momentWords } from '../../ui/dates.ts';
import { FirstSteps } from './FirstSteps.tsx';
import { useMinute } from '../../ui/useMinute.ts';

/** Tallest panel on the ledge, screen pixels. */
const TALLEST_PX = 306;
const WIDEST_MM_PX = 0.62;

/** The ledge: every panel in hand as it is now, all to one scale, by due date; under each what comes next. */
export function Today() {
  const { data } = useStudio();
  const reader = useReader(data);
  const settings = useSettings();
  const now = useMinute();
  const live = (data?.panels ?? []).filter((p) => p.steps.deliver === undefined);
  const answers = usePanels(live.map((p) => p.id));
  const cartoons = useCartoons(live.map((p) => p.cartoonId));
  if (!data) return null;
  if (data.commissions.length === 0) return <FirstSteps data={data} />;
  const glasses = new Map(data.glasses.map((g) => [g.id, g]));
  const tallest = Math.max(200, ...live.map((p) => p.heightMm));
  const pxPerMm = Math.min(WIDEST_MM_PX, TALLEST_PX / tallest);
  const jobs = data.commissions
    .map((c) => ({ commission: c, panels: live.filter((p) => p.commissionId === c.id) }))
    .filter((j) => j.panels.length > 0)
    .sort((a, b) => (a.commission.due ?? '9').localeCompare(b.commission.due ?? '9'));
  const answerOf = new Map(live.map((p, i) => [p.id, { answer: answers[i], cartoon: cartoons[i] }]));
  const waits = live.flatMap((panel) => {
    const wait = waitOf(panel, now);
    return wait ? [{ panel, wait }] : [];
  });
  const clocks = data.hours.filter((h) => h.endedAt === null);
  return (
    <main className="flex min-h-full flex-col bg-[linear-gradient(var(--wall-1),var(--wall-2)_430px,var(--top)_430px)]">
      <header className="flex items-start gap-4 px-10 pt-6">
        <div>
          <h1 className="text-[28px]">
            {new Date(now).toLocaleDateString(settings.locale, { weekday: 'long', day: 'numeric', month: 'long' })}
          </h1>
          <p className="text-mute">{settings.studio}</p>
        </div>
        <div className="ml-auto flex items-end gap-6">
          <svg
            aria-label="200 mm at the scale of the ledge"
            role="img"
            width={200 * pxPerMm + 2}
            height="34"
            className="mt-1 text-mute"
          >
            <path d={`M1 22v8m0 -4h${200 * pxPerMm}m0 -4v8`} stroke="currentColor" fill="none" />
            <text x={100 * pxPerMm} y="16" textAnchor="middle" fontSize="13" fill="currentColor">
              200 mm
            </text>
          </svg>
          <Link
            to="/commissions?new=1"
            className="inline-flex min-h-11 items-center rounded-md bg-copper px-5 font-semibold text-white"
          >
            New job
          </Link>
        </div>
      </header>
      <div className="overflow-x-auto px-10" tabIndex={0} role="region" aria-label="The ledge">
        <ol className="relative flex w-max min-w-full gap-9">
          <li
            aria-hidden
            className="absolute -inset-x-10 top-[344px] h-3.5 bg-[linear-gradient(#d9cfc0,#c6b8a3_30%,#a8977f)] shadow-[0_4px_4px_#0002] dark:brightness-75"
          />
          {jobs.map(({ commission, panels }) => (
            <li key={commission.id} className="flex flex-col">
              <div className="flex h-[344px] items-end gap-3.5">
                {panels.map((p) => (
                  <Link
                    key={p.id}
                    to={`/panels/${p.id}/${p.cartoonId ? 'bench' : 'cartoon'}`}
                    aria-label={`${commission.title}, ${p.name}: to the bench`}
                    className="block"
                  >
                    <SmallPicture
                      panel={p}
                      glasses={glasses}
                      pxPerMm={pxPerMm}
                      answer={answerOf.get(p.id)?.answer}
                      cartoon={answerOf.get(p.id)?.cartoon}
                    />
                  </Link>
                ))}
              </div>
              <Tag
                commission={commission}
                panels={panels}
                pieces={panels.map((p) => answerOf.get(p.id)?.answer?.pieces ?? [])}
                locale={settings.locale}
                now={now}
              />
            </li>
          ))}
          {jobs.length === 0 && <li className="py-28 text-mute">The ledge is empty: every job is delivered.</li>}
        </ol>
      </div>
      <section className="mx-10 mt-auto mb-6 grid grid-cols-3 gap-10 border-t border-line pt-4 text-[15px]">
        <div>
          <h2 className="font-sans text-[15px] font-semibold text-mute">Setting</h2>
          {waits.map(({ panel, wait }) => (
            <p key={panel.id}>
              <b className="text-copper-ink">{wait.step}</b>, {panel.name} · till{' '}
              {momentWords(wait.until, settings.locale)}
            </p>
          ))}
          {waits.length === 0 && <p>Nothing has to set.</p>}
        </div>
        <div>
          <h2 className="font-sans text-[15px] font-semibold text-mute">Clocks</h2>
          {clocks.map((h) => (
            <Clock
              key={h.id}
              entry={h}
              now={now}
              long={settings.longClockMin}
              person={reader.get('people', h.personId)?.name ?? ''}
              panel={h.panelId ? (reader.get('panels', h.panelId)?.name ?? '') : ''}
              locale={settings.locale}
            />
          ))}
          {clocks.length === 0 && <p>No clock is running.</p>}
        </div>
        <div>
          <h2 className="font-sans text-[15px] font-semibold text-mute">Running short</h2>
          <Short pieces={answers.flatMap((a) => a?.pieces ?? [])} data={data} settings={settings} />
        </div>
      </section>
    </main>
  );
}

type Data = NonNullable<ReturnType<typeof useStudio>['data']>;

function Tag({
  commission,
  panels,
  pieces,
  locale,
  now,
}: {
  commission: Data['commissions'][number];
  panels: Data['panels'];
  pieces: readonly (readonly PieceRow[])[];
  locale: string;
  now: number;
}) {
  const next = panels
    .map((p, i) => ({ panel: p, thing: nextThing(p, pieces[i] ?? []) }))
    .filter(({ thing }, i) => thing.kind !== 'done' && (pieces[i]?.length ?? 0) + (panels[i]?.cartoonId ? 0 : 1) > 0);
  const waiting = (panel: Data['panels'][number]) => {
    const wait = waitOf(panel, now);
    return wait && `The ${wait.step} sets till ${momentWords(wait.until, locale)}.`;
  };
  const days = commission.due ? daysUntil(commission.due) : null;
  return (
    <div className="max-w-[290px] min-w-[190px] pt-9 text-[15px]">
      <h2 className="mb-1 text-[17px]">
        <Link to={`/commissions/${commission.id}`}>{commission.title}</Link>
      </h2>
      {next.slice(0, 3).map(({ panel, thing }) => (
        <p key={panel.id}>
          {panels.length > 1 && `${panel.name}: `}
          {waiting(panel) ?? (
            <>
              {thing.before}
              <b className="text-copper-ink">{thing.strong}</b>
              {thing.after}
            </>
          )}
        </p>
      ))}
      {commission.due && (
        <p className={`mt-1 ${days !== null && days < 0 ? 'font-semibold text-risk' : 'text-mute'}`}>
          for {dateWords(commission.due, locale)}
          {days !== null &&
            (days < 0
              ? `, ${-days} ${days === -1 ? 'day' : 'days'} ago`
              : days === 0
                ? ', today'
                : days <= 14
                  ? `, in ${days} ${days === 1 ? 'day' : 'days'}`
                  : '')}
        </p>
      )}
    </div>
  );
}

function Clock({
  entry,
  now,
  long,
  person,
  panel,
  locale,
}: {
  entry: Data['hours'][number];
  now: number;
  long: number;
  person: string;
  panel: string;
  locale: string;
}) {
  const send = useSend();
  const minutes = minutesOf(entry, now);
  const forgotten = minutes > long;
  const [back, setBack] = useState(false);
  return (
    <div className="flex flex-wrap items-center gap-x-3 py-1">
      <p>
        <b className="text-copper-ink">
          {person}, {WORK_WORDS[entry.stage].toLowerCase()}
        </b>{' '}
        {panel} · {showClock(minutes)}
      </p>
      <Button
        look="quiet"
        className="px-1"
        onClick={() => void send.command({ kind: 'clock-stop', ask: { personId: entry.personId, endedAt: null } })}
      >
        Stop
      </Button>
      {forgotten && (
        <p className="w-full text-risk">
          Since {momentWords(entry.startedAt, locale)}: was it forgotten?{' '}
          {back ? (
            [30, 60, 120, 240].map((m) => (
              <Button
                key={m}
                look="quiet"
                className="px-1.5"
                onClick={() =>
                  void send.command(
                    { kind: 'clock-stop', ask: { personId: entry.personId, endedAt: entry.startedAt + m * 60_000 } },
                    `Cut back to ${showClock(m)}.`,
                  )
                }
              >
                {showClock(m)}
              </Button>
            ))
          ) : (
            <Button look="quiet" className="px-1" onClick={() => setBack(true)}>
              Cut it back to …
            </Button>
          )}
        </p>
      )}
    </div>
  );
}

/** Glass that the pieces still to cut need more of than the rack holds. */
function Short({
  pieces,
  data,
  settings,
}: {
  pieces: readonly PieceRow[];
  data: Data;
  settings: ReturnType<typeof useSettings>;
}) {
  const short = data.glasses.flatMap((glass) => {
    const need = pieces
      .filter((p) => p.glassId === glass.id && p.stage === 'to-cut')
      .reduce((sum, p) => sum + p.areaMm2, 0);
    const have = data.stock
      .filter((s) => s.glassId === glass.id && s.gone === null)
      .reduce((sum, s) => sum + s.areaMm2, 0);
    return need > have ? [{ glass, missing: need - have }] : [];
  });
  if (short.length === 0) return <p>The rack holds the glass of every piece still to cut.</p>;
  return (
    <>
      {short.map(({ glass, missing }) => (
        <p key={glass.id}>
          <b>{glass.code}</b> {glass.name}: {showArea(missing, settings.unit)} short, before waste{' '}
          <span className="text-mute">
            (about {showMoney(priceOfArea(missing, glass.priceCentsPerM2), settings.currency, settings.locale)})
          </span>
        </p>
      ))}
    </>
  );
}
