import { scoreOrder } from '#core/cutting';
import { boxOf, halfWay, signedArea, type Point, type Ring } from '#core/geometry';
import type { Limits } from '#core/limits';
import { scoreWords } from '#core/words';

const line = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}`;

/** In which order a piece is scored: numbered sides, runs of inside curves and reliefs drawn in the waste. */
export function ScorePicture({ rings, number, limits }: { rings: readonly Ring[]; number: number; limits: Limits }) {
  const ring = rings.find((r) => signedArea(r) > 0);
  if (!ring || ring.length < 3) return null;
  const scores = scoreOrder(ring, limits);
  const { minX, minY, maxX, maxY } = boxOf([...ring, ...scores.flatMap((s) => s.reliefs.flat())]);
  const unit = Math.max(maxX - minX, maxY - minY) / 60;
  const pad = unit * 7;
  const shown = scores.slice(0, 12);
  return (
    <figure className="flex items-center gap-4">
      <svg
        role="img"
        aria-label={`Order of scores of piece ${number}: ${shown.map(scoreWords).join(', ')}`}
        viewBox={`${minX - pad} ${minY - pad} ${maxX - minX + 2 * pad} ${maxY - minY + 2 * pad}`}
        className="h-[150px] w-[150px] shrink-0"
      >
        <path d={`${line(ring)}Z`} fill="var(--score-glass)" />
        {scores.flatMap((s, i) =>
          s.reliefs.map((relief, k) => (
            <path
              key={`${i}.${k}`}
              d={line(relief)}
              fill="none"
              stroke="var(--tin-dark)"
              strokeWidth={unit * 0.5}
              strokeDasharray={`${unit * 1.6} ${unit}`}
            />
          )),
        )}
        {scores.map((s, i) => (
          <path
            key={i}
            d={line(s.points)}
            fill="none"
            stroke={s.kind === 'inside' ? 'var(--copper)' : 'var(--pencil-soft)'}
            strokeWidth={unit * (s.kind === 'inside' ? 1.3 : 0.9)}
            strokeLinecap="round"
          />
        ))}
        {shown.map((s, i) => {
          const [x, y] = halfWay(s.points);
          return (
            <g key={i} fontSize={unit * 5} fontWeight={700} textAnchor="middle">
              <circle
                cx={x}
                cy={y}
                r={unit * 3.4}
                fill="var(--bright)"
                stroke="var(--pencil-soft)"
                strokeWidth={unit * 0.4}
              />
              <text x={x} y={y + unit * 1.8} fill="var(--pencil)">
                {i + 1}
              </text>
            </g>
          );
        })}
      </svg>
      <ol className="grid gap-0.5 text-[14.5px]">
        {shown.map((s, i) => (
          <li key={i}>
            <b>{i + 1}</b> {scoreWords(s)}
          </li>
        ))}
      </ol>
    </figure>
  );
}
