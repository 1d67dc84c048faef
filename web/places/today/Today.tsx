import { Link } from 'react-router';
import { unpackPieces } from '#contract';
import { waitOf } from '#core/words';
import { WaitList } from '../../labour/WaitList.tsx';
import { SmallPicture } from '../../panel/SmallPicture.tsx';
import { standingIn } from '../../panel/standing.ts';
import { usePanelsAtRest, useSettings, useSketches, useStudio, useToday, useWaits } from '../../state/studio.ts';
import { momentWords, weekdayWords } from '../../ui/dates.ts';
import { useMinute } from '../../ui/useMinute.ts';
import { FirstSteps } from './FirstSteps.tsx';
import { JobTag } from './JobTag.tsx';
import { RunningClock } from './RunningClock.tsx';
import { RunningShort } from './RunningShort.tsx';
import { useTitle } from '../../ui/useTitle.ts';

/** Tallest panel on the ledge, screen pixels. */
const TALLEST_PX = 306;
const WIDEST_MM_PX = 0.62;

/** The ledge: every panel in hand as it is now, all to one scale, by due date; under each what comes next. */
export function Today() {
  useTitle('Today');
  const { data: studio } = useStudio();
  const { data } = useToday();
  const waiting = useWaits().data?.waits ?? [];
  const settings = useSettings();
  const now = useMinute();
  const glances = (data?.jobs ?? []).flatMap((job) => job.panels);
  usePanelsAtRest(glances.map((g) => g.panel));
  const sketches = useSketches(glances.map((g) => g.panel.cartoonId));
  if (!studio || !data) return null;
  if (!studio.hasJobs) return <FirstSteps data={studio} />;
  const glasses = new Map(studio.glasses.map((g) => [g.id, g]));
  const tallest = Math.max(200, ...glances.map((g) => g.panel.heightMm));
  const pxPerMm = Math.min(WIDEST_MM_PX, TALLEST_PX / tallest);
  const sketchOf = new Map(glances.map((g, i) => [g.panel.id, sketches[i]]));
  const waits = glances.flatMap((glance) => {
    const panel = standingIn(studio, glance);
    const wait = waitOf(panel, now);
    return wait ? [{ panel, wait }] : [];
  });
  return (
    <main className="flex min-h-full flex-col bg-[linear-gradient(var(--wall-1),var(--wall-2)_430px,var(--top)_430px)]">
      <header className="flex items-start gap-4 px-10 pt-6 max-sm:px-4">
        <div>
          <h1 className="text-[28px]">{weekdayWords(now, settings.locale)}</h1>
          <p className="text-mute">{settings.studio}</p>
        </div>
        <div className="ml-auto flex items-end gap-6">
          <svg
            aria-label="200 mm at the scale of the ledge"
            role="img"
            width={200 * pxPerMm + 2}
            height="34"
            className="mt-1 text-mute max-sm:hidden"
          >
            <path d={`M1 22v8m0 -4h${200 * pxPerMm}m0 -4v8`} stroke="currentColor" fill="none" />
            <text x={100 * pxPerMm} y="16" textAnchor="middle" fontSize="13" fill="currentColor">
              200 mm
            </text>
          </svg>
          <Link
            to="/jobs?new=1"
            className="inline-flex min-h-11 items-center rounded-md bg-copper px-5 font-semibold whitespace-nowrap text-white"
          >
            New job
          </Link>
        </div>
      </header>
      <div className="overflow-x-auto px-10 max-sm:px-4" tabIndex={0} role="region" aria-label="The ledge">
        <ol className="relative flex w-max min-w-full gap-9">
          <li
            aria-hidden
            className="absolute -inset-x-10 top-[344px] h-3.5 bg-[linear-gradient(var(--ledge-1),var(--ledge-2)_30%,var(--ledge-3))] shadow-[0_4px_4px_var(--shade-2)] dark:brightness-75"
          />
          {data.jobs.map(({ commission, panels }) => (
            <li key={commission.id} className="flex flex-col">
              <div className="flex h-[344px] items-end gap-3.5">
                {panels.map(({ panel: p, pieces, ...rest }) => (
                  <Link
                    key={p.id}
                    to={`/panels/${p.id}/${p.cartoonId ? 'bench' : 'cartoon'}`}
                    aria-label={`${commission.title}, ${p.name}: to the bench`}
                    className="block"
                  >
                    <SmallPicture
                      panel={standingIn(studio, { panel: p, pieces, ...rest })}
                      pieces={pieces}
                      sketch={sketchOf.get(p.id)}
                      glasses={glasses}
                      pxPerMm={pxPerMm}
                    />
                  </Link>
                ))}
              </div>
              <JobTag
                commission={commission}
                panels={panels.map((glance) => ({
                  panel: standingIn(studio, glance),
                  pieces: unpackPieces(glance.pieces),
                }))}
                locale={settings.locale}
                now={now}
              />
            </li>
          ))}
          {data.jobs.length === 0 && <li className="py-28 text-mute">The ledge is empty: every job is delivered.</li>}
        </ol>
      </div>
      <section className="mx-10 mt-auto mb-6 grid grid-cols-3 gap-10 max-sm:mx-4 max-sm:grid-cols-1 max-sm:gap-5 border-t border-line pt-4 text-[15px]">
        <div>
          <h2 className="font-sans text-[15px] font-semibold text-mute">Setting</h2>
          {waits.map(({ panel, wait }) => (
            <p key={panel.id}>
              <b className="text-copper-ink">{wait.name}</b>, {panel.name} · till{' '}
              {momentWords(wait.until, settings.locale)}
            </p>
          ))}
          <WaitList waits={waiting} now={now} locale={settings.locale} />
          {waits.length + waiting.length === 0 && <p>Nothing has to set.</p>}
        </div>
        <div>
          <h2 className="font-sans text-[15px] font-semibold text-mute">Clocks</h2>
          {studio.clocks.map((h) => (
            <RunningClock
              key={h.id}
              entry={h}
              now={now}
              long={settings.longClockMin}
              person={studio.people.find((p) => p.id === h.personId)?.name ?? ''}
              panel={h.panelName ?? ''}
              locale={settings.locale}
            />
          ))}
          {studio.clocks.length === 0 && <p>No clock is running.</p>}
        </div>
        <div>
          <h2 className="font-sans text-[15px] font-semibold text-mute">Running short</h2>
          <RunningShort short={data.short} low={data.low} glasses={glasses} settings={settings} />
        </div>
      </section>
    </main>
  );
}
