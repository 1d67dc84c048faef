import { Link, useNavigate, useSearchParams } from 'react-router';
import { progressOf } from '#core/words';
import type { JobLine } from '#contract';
import { routeIn } from '../../panel/standing.ts';
import { useJobs, useSettings, useStudio } from '../../state/studio.ts';
import { dateWords, daysUntil } from '../../ui/dates.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { CommissionForm } from './CommissionForm.tsx';
import { useTitle } from '../../ui/useTitle.ts';

/** Every commission by due date, those in hand first; how far each is, drawn as a came that fills with solder. */
export function CommissionList() {
  useTitle('Jobs');
  const { data: studio } = useStudio();
  const { data, hasNextPage, fetchNextPage, isFetchingNextPage } = useJobs();
  const settings = useSettings();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  if (!studio || !data) return null;
  const open = data.pages.flatMap((page) => page.inHand);
  const past = data.pages.flatMap((page) => page.past);
  const line = ({ commission, panels: own }: JobLine) => {
    const done = !commission.inHand;
    const pieces = own.reduce((sum, { panel }) => sum + panel.pieceCount, 0);
    const share =
      own.length === 0
        ? 0
        : own.reduce(
            (sum, { panel, steps }) => sum + progressOf({ ...panel, steps, route: routeIn(studio, panel.routeId) }),
            0,
          ) / own.length;
    const days = commission.due ? daysUntil(commission.due) : null;
    return (
      <li key={commission.id}>
        <Link
          to={`/jobs/${commission.id}`}
          className="grid min-h-20 grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)_160px] items-center gap-8 border-t border-line py-3 hover:bg-soft"
        >
          <span>
            <span className="block font-head text-[19px]">{commission.title}</span>
            <span className="text-mute">{commission.client || 'no client entered'}</span>
          </span>
          <span>
            <span aria-hidden className="relative block h-[7px] bg-soft">
              <i
                className="absolute inset-y-0 left-0 bg-[linear-gradient(var(--solder),var(--bright)_40%,var(--solder))]"
                style={{ width: `${100 * share}%` }}
              />
            </span>
            <span className="mt-1.5 block text-[15px] text-mute">
              {own.length === 0
                ? 'no panel yet'
                : `${own.length === 1 ? 'one panel' : `${own.length} panels`}, ${pieces} pieces · ${done ? 'delivered' : `${Math.round(100 * share)} % of the way`}`}
            </span>
          </span>
          <span className={`text-right ${!done && days !== null && days < 0 ? 'font-semibold text-risk' : ''}`}>
            {commission.due ? dateWords(commission.due, settings.locale) : 'no date'}
          </span>
        </Link>
      </li>
    );
  };
  return (
    <main className="mx-auto max-w-5xl px-10 py-6">
      <header className="mb-4 flex items-center">
        <h1 className="text-[28px]">Jobs</h1>
        <Button look="go" className="ml-auto" onClick={() => setParams({ new: '1' })}>
          New job
        </Button>
      </header>
      {open.length + past.length === 0 && (
        <p className="py-10 text-[17px] text-mute">No job is entered yet. “New job” begins one.</p>
      )}
      <ul aria-label="In hand">{open.map(line)}</ul>
      {past.length > 0 && (
        <>
          <h2 className="mt-8 mb-2 text-xl">Delivered</h2>
          <ul>{past.map(line)}</ul>
          {hasNextPage && (
            <Button className="mt-4" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
              Earlier jobs
            </Button>
          )}
        </>
      )}
      <Sheet title="New job" open={params.has('new')} onClose={() => setParams({})}>
        <CommissionForm done={(id) => void navigate(`/jobs/${id}`)} />
      </Sheet>
    </main>
  );
}
