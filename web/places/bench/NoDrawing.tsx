import { Link } from 'react-router';

/** The bench before there is a drawing: where one comes in. */
export function NoDrawing({ id }: { id: string }) {
  return (
    <main className="grid flex-1 place-content-center gap-3 p-10 text-center">
      <h2 className="text-2xl">No drawing yet</h2>
      <p className="max-w-md text-mute">
        The bench begins with the cartoon: its closed regions become the numbered pieces.
      </p>
      <Link
        to={`/panels/${id}/cartoon`}
        className="mx-auto inline-flex min-h-11 items-center rounded-md bg-copper px-5 font-semibold text-white"
      >
        Bring in the drawing
      </Link>
    </main>
  );
}
