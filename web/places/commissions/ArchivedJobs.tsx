import { useState } from 'react';
import { useArchivedJobs, useSketches } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { JobRow } from './JobRow.tsx';

/** Jobs that are archived, once they are asked for. */
export function ArchivedJobs() {
  const [isOpen, setOpen] = useState(false);
  const { data, hasNextPage, fetchNextPage, isFetchingNextPage } = useArchivedJobs(isOpen);
  const jobs = data?.pages.flatMap((page) => page.past) ?? [];
  const drawings = jobs.flatMap((job) => job.panels.map(({ panel }) => panel.cartoonId));
  const sketches = useSketches(drawings);
  const sketchOf = new Map(drawings.map((id, i) => [id, sketches[i]]));
  if (!isOpen)
    return (
      <Button className="mt-8" onClick={() => setOpen(true)}>
        Archived jobs
      </Button>
    );
  return (
    <>
      <h2 className="mt-8 mb-2 text-xl">Archived</h2>
      <ul aria-label="Archived">
        {jobs.map((job) => (
          <JobRow key={job.commission.id} job={job} sketchOf={sketchOf} />
        ))}
      </ul>
      {data && jobs.length === 0 && <p className="text-mute">None any more.</p>}
      {hasNextPage && (
        <Button
          className="mt-4"
          unless={isFetchingNextPage ? 'They are on their way.' : null}
          onClick={() => void fetchNextPage()}
        >
          Earlier ones
        </Button>
      )}
    </>
  );
}
