import { Link } from 'react-router';

/** The sheet that glass is laid out on, and the way to it. */
export function LaidOn({ panelId, stockId }: { panelId: string; stockId: string }) {
  return (
    <Link className="underline" to={`/panels/${panelId}/layout`}>
      {stockId}
    </Link>
  );
}
