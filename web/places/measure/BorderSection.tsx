import { borderEdges, type LineAllowance, type Opening } from '#core/sizing';
import { showFineLength, type DisplayUnit } from '#core/units';
import { borderMarks, hiddenWords } from '#core/words';

const SCALE = 17;
const TOP = 78;
const GLASS = 3.2;
const labelY = (i: number) => 268 + i * 26;

/** A section through the border, to scale: opening, play, came or rim, glass, daylight and sight line, each with its number. */
export function BorderSection({
  allowance,
  code,
  opening,
  unit,
}: {
  allowance: LineAllowance;
  /** What goes round most of the outline, where it is not the panel's own. */
  code: string | null;
  opening: Opening | null;
  unit: DisplayUnit;
}) {
  const edges = borderEdges(allowance, opening, code);
  const start = 96;
  const x = (mm: number) => start + mm * SCALE;
  const middle = 168;
  const half = (GLASS * SCALE) / 2;
  const named = borderMarks(edges);
  const fine = (mm: number) => showFineLength(mm, unit);
  const hidden = hiddenWords(edges, unit);
  const right = Math.max(560, x(Math.max(edges.daylightMm, edges.sightMm ?? 0)) + 150);
  const height = 290 + named.length * 26;
  const face = edges.daylightMm - edges.panelMm;
  return (
    <figure className="min-w-0">
      <svg
        role="img"
        aria-label={`Section through the border: ${named.map((n) => `${n.name} at ${fine(n.mm)}`).join(', ')}`}
        viewBox={`0 0 ${right + 20} ${height}`}
        className="max-h-[520px] w-full"
        data-testid="border-section"
      >
        {opening && (
          <g>
            <path
              d={`M20 ${middle - 90}H${x(0)}V${middle + 90}H20Z`}
              fill="var(--section-stone)"
              stroke="var(--section-stone-edge)"
            />
            <path
              d={`M${x(0)} ${middle + half + 12}H${x(opening.coverMm)}V${middle + 90}H${x(0)}`}
              fill="var(--section-stone)"
              stroke="var(--section-stone-edge)"
            />
            <text x={56} y={middle - 100} textAnchor="middle" fontSize={15} fill="var(--ink)">
              frame
            </text>
          </g>
        )}
        <path
          d={`M${x(edges.cutMm)} ${middle - half}H${right}V${middle + half}H${x(edges.cutMm)}Z`}
          fill="var(--section-glass)"
          stroke="var(--score)"
        />
        {edges.isCame ? (
          <g fill="var(--section-lead)" stroke="var(--section-edge)">
            <rect
              x={x(edges.glassMm - edges.heartMm)}
              y={middle - half - 6}
              width={edges.heartMm * SCALE}
              height={2 * half + 12}
            />
            <rect x={x(edges.panelMm)} y={middle - half - 18} width={face * SCALE} height={15} rx={6} />
            <rect x={x(edges.panelMm)} y={middle + half + 3} width={face * SCALE} height={15} rx={6} />
          </g>
        ) : (
          <path
            d={`M${x(edges.daylightMm)} ${middle - half}Q${x(edges.panelMm)} ${middle - half - 14} ${x(edges.cutMm) - 6} ${middle}Q${x(edges.panelMm)} ${middle + half + 14} ${x(edges.daylightMm)} ${middle + half}H${x(edges.cutMm)}V${middle - half}Z`}
            fill="var(--tin)"
            stroke="var(--copper)"
            strokeWidth={2}
          />
        )}
        <text x={right - 40} y={middle + 5} textAnchor="end" fontSize={16} fill="var(--pencil)">
          glass
        </text>
        {named.map(({ mm, name }, i) => (
          <path
            key={name}
            d={`M${x(mm)} ${TOP - 22}V${labelY(i) - 4}H${x(mm) + 12}`}
            fill="none"
            stroke="var(--mute)"
            strokeDasharray="5 4"
          />
        ))}
        {named.map(({ mm, name }, i) => (
          <text
            key={name}
            x={x(mm) + 18}
            y={labelY(i)}
            fontSize={16}
            fill="var(--ink)"
            style={{ paintOrder: 'stroke', stroke: 'var(--top)', strokeWidth: 6 }}
          >
            {name}
            <tspan fontWeight={700} dx={8}>
              {mm === 0 ? '' : fine(mm)}
            </tspan>
          </text>
        ))}
      </svg>
      {hidden !== null && <figcaption className="text-[15px] text-mute">{hidden}</figcaption>}
    </figure>
  );
}
