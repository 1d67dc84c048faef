import { useNavigate, useSearchParams } from 'react-router';
import { useJobs, useSketches } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useTitle } from '../../ui/useTitle.ts';
import { ArchivedJobs } from './ArchivedJobs.tsx';
import { CommissionForm } from './CommissionForm.tsx';
import { JobRow } from './JobRow.tsx';

/** Every job by due date, those in hand first: its panels as they stand, what comes next, what it is worth so far. */
export function CommissionList() {
  useTitle('Jobs');
  const { data, hasNextPage, fetchNextPage, isFetchingNextPage } = useJobs();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const open = data?.pages.flatMap((page) => page.inHand) ?? [];
  const past = data?.pages.flatMap((page) => page.past) ?? [];
  const drawings = [...open, ...past].flatMap((job) => job.panels.map(({ panel }) => panel.cartoonId));
  const sketches = useSketches(drawings);
  if (!data) return null;
  const sketchOf = new Map(drawings.map((id, i) => [id, sketches[i]]));
  return (
    <main className="mx-auto max-w-6xl px-10 py-6 max-sm:px-4">
      <header className="mb-4 flex items-center">
        <h1 className="text-[28px]">Jobs</h1>
        <a
          className="ml-auto mr-4 underline decoration-line decoration-2 underline-offset-4 hover:decoration-copper"
          href="/api/calendar.ics"
          download
        >
          Due days as a calendar
        </a>
        <Button look="go" onClick={() => setParams({ new: '1' })}>
          New job
        </Button>
      </header>
      {open.length + past.length === 0 && (
        <p className="py-10 text-[17px] text-mute">No job is entered yet. “New job” begins one.</p>
      )}
      <ul aria-label="In hand">
        {open.map((job) => (
          <JobRow key={job.commission.id} job={job} sketchOf={sketchOf} />
        ))}
      </ul>
      {past.length > 0 && (
        <>
          <h2 className="mt-8 mb-2 text-xl">Delivered</h2>
          <ul aria-label="Delivered">
            {past.map((job) => (
              <JobRow key={job.commission.id} job={job} sketchOf={sketchOf} />
            ))}
          </ul>
          {hasNextPage && (
            <Button
              className="mt-4"
              unless={isFetchingNextPage ? 'They are on their way.' : null}
              onClick={() => void fetchNextPage()}
            >
              Earlier jobs
            </Button>
          )}
        </>
      )}
      {data.pages[0]?.hasArchived && <ArchivedJobs />}
      <Sheet title="New job" open={params.has('new')} onClose={() => setParams({})}>
        <CommissionForm done={(id) => void navigate(`/jobs/${id}`)} />
      </Sheet>
    </main>
  );
}
