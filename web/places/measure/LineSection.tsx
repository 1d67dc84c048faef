import type { Technique } from '#core/sizing';
import { showFineLength, type DisplayUnit } from '#core/units';
import { lineWords } from '#core/words';

/** A section through one line between two pieces, ten times true size, every part named. */
export function LineSection({
  unit,
  technique,
  offsetMm,
  faceMm,
  heartMm,
}: {
  unit: DisplayUnit;
  technique: Technique;
  offsetMm: number;
  faceMm: number;
  heartMm: number;
}) {
  const s = 26;
  const [cx, cy, t] = [300, 150, 3.2];
  const glass = (side: -1 | 1) => {
    const edge = cx + side * offsetMm * s;
    return (
      <rect
        x={side < 0 ? 40 : edge}
        y={cy - (t * s) / 2}
        width={side < 0 ? edge - 40 : 560 - edge}
        height={t * s}
        fill="var(--section-glass)"
        stroke="var(--score)"
      />
    );
  };
  const half = (faceMm * s) / 2;
  return (
    <figure className="min-w-0">
      <svg role="img" aria-label="Section through one line" viewBox="0 0 600 330" className="max-h-[420px] w-full">
        {glass(-1)}
        {glass(1)}
        {technique === 'lead' ? (
          <g fill="var(--section-lead)" stroke="var(--section-edge)">
            <rect x={cx - (heartMm * s) / 2} y={cy - t * 0.62 * s} width={heartMm * s} height={t * 1.24 * s} />
            <rect x={cx - half} y={cy - t * 0.62 * s - 14} width={2 * half} height={16} rx={7} />
            <rect x={cx - half} y={cy + t * 0.62 * s - 2} width={2 * half} height={16} rx={7} />
          </g>
        ) : (
          <g>
            <path
              d={`M${cx - half} ${cy - (t * s) / 2}Q${cx} ${cy - (t * s) / 2 - 46} ${cx + half} ${cy - (t * s) / 2}ZM${cx - half} ${cy + (t * s) / 2}Q${cx} ${cy + (t * s) / 2 + 46} ${cx + half} ${cy + (t * s) / 2}Z`}
              fill="var(--tin)"
              stroke="var(--tin-edge)"
            />
            <rect
              x={cx - offsetMm * s}
              y={cy - (t * s) / 2}
              width={2 * offsetMm * s}
              height={t * s}
              fill="var(--tin)"
            />
            {[-1, 1].map((side) => (
              <path
                key={side}
                d={`M${cx + side * half} ${cy - (t * s) / 2}H${cx + side * offsetMm * s}V${cy + (t * s) / 2}H${cx + side * half}`}
                fill="none"
                stroke="var(--copper)"
                strokeWidth={5}
              />
            ))}
          </g>
        )}
        <path d={`M${cx} 20V310`} stroke="var(--mute)" strokeDasharray="8 4 2 4" />
        <g fill="var(--ink)" fontSize={16} textAnchor="middle">
          <text x={cx} y={16}>
            the line of the drawing
          </text>
          <text x={130} y={cy + 6} fill="var(--pencil)">
            glass
          </text>
          <text x={480} y={cy + 6} fill="var(--pencil)">
            glass
          </text>
          <text x={cx} y={300}>
            the glass keeps {showFineLength(offsetMm, unit)} off the line on each side
          </text>
          <text x={cx} y={324} fill="var(--mute)">
            {lineWords(technique, faceMm, heartMm, unit)}
          </text>
        </g>
      </svg>
    </figure>
  );
}
