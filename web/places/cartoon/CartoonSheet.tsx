import { useMemo } from 'react';
import type { CartoonAnswer } from '#contract';
import { mmToInchFraction, trimNumber, type DisplayUnit } from '#core/units';
import { panelPaths } from '../../panel/paths.ts';
import { LeftLines } from './LeftLines.tsx';

const SHADES = ['var(--paper)', 'var(--paper-2)', 'var(--paper-3)', 'var(--paper-4)'];

/** The cartoon as understood: lines, numbers, repairs and loose ends in their places, with its true measures. */
export function CartoonSheet({
  answer,
  unit,
  spot,
}: {
  answer: CartoonAnswer;
  unit: DisplayUnit;
  /** A place that a note points at. */
  spot: readonly [number, number] | null;
}) {
  const paths = useMemo(() => panelPaths(answer), [answer]);
  const { x, y, width, height } = paths.box;
  const unitMm = Math.max(width, height) / 100;
  const pad = unitMm * 9;
  const text = unitMm * 2.7;
  return (
    <svg
      role="img"
      aria-label={`The drawing, ${answer.cartoon.pieces.length} pieces, ${Math.round(width)} by ${Math.round(height)} millimetres`}
      viewBox={`${x - pad} ${y - pad} ${width + 2 * pad} ${height + 2 * pad}`}
      className="min-h-0 flex-1 p-3"
      data-testid="cartoon"
    >
      <rect
        x={x - unitMm * 1.5}
        y={y - unitMm * 1.5}
        width={width + 3 * unitMm}
        height={height + 3 * unitMm}
        fill="var(--bright)"
        style={{ filter: 'drop-shadow(0 3px 7px var(--cast-soft))' }}
      />
      {answer.cartoon.pieces.map((p) => (
        <path
          key={p.number}
          d={paths.region.get(p.number)}
          fill={SHADES[p.number % SHADES.length]}
          fillRule="evenodd"
        />
      ))}
      <path
        d={paths.lines.join('')}
        fill="none"
        stroke="var(--ink-line)"
        strokeWidth={Math.min(Math.max(0.5, unitMm * 0.16), unitMm * 0.5)}
        strokeLinejoin="round"
      />
      <g aria-hidden textAnchor="middle" fill="var(--pencil-mute)" fontWeight={600}>
        {answer.cartoon.pieces.map((p) => {
          const size = Math.max(unitMm * 0.5, Math.min(text, p.labelRadiusMm));
          return (
            <text key={p.number} x={p.labelAt[0]} y={p.labelAt[1] + size * 0.34} fontSize={size}>
              {p.number}
            </text>
          );
        })}
      </g>
      <LeftLines findings={answer.findings} unit={unitMm} />
      {answer.repairs.map((r, i) => (
        <circle
          key={i}
          cx={r.at[0]}
          cy={r.at[1]}
          r={unitMm * 0.7}
          fill="none"
          stroke="var(--copper)"
          strokeWidth={unitMm * 0.2}
        />
      ))}
      {answer.findings.map((f, i) =>
        'at' in f && f.kind !== 'overrun' ? (
          <path
            key={i}
            d={`M${f.at[0] - unitMm} ${f.at[1] - unitMm}l${2 * unitMm} ${2 * unitMm}m0 ${-2 * unitMm}l${-2 * unitMm} ${2 * unitMm}`}
            stroke="var(--crack)"
            strokeWidth={unitMm * 0.3}
          />
        ) : null,
      )}
      {spot && (
        <g fill="none" stroke="var(--crack)" strokeWidth={unitMm * 0.4} data-spot>
          <circle cx={spot[0]} cy={spot[1]} r={unitMm * 3} />
        </g>
      )}
      <g fill="var(--ink)" stroke="var(--mute)" strokeWidth={unitMm * 0.12} fontSize={text} textAnchor="middle">
        <path
          d={`M${x} ${y + height + pad * 0.5}h${width}M${x} ${y + height + pad * 0.36}v${pad * 0.28}M${x + width} ${y + height + pad * 0.36}v${pad * 0.28}`}
        />
        <path
          d={`M${x - pad * 0.5} ${y}v${height}M${x - pad * 0.64} ${y}h${pad * 0.28}M${x - pad * 0.64} ${y + height}h${pad * 0.28}`}
        />
        <text stroke="none" x={x + width / 2} y={y + height + pad * 0.42}>
          {plain(width, unit)}
        </text>
        <text
          stroke="none"
          x={x - pad * 0.62}
          y={y + height / 2}
          transform={`rotate(-90 ${x - pad * 0.62} ${y + height / 2})`}
        >
          {plain(height, unit)}
        </text>
      </g>
    </svg>
  );
}

function plain(mm: number, unit: DisplayUnit): string {
  if (unit === 'mm') return `${trimNumber(mm, 1)} mm`;
  const { whole, top, bottom } = mmToInchFraction(mm);
  return `${whole}${top > 0 ? ` ${top}⁄${bottom}` : ''} in`;
}
