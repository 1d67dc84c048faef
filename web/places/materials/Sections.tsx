import { cameSection, type Came, type GlassEdge } from '#core/materials';

/** The edge of a piece and the section of a came are drawn so much larger than they are, px a mm. */
const SCALE = 14;
const EDGE_SCALE = 24;

/** The edge of a piece in section, to scale: the glass, and the foil round it. */
export function EdgeOfGlass({
  edge: { thicknessMm: oneMm, layers, textureMm },
  overlapMm,
}: {
  edge: GlassEdge;
  overlapMm: number;
}) {
  const long = 6;
  const thicknessMm = layers * oneMm + textureMm;
  const foil = 0.22;
  return (
    <svg
      role="img"
      className="shrink-0"
      aria-label={`Foil round an edge: ${overlapMm.toFixed(1)} mm over each face`}
      width={(long + 1) * EDGE_SCALE}
      height={(thicknessMm + 1) * EDGE_SCALE}
      viewBox={`-0.5 -0.5 ${long + 1} ${thicknessMm + 1}`}
    >
      <rect width={long} height={thicknessMm} fill="var(--frost)" stroke="var(--score)" strokeWidth={0.06} />
      {layers > 1 && <path d={`M0 ${oneMm}H${long}`} stroke="var(--score)" strokeWidth={0.06} />}
      <path
        d={`M${overlapMm} ${-foil / 2}H${-foil / 2}V${thicknessMm + foil / 2}H${overlapMm}`}
        fill="none"
        stroke="var(--copper)"
        strokeWidth={foil}
      />
    </svg>
  );
}

/** Each metal as it looks where it is cut. */
const METAL_FILL = {
  lead: 'var(--came)',
  zinc: 'var(--zinc)',
  brass: 'var(--brass)',
  copper: 'var(--copper)',
} as const;

/** A came in section, to scale: its leaves, flat or domed, and its heart or base. */
export function CameSection({ came, thicknessMm }: { came: Came; thicknessMm: number }) {
  const { code, faceMm, heartMm, metal = 'lead', isRound = false } = came;
  const { leafMm, channelMm } = cameSection(came, thicknessMm);
  const isU = code.toLowerCase().startsWith('u');
  const high = channelMm + 2 * leafMm;
  const dome = (edge: number, side: 0 | 1) => `M0 ${edge}A${faceMm / 2} ${leafMm} 0 0 ${side} ${faceMm} ${edge}Z`;
  return (
    <svg
      role="img"
      aria-label={`${code} in section: face ${faceMm} mm, heart ${heartMm} mm`}
      width={(faceMm + 1) * SCALE}
      height={(high + 1) * SCALE}
      viewBox={`-0.5 -0.5 ${faceMm + 1} ${high + 1}`}
      fill={METAL_FILL[metal]}
    >
      {isRound ? (
        <path d={dome(leafMm, 1) + dome(leafMm + channelMm, 0)} />
      ) : (
        <>
          <rect width={faceMm} height={leafMm} rx={0.3} />
          <rect y={channelMm + leafMm} width={faceMm} height={leafMm} rx={0.3} />
        </>
      )}
      <rect
        x={isU ? 0 : (faceMm - heartMm) / 2}
        y={isRound ? leafMm : 0}
        width={heartMm}
        height={isRound ? channelMm : high}
        rx={isRound ? 0 : 0.2}
      />
    </svg>
  );
}
