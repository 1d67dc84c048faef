import { memo, useId } from 'react';
import { isInHand } from '#core/bench';
import type { CartoonAnswer } from '#contract';
import type { Point } from '#core/geometry';
import { letterSize } from '../../panel/letterSizes.ts';
import type { PanelPaths } from '../../panel/paths.ts';
import type { PieceRow } from '../../state/studio.ts';
import { usePrinting } from '../../ui/usePrinting.ts';

const SHADES = ['var(--paper)', 'var(--paper-2)', 'var(--paper-3)', 'var(--paper-4)'];

/** From this difficulty on a piece is hatched. */
const HARD = 4;

interface SheetProps {
  readonly paths: PanelPaths;
  readonly answer: CartoonAnswer;
  readonly pieces: readonly PieceRow[];
  readonly hardShown: boolean;
  /** Pieces whose glass is cut, where lines are being changed. */
  readonly heldShown: boolean;
}

/** The cartoon on white paper: regions, lines as wide as what they take up, numbers, flow arrows, sections. */
export const DeskSheet = memo(function DeskSheet({ paths, answer, pieces, hardShown, heldShown }: SheetProps) {
  const { cartoon } = answer;
  // The desks of several panels may be on the page: each has patterns of its own.
  const here = useId();
  const [hard, arrowHead] = [`${here}hard`, `${here}arrow`];
  // On the screen they are written by a worker, always as large as they can be read.
  const printing = usePrinting();
  const unit = Math.max(paths.box.width, paths.box.height) / 100;
  const difficulty = new Map(answer.cuttability.map((c) => [c.number, c.difficulty]));
  const rows = new Map(pieces.map((p) => [p.number, p]));
  const held = new Set(pieces.filter(isInHand).map((p) => p.number));
  return (
    <>
      <defs>
        <pattern id={hard} width="3.2" height="3.2" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <path d="M0 0V3.2" stroke="var(--crack)" strokeWidth="0.7" strokeOpacity="0.55" />
        </pattern>
        <marker id={arrowHead} viewBox="0 0 6 6" refX="5" refY="3" markerWidth="5" markerHeight="5" orient="auto">
          <path d="M0 .6L5.4 3L0 5.4" fill="none" stroke="var(--held)" strokeWidth="1.1" />
        </marker>
      </defs>
      {SHADES.map((shade, i) => (
        <path key={shade} d={paths.region.shape((n) => n % SHADES.length === i)} fill={shade} fillRule="evenodd" />
      ))}
      {heldShown && (
        <path
          d={paths.region.shape((n) => held.has(n))}
          fill="var(--held)"
          fillOpacity={0.2}
          fillRule="evenodd"
          data-held
        />
      )}
      {hardShown && (
        <path
          d={paths.region.shape((n) => (difficulty.get(n) ?? 1) >= HARD)}
          fill={`url(#${hard})`}
          fillRule="evenodd"
        />
      )}
      <path
        d={paths.lines.join('')}
        fill="none"
        stroke="var(--ink-line)"
        strokeWidth={Math.max(0.5, unit * 0.16)}
        strokeLinejoin="round"
      />
      {cartoon.profiles?.map((code, i) =>
        code === null ? null : (
          <path
            key={i}
            d={paths.lines[i]}
            fill="none"
            stroke="var(--section-lead)"
            strokeWidth={Math.max(1.4, unit * 0.5)}
            strokeLinecap="round"
            data-profile={code}
          />
        ),
      )}
      <g aria-hidden textAnchor="middle" fill="var(--pencil-mute)" fontWeight={600} style={{ pointerEvents: 'none' }}>
        {cartoon.pieces.map((p) => {
          const size = letterSize(Math.max(unit * 0.5, p.labelRadiusMm), unit * 2.1);
          const row = rows.get(p.number);
          const [x, y] = p.labelAt;
          if (!printing && !row?.recheck && (row?.flowDeg ?? null) === null) return null;
          return (
            <g key={p.number}>
              {printing && (
                <text x={x} y={y + size * 0.34} fontSize={size} textDecoration={row?.locked ? 'underline' : undefined}>
                  {row?.section ?? ''}
                  {p.number}
                </text>
              )}
              {row?.recheck && (
                <path
                  d={paths.region.get(p.number)}
                  fill="none"
                  stroke="var(--crack)"
                  strokeWidth={unit * 0.35}
                  strokeDasharray={row.tooSmall ? undefined : `${unit * 1.2} ${unit * 0.7}`}
                />
              )}
              {row?.flowDeg !== undefined && row.flowDeg !== null && (
                <FlowArrow
                  at={[x, y]}
                  deg={row.flowDeg}
                  lengthMm={Math.max(unit * 1.5, p.labelRadiusMm * 1.5)}
                  offMm={size * 0.75}
                  head={arrowHead}
                />
              )}
            </g>
          );
        })}
      </g>
    </>
  );
});

/** Beside the number, along the streaks. */
function FlowArrow({
  at: [x, y],
  deg,
  lengthMm,
  offMm,
  head,
}: {
  at: Point;
  deg: number;
  lengthMm: number;
  offMm: number;
  head: string;
}) {
  return (
    <g transform={`translate(${x} ${y}) rotate(${deg}) translate(0 ${offMm})`}>
      <path
        d={`M${-lengthMm / 2} 0H${lengthMm / 2}`}
        stroke="var(--held)"
        strokeWidth={0.55}
        fill="none"
        markerEnd={`url(#${head})`}
      />
    </g>
  );
}
