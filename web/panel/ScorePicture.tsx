import { useMemo } from 'react';
import { boxOf, halfWay, signedArea, type Point, type Ring } from '#core/geometry';
import type { Limits } from '#core/limits';
import { scoreWords } from '#core/words';
import { useCutting } from './useCutting.ts';

const line = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}`;

/** Scores that are told one by one; a border of more is a pattern that the hand follows. */
const MOST_TOLD = 12;

/** In which order a piece is scored: from edge to edge of the glass in the hand, the runs before an inside curve dashed. */
export function ScorePicture({ rings, number, limits }: { rings: readonly Ring[]; number: number; limits: Limits }) {
  const job = useMemo(() => {
    const outline = rings.find((r) => signedArea(r) > 0);
    return outline && outline.length >= 3 ? { kind: 'scores' as const, outline, limits } : null;
  }, [rings, limits]);
  const { answer: plan } = useCutting(job);
  // Its place is kept while it is worked out, so that nothing below jumps.
  if (!job || !plan) return job && <div className="h-[230px]" />;
  const { outline } = job;
  const { blank, scores, stuck } = plan;
  const { minX, minY, maxX, maxY } = boxOf(blank);
  const unit = Math.max(maxX - minX, maxY - minY) / 60;
  const pad = unit * 2;
  const shown = scores.slice(0, MOST_TOLD);
  return (
    <figure className="grid gap-2">
      <svg
        role="img"
        aria-label={`Order of scores of piece ${number}: ${shown.map(scoreWords).join(', ')}`}
        viewBox={`${minX - pad} ${minY - pad} ${maxX - minX + 2 * pad} ${maxY - minY + 2 * pad}`}
        className="max-h-[230px] w-full"
      >
        <path d={`${line(blank)}Z`} fill="var(--score-waste)" />
        <path d={`${line(outline)}Z`} fill="var(--score-glass)" />
        {scores.flatMap((s, i) =>
          s.reliefs.map((relief, k) => (
            <path
              key={`${i}.${k}`}
              d={line(relief)}
              fill="none"
              stroke="var(--copper)"
              strokeWidth={unit * 0.35}
              strokeDasharray={`${unit * 1.6} ${unit}`}
            />
          )),
        )}
        {scores.map((s, i) => (
          <g key={i} fill="none" stroke={s.kind === 'inside' ? 'var(--copper)' : 'var(--pencil-soft)'}>
            <path d={line(s.points)} strokeWidth={unit * 0.45} strokeLinecap="round" />
            <path d={line(s.along)} strokeWidth={unit * (s.kind === 'inside' ? 1.2 : 0.9)} strokeLinecap="round" />
          </g>
        ))}
        {stuck.map((points, i) => (
          <path
            key={i}
            d={line(points)}
            fill="none"
            stroke="var(--risk)"
            strokeWidth={unit * 1.2}
            strokeDasharray={`${unit * 0.4} ${unit * 1.6}`}
            strokeLinecap="round"
          />
        ))}
        {shown.map((s, i) => {
          const [x, y] = halfWay(s.along);
          return (
            <g key={i} fontSize={unit * 3.6} fontWeight={700} textAnchor="middle">
              <circle
                cx={x}
                cy={y}
                r={unit * 2.5}
                fill="var(--bright)"
                stroke="var(--pencil-soft)"
                strokeWidth={unit * 0.3}
              />
              <text x={x} y={y + unit * 1.3} fill="var(--pencil)">
                {i + 1}
              </text>
            </g>
          );
        })}
      </svg>
      <ol className="grid grid-cols-2 gap-x-4 gap-y-0.5 text-[14.5px]">
        {shown.map((s, i) => (
          <li key={i} className={s.kind === 'inside' ? 'col-span-2' : undefined}>
            <b>{i + 1}</b> {scoreWords(s)}
          </li>
        ))}
      </ol>
      {scores.length > shown.length && (
        <p className="text-[14.5px] text-mute">and {scores.length - shown.length} more, on the picture</p>
      )}
      {stuck.length > 0 && (
        <p className="border-l-2 border-risk pl-3 text-[14.5px]">
          For the dotted {stuck.length === 1 ? 'line' : 'lines'} no score was found that frees what lies behind.
        </p>
      )}
    </figure>
  );
}
