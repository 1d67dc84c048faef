import { useId } from 'react';
import { boxOf } from '#core/geometry';
import { GlassPattern } from '../../panel/GlassPattern.tsx';
import type { PanelView } from '../../panel/view.ts';
import type { PieceRow } from '../../state/studio.ts';

/** The cut outline of one piece in its glass, with its flow. */
export function PieceDrawing({ view, piece }: { view: PanelView; piece: PieceRow }) {
  const { answer, glasses } = view;
  const pattern = useId();
  const cut = answer?.cuts.find((c) => c.number === piece.number);
  if (!cut || cut.rings.length === 0) return null;
  const { minX, minY, maxX, maxY } = boxOf(cut.rings.flat());
  const pad = Math.max(maxX - minX, maxY - minY) * 0.06;
  const glass = piece.glassId ? glasses.get(piece.glassId) : undefined;
  const d = view.paths?.glass.get(piece.number);
  const [cx, cy] = [(minX + maxX) / 2, (minY + maxY) / 2];
  const arrow = Math.min(maxX - minX, maxY - minY) * 0.3;
  return (
    <svg
      role="img"
      aria-label={`Cut outline of piece ${piece.number}`}
      viewBox={`${minX - pad} ${minY - pad} ${maxX - minX + 2 * pad} ${maxY - minY + 2 * pad}`}
      className="h-36 w-full shrink-0"
    >
      {glass && (
        <defs>
          <GlassPattern id={pattern} glass={glass} flowDeg={piece.flowDeg ?? 0} />
        </defs>
      )}
      <path
        d={d}
        fill={glass ? `url(#${pattern})` : 'var(--paper)'}
        stroke="var(--score)"
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
      />
      {(glass?.flow || (piece.flowDeg ?? null) !== null) && (
        <path
          transform={`rotate(${piece.flowDeg ?? 0} ${cx} ${cy})`}
          d={`M${cx - arrow} ${cy}h${2 * arrow}m${-arrow * 0.4} ${-arrow * 0.25}l${arrow * 0.4} ${arrow * 0.25}l${-arrow * 0.4} ${arrow * 0.25}`}
          fill="none"
          stroke="var(--flow)"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      )}
    </svg>
  );
}
