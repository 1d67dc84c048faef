import { useMemo } from 'react';
import { Link } from 'react-router';
import { boxOf } from '#core/geometry';
import { count } from '#core/units';
import { ringPath } from '../../panel/ItemGlass.tsx';
import { useCutting } from '../../panel/useCutting.ts';
import type { PanelView } from '../../panel/view.ts';
import type { PieceRow } from '../../state/studio.ts';
import type { CureJob } from '../../worker/cutting.worker.ts';

/** From so many breaks on it is asked whether the shape is at fault; from memory. */
export const OFTEN = 3;

/** A piece that keeps breaking: whether its shape should change, with the line that would make it two easier ones. */
export function BrokeOften({ view, piece }: { view: PanelView; piece: PieceRow }) {
  const { answer, panel, limits } = view;
  const judged = answer?.cuttability.find((one) => one.number === piece.number);
  const cut = answer?.cuts.find((one) => one.number === piece.number);
  const job = useMemo(
    (): CureJob | null =>
      answer && judged ? { kind: 'cure', cartoon: answer.cartoon, judged, allowance: panel.allowance, limits } : null,
    [answer, judged, panel.allowance, limits],
  );
  const { answer: cure, isWorking } = useCutting(job);
  if (!cut) return null;
  const { minX, minY, maxX, maxY } = boxOf(cut.rings.flat());
  const size = Math.max(maxX - minX, maxY - minY);
  return (
    <section aria-label="Broke often" className="grid gap-2 border-l-4 border-copper pl-3 text-[15.5px]">
      <p>
        It broke <b>{count(piece.recuts, 'time')}</b>. Should its shape change?{' '}
        {isWorking
          ? 'Looking for a line that would cure it …'
          : cure
            ? 'This line would make two of it that come out more easily.'
            : 'No straight line makes it easier; a gentler curve or another glass may.'}
      </p>
      {cure && (
        <svg
          viewBox={`${minX - size * 0.06} ${minY - size * 0.06} ${maxX - minX + size * 0.12} ${maxY - minY + size * 0.12}`}
          className="max-h-40 w-full"
          role="img"
          aria-label="The proposed line"
        >
          {cut.rings.map((ring, i) => (
            <path key={i} d={ringPath(ring)} fill="var(--paper)" stroke="var(--score)" strokeWidth={size * 0.008} />
          ))}
          {cure.lines.map((points, i) => (
            <path
              key={i}
              d={`M${points.map((p) => p.join(' ')).join('L')}`}
              fill="none"
              stroke="var(--copper)"
              strokeWidth={size * 0.016}
              strokeDasharray={`${size * 0.04} ${size * 0.025}`}
            />
          ))}
        </svg>
      )}
      <p>
        <Link className="underline" to={`/panels/${panel.id}/cartoon`}>
          Change the drawing
        </Link>
      </p>
    </section>
  );
}
