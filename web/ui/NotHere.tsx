import { Link } from 'react-router';
import { useTitle } from './useTitle.ts';

/** An address that names nothing in this studio. */
export function NotHere({ what }: { what: string }) {
  useTitle('Not here');
  return (
    <main className="grid content-start justify-items-start gap-3 p-10">
      <h1 className="text-2xl">This {what} is not in the studio</h1>
      <Link className="inline-flex min-h-11 items-center underline" to="/jobs">
        To all jobs
      </Link>
    </main>
  );
}
